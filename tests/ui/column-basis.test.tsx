import { act, fireEvent, render, screen } from '@testing-library/react';
import type { ColumnResult } from '@/core/members/column/result';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { ColumnMember } from '@/core/members/column/input';
import type { UprightMember } from '@/core/members/wall/upright';
import type { WallMember } from '@/core/members/wall/input';
import { AxisEditor } from '@/features/column/AxisEditor';
import { BasisPanel } from '@/features/column/BasisPanel';
import { useProject } from '@/store/project-store';
import { openWithResults, projectOf, stubBrowser, newColumn, newWall } from './fixtures';

/** What a column and a wall rest on, and how they are held: each field changes what it names, in one step that can be undone. */

beforeAll(stubBrowser);

function open<M extends UprightMember>(
  make: (p: Project, id: string, mark: string, place: string) => M,
  code = { id: 'en1992', variant: 'uk' },
) {
  const base = projectOf({}, { code });
  const project = { ...base, members: [make(base, 'c', 'C1', 'Hall')] };
  act(() => openWithResults(project));
  return project;
}
const current = () => useProject.getState().project!;
const column = () => current().members[0] as ColumnMember;
const wall = () => current().members[0] as WallMember;
const resultOf = (m: UprightMember) => designNow(current(), m) as ColumnResult;
const basis = () => (
  <BasisPanel
    project={current()}
    member={current().members[0] as UprightMember}
    result={resultOf(column())}
    faults={resultOf(column()).faults}
  />
);

const keep = (label: string, text: string) => {
  const field = screen.getByLabelText(label);
  act(() => {
    fireEvent.change(field, { target: { value: text } });
    fireEvent.keyDown(field, { key: 'Enter' });
    fireEvent.blur(field);
  });
};
const pick = (label: string, value: string) => act(() => void fireEvent.change(screen.getByLabelText(label), { target: { value } }));

describe('what a column rests on', () => {
  test.each([
    ['Mark', 'C7', (m: ColumnMember) => m.mark, 'C7'],
    ['Title', 'Stage column', (m: ColumnMember) => m.title, 'Stage column'],
    ['Clear height', '5.2 m', (m: ColumnMember) => m.height, 5200],
    ['Cover to ties', '1 1/2 in', (m: ColumnMember) => m.cover, 38.1],
    ['Concrete fck', '45', (m: ColumnMember) => m.materials.concreteStrength, 45],
    ['Bars fyk', '600', (m: ColumnMember) => m.materials.steelStrength, 600],
    ['Links fywk', '420', (m: ColumnMember) => m.materials.linkStrength, 420],
    ['Largest aggregate', '10', (m: ColumnMember) => m.materials.aggregateSize, 10],
    ['Office’s maximum reinforcement', '6', (m: ColumnMember) => m.steelLimit, 0.06],
    ['Crack width allowed', '0.2', (m: ColumnMember) => m.crackLimit, 0.2],
    ['Relative humidity', '80', (m: ColumnMember) => m.materials.timeDependent.humidity, 0.8],
    ['Loaded at, days', '7', (m: ColumnMember) => m.materials.timeDependent.loadingAge, 7],
  ] as const)('%s typed as "%s"', (label, text, read, value) => {
    open(newColumn);
    render(basis());
    keep(label, text);
    const kept = read(column());
    if (typeof value === 'number') expect(kept).toBeCloseTo(value, 9);
    else expect(kept).toBe(value);
    act(() => useProject.getState().undo());
    expect(read(column())).not.toBe(kept);
  });

  test('values beyond what can be are refused with what may be typed, and change nothing', () => {
    open(newColumn);
    const { materials, steelLimit } = column();
    render(basis());
    keep('Relative humidity', '300');
    keep('Loaded at, days', '0');
    keep('Office’s maximum reinforcement', '90');
    expect(screen.getByText('From 20 % to 100 %.')).toBeTruthy();
    expect(screen.getByText('From 1 to 36500.')).toBeTruthy();
    expect(screen.getByText('From 0.5 % to 20 %.')).toBeTruthy();
    expect(column().materials).toEqual(materials);
    expect(column().steelLimit).toBe(steelLimit);
  });

  test('another catalogue brings its nearest sizes, for every layout of bars', () => {
    open(newColumn);
    const view = render(basis());
    pick('Bar catalogue', 'us');
    expect(column().catalogue).toBe('us');
    expect(resultOf(column()).faults).toEqual([]);
    expect(column().ties.size).toMatch(/^#/);
    for (const kind of ['ring', 'outline']) {
      view.rerender(basis());
      pick('Section', kind === 'ring' ? 'circle' : 'L');
      view.rerender(basis());
      pick('Bar catalogue', column().catalogue === 'us' ? 'metric' : 'us');
      expect([kind, resultOf(column()).faults]).toEqual([kind, []]);
    }
  });

  test('the sums of the storey are asked for by ACI alone, and may be left out again', () => {
    open(newColumn);
    const view = render(basis());
    expect(screen.queryByLabelText('Stability index Q')).toBeNull();
    view.unmount();
    open(newColumn, { id: 'aci318', variant: 'SI' });
    const aci = render(basis());
    keep('Stability index Q', '0.12');
    keep('ΣPu', '8000');
    aci.rerender(basis());
    expect(column().storey).toMatchObject({ Q: 0.12, sumP: 8e6, sumPc: null });
    keep('Stability index Q', '');
    expect(column().storey.Q).toBeNull();
  });

  test('a fault stands at its field', () => {
    open(newColumn);
    act(() => useProject.getState().edit('thick cover', (p) => ({ ...p, members: [{ ...column(), cover: 900 }] })));
    render(basis());
    expect(resultOf(column()).faults.length).toBeGreaterThan(0);
    expect(screen.getByText(resultOf(column()).faults[0]!.reason)).toBeTruthy();
  });
});

describe('how a column is held about an axis', () => {
  const place = () => {
    const target = document.createElement('button');
    document.body.append(target);
    return { target, handle: { of: 'axis', axis: 'x' }, onClose: () => undefined };
  };
  const editor = () => (
    <AxisEditor
      project={current()}
      member={column()}
      axis="x"
      result={resultOf(column())}
      faults={resultOf(column()).faults}
      {...place()}
    />
  );
  const top = () => column().axes.x.top;

  test('a factor, a length, or a clear height of its own', () => {
    open(newColumn);
    const view = render(editor());
    pick('Effective length', 'factor');
    view.rerender(editor());
    keep('Factor', '0.85');
    keep('Clear height', '4 m');
    expect(column().axes.x).toMatchObject({ mode: 'factor', factor: 0.85, clear: 4000 });
    expect(resultOf(column()).slenderness.x!.l0).toBeCloseTo(0.85 * 4000, 9);
    view.rerender(editor());
    keep('Clear height', '');
    expect(column().axes.x.clear).toBeNull();
    pick('Effective length', 'length');
    view.rerender(editor());
    keep('l0', '3.3 m');
    expect(resultOf(column()).slenderness.x!.l0).toBeCloseTo(3300, 9);
  });

  test('beams and a column that meet at an end: added, sized, taken out', () => {
    open(newColumn);
    const view = render(editor());
    pick('Effective length', 'ends');
    view.rerender(editor());
    pick('Top', 'framed');
    view.rerender(editor());
    // Nothing is made up: the beam is asked for, and there is no result until it is said.
    expect(top().beams).toEqual([{ b: null, h: null, length: null, far: 'continuous' }]);
    expect(resultOf(column()).faults[0]).toMatchObject({
      path: 'axes.x.top.beams[0]',
      reason: expect.stringMatching(/^Give width, depth and span of beam 1 at the top/),
    });
    view.rerender(editor());
    expect(screen.getByText(/^Give width, depth and span of beam 1 at the top/)).toBeTruthy();
    fireEvent.click(screen.getAllByText('add a beam')[0]!);
    for (const k of [1, 2])
      for (const [size, value] of [
        ['width', '300'],
        ['depth', '700'],
        ['span', '7.5 m'],
      ] as const) {
        view.rerender(editor());
        keep(`Top, beam ${k} ${size}`, value);
      }
    view.rerender(editor());
    pick('Top, far end of beam 2', 'pinned');
    expect(top().beams[0]).toMatchObject({ h: 700, length: 7500 });
    expect(top().beams[1]!.far).toBe('pinned');
    view.rerender(editor());
    const stiff = resultOf(column()).slenderness.x!.l0;
    fireEvent.click(screen.getAllByText('a column beyond')[0]!);
    view.rerender(editor());
    for (const [size, value] of [
      ['width', '350'],
      ['depth', '600'],
      ['height', '3.5 m'],
    ] as const) {
      keep(`Top, column beyond, ${size}`, value);
      view.rerender(editor());
    }
    expect(top().column).toEqual({ b: 350, h: 600, length: 3500 });
    // More column to hold at the node: the end turns more easily.
    expect(resultOf(column()).slenderness.x!.l0).toBeGreaterThan(stiff);
    view.rerender(editor());
    fireEvent.click(screen.getAllByRole('button', { name: 'Take beam 1 out' })[0]!);
    expect(top().beams).toHaveLength(1);
    view.rerender(editor());
    fireEvent.click(screen.getAllByText('add a beam')[0]!);
    expect(top().beams).toHaveLength(2);
    view.rerender(editor());
    fireEvent.click(screen.getByText('no column beyond'));
    expect(top().column).toBeNull();
    for (const kind of ['fixed', 'pinned']) {
      view.rerender(editor());
      pick('Foot', kind);
      expect(column().axes.x.bottom.kind).toBe(kind);
    }
  });
});

describe('what a wall rests on', () => {
  test('a metre or its own length, its edges, and the effective length that comes of it', () => {
    open(newWall);
    const view = render(basis());
    keep('Thickness', '260');
    expect(wall().thickness).toBe(260);
    pick('Worked as', 'whole');
    view.rerender(basis());
    keep('Length', '3.4 m');
    expect(wall()).toMatchObject({ isStrip: false, length: 3400 });
    pick('Length out of plane', 'fourSides');
    view.rerender(basis());
    keep('Between cross walls', '4 m');
    view.rerender(basis());
    // Table 12.1, narrow: b / 2 l with l the clear height, else 1 / (1 + (l/b)2)
    const [l, b] = [wall().height, 4000];
    const factor = b >= l ? 1 / (1 + (l / b) ** 2) : b / (2 * l);
    expect(screen.getByText(`Effective length out of plane: ${factor.toFixed(2)} of the clear height.`)).toBeTruthy();
    pick('Bar catalogue', 'softMetric');
    expect(wall().vertical.size).toMatch(/^No\./);
    expect(resultOf(wall()).faults).toEqual([]);
  });
});
