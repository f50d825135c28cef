import type { BeamMember } from '@/core/members/beam/input';
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { useProject } from '@/store/project-store';
import { designNow } from '@/core/project/design-member';
import { firstMember, projectOf } from './fixtures';
import { derive } from '@/core/calc/calc';
import { defineSymbols, formulary } from '@/core/calc/formula';
import type { Drawing, Handle } from '@/core/drawing/shapes';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { Derivation } from '@/ui/paper/Formula';
import { Glyph, standingOf } from '@/ui/drawing/Glyph';
import { Inlay } from '@/ui/drawing/Inlay';
import { Missing, Notice } from '@/ui/paper/Missing';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Silhouette } from '@/ui/drawing/Silhouette';

describe('states are told by shape and by name', () => {
  test.each([
    ['holds', false, 'within'],
    ['near', false, 'near'],
    ['exceeds', false, 'over'],
    ['failed', false, 'over'],
    ['exceeds', true, 'accepted'],
    ['notCovered', false, 'open'],
    ['notApplicable', false, 'open'],
    [undefined, false, 'open'],
  ] as const)('%s, decided %s, is %s', (status, decided, standing) => expect(standingOf(status, decided)).toBe(standing));

  test('each glyph has a text alternative of its own', () => {
    const names = (['within', 'near', 'over', 'accepted', 'working', 'open'] as const).map((standing) => {
      const { container, unmount } = render(<Glyph standing={standing} />);
      const name = container.querySelector('svg')!.getAttribute('aria-label');
      unmount();
      return name;
    });
    expect(new Set(names).size).toBe(6);
    expect(names).toContain('over the limit, accepted by the engineer');
  });
});

describe('the inlay', () => {
  const barEnd = (utilisation: number) => {
    const { container, unmount } = render(<Inlay utilisation={utilisation} standing="within" />);
    const width = Number(container.querySelector('rect')!.getAttribute('width'));
    unmount();
    return width;
  };
  test('is as long as the utilisation, 66 px at the limit', () => {
    expect(barEnd(0.5)).toBeCloseTo(33, 6);
    expect(barEnd(1)).toBeCloseTo(66, 6);
  });
  test('never leaves its field, however large the figure', () => {
    expect(barEnd(50)).toBe(barEnd(1.18));
  });
  test('shows the figure before a change as a dashed line', () => {
    const { container } = render(<Inlay utilisation={0.8} standing="within" before={1.1} framed />);
    expect(container.querySelector('[stroke-dasharray]')).not.toBeNull();
  });
});

describe('a drawing on the screen', () => {
  const drawing: Drawing = {
    width: 100,
    height: 50,
    title: 'Test drawing',
    shapes: [
      {
        kind: 'path',
        points: [
          [0, 0],
          [10, 0],
          [10, 10],
        ],
        closed: true,
        fill: 'concrete',
        line: 'cut',
      }, // a triangle
      { kind: 'circle', at: [20, 20], r: 4, fill: 'steel' },
      { kind: 'text', at: [5, 5], text: '550', style: 'plain', edit: { of: 'section', side: 'h' } as Handle, label: 'Overall depth h' },
      { kind: 'text', at: [5, 9], text: 'zone', style: 'small' },
    ],
  };
  test('values that can be edited are buttons with a name; others are not', () => {
    const onEdit = jest.fn();
    render(<DrawingView drawing={drawing} onEdit={onEdit} />);
    const value = screen.getByRole('button', { name: 'Overall depth h: 550' });
    fireEvent.click(value);
    fireEvent.keyDown(value, { key: 'Enter' });
    fireEvent.keyDown(value, { key: 'F2' });
    fireEvent.keyDown(value, { key: 'x' });
    expect(onEdit).toHaveBeenCalledTimes(3);
    expect(onEdit).toHaveBeenLastCalledWith({ of: 'section', side: 'h' }, value);
    expect(screen.getAllByRole('button')).toHaveLength(1);
  });
  test('without an editor it is only looked at', () => {
    render(<DrawingView drawing={drawing} />);
    expect(screen.queryByRole('button')).toBeNull();
    expect(screen.getByRole('group', { name: 'Test drawing' })).toBeTruthy();
  });
  test('paths are closed where they say so', () => {
    const { container } = render(<DrawingView drawing={drawing} />);
    expect(container.querySelector('path')!.getAttribute('d')).toBe('M0 0L10 0L10 10z');
  });
});

describe('a derivation on the screen', () => {
  const symbols = defineSymbols({
    A_s: ['area of tension steel', 'mm2'],
    f_yd: ['design strength', 'MPa'],
    F_s: ['force in the steel', 'kN'],
  });
  const force = formulary(symbols)('F_s', 'A_s * f_yd', '6.1');
  const steps = derive((c) => {
    c.given(symbols.A_s, 1256.6, 'four bars');
    c.let(force, { A_s: 1256.6, f_yd: 434.8 });
    c.note('A note with <b>no markup</b>.', '9.9');
  });
  test('formula, numbers, result with unit, clause and source', () => {
    const { container } = render(<Derivation steps={steps} units="SI" />);
    expect(container.querySelectorAll('math').length).toBeGreaterThanOrEqual(3);
    expect(container.textContent).toContain('546.4');
    expect(container.textContent).toContain('kN');
    expect(container.textContent).toContain('6.1');
    expect(container.textContent).toContain('four bars');
  });
  test('the same in US units', () => {
    const { container } = render(<Derivation steps={steps} units="US" />);
    // 546.4 kN = 122.8 kip; 1256.6 mm2 = 1.948 in2
    expect(container.textContent).toContain('122.8');
    expect(container.textContent).toContain('1.948');
  });
  test('a note is text, never markup', () => {
    const { container } = render(<Derivation steps={steps} units="SI" />);
    expect(container.querySelector('b b, p b')).toBeNull();
    expect(container.textContent).toContain('<b>no markup</b>');
  });
});

describe('a field for a quantity', () => {
  const set = (value: number | null, props: Partial<Parameters<typeof QuantityInput>[0]> = {}) => {
    const onKeep = jest.fn();
    render(<QuantityInput kind="length" system="SI" value={value} label="Depth" onKeep={onKeep} {...props} />);
    const input = screen.getByRole('textbox', { name: 'Depth' });
    const type = (text: string) => fireEvent.change(input, { target: { value: text } });
    return { onKeep, input: input as HTMLInputElement, type };
  };
  test('takes any unit and keeps in mm', () => {
    const { onKeep, input, type } = set(500);
    type('20 in');
    fireEvent.keyDown(input, { key: 'Enter' });
    expect(onKeep).toHaveBeenCalledWith(508, '20 in');
  });
  test('a refused text stays with its reason and is not kept', () => {
    const { onKeep, input, type } = set(500);
    type('deep');
    fireEvent.blur(input);
    expect(screen.getByText('"deep" is not a number.')).toBeTruthy();
    expect(input.value).toBe('deep');
    expect(input.getAttribute('aria-invalid')).toBe('true');
    expect(onKeep).not.toHaveBeenCalled();
  });
  test('Escape brings the value back', () => {
    const { input, type } = set(500);
    type('deep');
    fireEvent.keyDown(input, { key: 'Escape' });
    expect(input.value).toBe('500');
  });
  test('the same value again is no edit', () => {
    const { onKeep, input, type } = set(500);
    type('0.5 m');
    fireEvent.blur(input);
    expect(onKeep).not.toHaveBeenCalled();
  });
  test('empty is allowed only where it means something', () => {
    const kept = set(500, { empty: 'automatic' });
    kept.type('');
    fireEvent.blur(kept.input);
    expect(kept.onKeep).toHaveBeenCalledWith(null, '');
  });
  test('an empty field that needs a value says so', () => {
    const { onKeep, type } = set(500);
    type('');
    expect(screen.getByText('Type a value.')).toBeTruthy();
    expect(onKeep).not.toHaveBeenCalled();
  });
});

describe('small parts', () => {
  test('a notice is a status that can be closed', () => {
    useProject.getState().setNotice('Undone: set depth');
    render(<Notice />);
    expect(screen.getByRole('status').textContent).toContain('Undone: set depth');
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    expect(screen.queryByRole('status')).toBeNull();
  });
  test('a notice goes by itself; what a project was opened with stays', () => {
    jest.useFakeTimers();
    render(<Notice />);
    act(() => useProject.getState().setNotice('Undone: set depth'));
    act(() => void jest.advanceTimersByTime(4000));
    expect(screen.getByRole('status')).toBeTruthy();
    act(() => void jest.advanceTimersByTime(6000));
    expect(screen.queryByRole('status')).toBeNull();
    act(() => useProject.getState().open(projectOf({}), 'Not all of what was saved can be read.'));
    act(() => void jest.advanceTimersByTime(60_000));
    expect(screen.getByRole('status').textContent).toContain('Not all');
    jest.useRealTimers();
  });
  test('what cannot be opened says why, what is safe, and the way on', () => {
    render(<Missing reason="There is no such project in this browser." />);
    expect(screen.getByText(/There is no such project.*not touched/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'To the start' }).getAttribute('href')).toBe('/');
  });
  test.each(['rectangular', 'T', 'L', 'invertedT'] as const)('silhouette of %s', (shape) => {
    const { container } = render(<Silhouette member={{ type: 'beam', section: { shape } } as BeamMember} />);
    expect(container.querySelector('path')!.getAttribute('d')).toMatch(/z$/);
  });
});

describe('the steps of a check', () => {
  test('a formula opens to what its symbols mean, and goes to where they came from', () => {
    const project = projectOf();
    const member = firstMember(project);
    const check = designNow(project, member, 'all').checks.find((c) => c.id === 'bending-span-1')!;
    render(<Derivation steps={check.derivation!} units="SI" />);
    const formulas = screen.getAllByRole('button', { name: /: its symbols$/ });
    const last = formulas[formulas.length - 1]!;
    fireEvent.click(last);
    expect(last.getAttribute('aria-expanded')).toBe('true');
    const where = document.querySelector('dl')!;
    expect(where.querySelectorAll('dt').length).toBeGreaterThan(1);
    const scrolled = jest.fn();
    Element.prototype.scrollIntoView = scrolled;
    const link = within(where as HTMLElement).getAllByRole('button')[0]!;
    fireEvent.click(link);
    expect(scrolled).toHaveBeenCalled();
    expect(document.activeElement?.getAttribute('tabindex')).toBe('-1');
    fireEvent.click(last);
    expect(document.querySelector('dl')).toBeNull();
  });
});
