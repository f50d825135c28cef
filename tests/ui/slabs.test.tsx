import { act, fireEvent, render, screen } from '@testing-library/react';
import { useRouter } from 'next/navigation';
import type { StripResult } from '@/core/members/strip/result';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { Member } from '@/core/members/kinds';
import type { StripMember } from '@/core/members/strip/input';
import { BasisPanel } from '@/features/strip/BasisPanel';
import { stripField } from '@/features/strip/fields';
import { modelOf } from '@/core/project/as-built';
import { SlabBarsPanel } from '@/features/strip/SlabBarsPanel';
import { SlabSection } from '@/features/strip/SlabSection';
import { SlabSheet } from '@/features/strip/SlabSheet';
import { stripLoads } from '@/features/strip/loads';
import { LoadsTable } from '@/ui/tables/LoadsTable';
import { WaysForward } from '@/ui/ways/WaysForward';
import { useProject } from '@/store/project-store';
import { newStrip, openNew, stubBrowser } from './fixtures';

jest.mock('next/navigation', () => ({ useRouter: jest.fn() }));
// No workers here: the same searches, at once.
jest.mock('@/store/proposing', () => jest.requireActual<object>('./propose-now'));
beforeAll(stubBrowser);
beforeEach(() => (useRouter as jest.Mock).mockReturnValue({ push: jest.fn() }));

const now = <M extends Member>() => useProject.getState().project!.members[0] as M;
const keep = (el: Element, value: string) =>
  act(() => {
    fireEvent.change(el, { target: { value } });
    fireEvent.blur(el);
  });
const click = (el: Element) => act(() => void fireEvent.click(el));

describe('a strip', () => {
  const result = (p: Project) => designNow(p, p.members[0] as StripMember);

  test('elevation, plan and strips stand on one axis, per metre, and what is drawn opens its field', () => {
    const { project, member } = openNew(newStrip);
    const onEdit = jest.fn();
    const { container } = render(
      <SlabSheet
        {...{ project, member, onEdit }}
        result={result(project)}
        model={modelOf(project, member, result(project))}
        isStale={false}
        shows="strength"
        station={2000}
        onStation={jest.fn()}
        editing={null}
      />,
    );
    expect([...container.querySelectorAll('[data-strip]')].map((el) => el.getAttribute('data-strip'))).toEqual([
      'Elevation',
      'Plan',
      'Bending',
      'Shear',
      'Steel',
    ]);
    expect(screen.getByText(/kNm\/m/)).toBeTruthy();
    click(screen.getByRole('button', { name: /^Bars across, bottom/ }));
    expect(onEdit.mock.calls[0][0]).toEqual({ of: 'across', face: 'bottom' });
  });

  test('the cut shows bars at their spacing and what they carry', () => {
    const { project, member } = openNew(newStrip);
    render(<SlabSection {...{ project, member }} result={result(project)} station={2000} onEdit={jest.fn()} editing={null} />);
    expect(screen.getByText(/carries .* kNm\/m/)).toBeTruthy();
    expect(screen.getByRole('button', { name: /^Depth of the slab/ })).toBeTruthy();
  });

  test.each([
    [{ of: 'depth', span: null }, '225', (m: StripMember) => m.h, 225],
    [{ of: 'breadth' }, '7200', (m: StripMember) => m.breadth, 7200],
    [{ of: 'cover', face: 'bottom' }, '30', (m: StripMember) => m.cover.bottom, 30],
    [{ of: 'spanLength', span: 1 }, '5 m', (m: StripMember) => m.spans[1]!.length, 5000],
    [{ of: 'depth', span: 0 }, '250', (m: StripMember) => m.spans[0]!.h, 250],
    [{ of: 'load', load: 1 }, '4', (m: StripMember) => (m.loads[1] as { value: number }).value, 4e-3],
    [
      { of: 'bottom', span: 0 },
      'H12 / H10 @ 150',
      (m: StripMember) => m.bars.bottom[0]!.main,
      { size: '12', alternate: '10', spacing: 150 },
    ],
    [{ of: 'extra', span: 0 }, '10 @ 300', (m: StripMember) => m.bars.bottom[0]!.extra.bars, { size: '10', alternate: null, spacing: 300 }],
    [{ of: 'top', span: 1 }, 'H8 @ 200', (m: StripMember) => m.bars.top[1]!.main, { size: '8', alternate: null, spacing: 200 }],
    [{ of: 'over', support: 1 }, 'H12 @ 125', (m: StripMember) => m.bars.support[1]!.bars, { size: '12', alternate: null, spacing: 125 }],
    [{ of: 'overEnd', support: 1, end: 'left' }, '1200', (m: StripMember) => m.bars.support[1]!.left, 1200],
    [
      { of: 'across', face: 'bottom' },
      'H10 @ 250',
      (m: StripMember) => m.bars.across.bottom,
      { size: '10', alternate: null, spacing: 250 },
    ],
    [{ of: 'across', face: 'top' }, 'auto', (m: StripMember) => m.bars.across.top, null],
  ] as const)('%o typed as "%s"', (handle, text, read, value) => {
    const { project, member } = openNew(newStrip);
    const field = stripField(handle, { project, member, steel: result(project).steel })!;
    const parsed = field.parse(text);
    if (!parsed.ok) throw new Error(parsed.reason);
    const draft = JSON.parse(JSON.stringify(member)) as never;
    parsed.apply(draft);
    const got = read(draft);
    if (typeof value === 'number') expect(got).toBeCloseTo(value, 9);
    else expect(got).toEqual(value);
    expect(stripField({ of: 'support', support: 0 }, { project, member, steel: null })).toBeUndefined();
    // Opened again at once, while the steel drawn is still that of before, it shows what was set.
    const next = stripField(handle, { project, member: draft, steel: result(project).steel })!;
    const reread = next.parse(next.text);
    if (!reread.ok) throw new Error(reread.reason);
    reread.apply(draft);
    if (value !== null) expect(read(draft)).toEqual(got);
  });

  test('arrows move the spacing by 25 mm', () => {
    const { project, member } = openNew(newStrip);
    const field = stripField({ of: 'across', face: 'bottom' }, { project, member, steel: result(project).steel })!;
    expect(field.step!('H8 @ 200', 1, 1)).toBe('H8 @ 225');
    expect(field.step!('H8 @ 200', -1, 10)).toBe('H8 @ 100');
    expect(field.parse('H9 @ 200').ok).toBe(false);
  });

  test('loads change their type at the same place, and are pasted with reasons for what is refused', () => {
    const { project, member } = openNew(newStrip);
    render(
      <LoadsTable table={stripLoads} project={project} member={member} faults={[{ path: 'loads[0].value', reason: 'No such load.' }]} />,
    );
    expect(screen.getByText('No such load.')).toBeTruthy();
    act(() => void fireEvent.change(screen.getByRole('combobox', { name: 'Type of load 1' }), { target: { value: 'point' } }));
    expect(now<StripMember>().loads[0]).toMatchObject({ type: 'point', span: 0, at: 2250, width: 1000 });
    const rows = 'G\tline\t2\t4 kN/m\t1.5 m\nQ\tarea\tall\t2\nQ\tpoint\t1\t12\t2000\t900\nX\tarea\tall\t2\nQ\tcloud\t1\t2\nQ\tpart\tall\t2';
    act(() => void fireEvent.paste(screen.getByRole('table', { name: 'Loads' }), { clipboardData: { getData: () => rows } }));
    expect(now<StripMember>().loads.slice(2)).toEqual([
      { type: 'line', case: 'G', note: '', span: 1, force: 4, at: 1500 },
      { type: 'uniform', case: 'Q', note: '', span: 'all', value: 2e-3 },
      { type: 'point', case: 'Q', note: '', span: 0, load: 12_000, at: 2000, width: 900 },
    ]);
    expect(screen.getByRole('alert').textContent).toMatch(/3 pasted rows.*no load case "X".*not a type.*all spans at once/s);
  });

  test('bars are typed in the table, refused in words, given back, and copied to all spans', () => {
    const { project, member } = openNew(newStrip);
    const view = render(<SlabBarsPanel project={project} member={member} steel={result(project).steel!} />);
    const input = screen.getByRole('textbox', { name: 'Bottom bars of span 1' });
    keep(input, 'H13 @ 150');
    expect(screen.getByText(/No such size/)).toBeTruthy();
    keep(input, 'H12 @ 150');
    expect(now<StripMember>().bars.bottom[0]!.main).toEqual({ size: '12', alternate: null, spacing: 150 });
    // At once, with the result of the bars before: what was typed is copied.
    click(screen.getAllByRole('button', { name: 'to all spans' })[0]!);
    expect(now<StripMember>().bars.bottom.map((b) => b.main?.spacing)).toEqual([150, 150]);
    const next = now<StripMember>();
    const p = useProject.getState().project!;
    view.rerender(<SlabBarsPanel project={p} member={next} steel={result(p).steel!} />);
    click(screen.getAllByRole('button', { name: 'to all spans' })[0]!);
    expect(now<StripMember>().bars.bottom.map((b) => b.main?.spacing)).toEqual([150, 150]);
    keep(screen.getByRole('textbox', { name: 'Bars over B, to the left' }), '1100');
    expect(now<StripMember>().bars.support[1]!.left).toBe(1100);
    keep(screen.getByRole('textbox', { name: 'Bottom bars of span 1' }), '');
    expect(now<StripMember>().bars.bottom[0]!.main).toBeNull();
  });

  test('spans come and go with their supports, bars and loads; sizes and spacings are limited', () => {
    const { project, member } = openNew(newStrip);
    render(<BasisPanel project={project} member={member} result={result(project)} faults={[]} />);
    act(() => void fireEvent.change(screen.getByLabelText('Spans, with cantilevers'), { target: { value: '3' } }));
    expect([now<StripMember>().spans.length, now<StripMember>().supports.length, now<StripMember>().bars.top.length]).toEqual([3, 4, 3]);
    keep(screen.getByLabelText('Sizes of slab bars'), '10, 12');
    keep(screen.getByLabelText('Spacings of slab bars'), '150 300 x');
    expect(now<StripMember>().barRules).toEqual({ sizes: ['10', '12'], spacings: [150, 300] });
    const narrow = designNow(useProject.getState().project!, now<StripMember>()) as StripResult;
    expect(narrow.steel!.bottom.every((b) => ['10', '12'].includes(b.main.size) && [150, 300].includes(b.main.spacing))).toBe(true);
  });

  test('ways forward: spacings that hold, and single changes, taken with one click', async () => {
    const { project, member } = openNew(newStrip);
    render(<WaysForward project={project} member={member} />);
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'spacings of bars' })));
    expect(screen.getAllByRole('button', { name: /^Try all bars @/ }).length).toBeGreaterThan(1);
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'single changes' })));
    click(screen.getByRole('button', { name: 'Try depth 225 mm' }));
    expect(now<StripMember>().h).toBe(225);
  }, 30_000);

  test('a new slab has something to change in either unit system', () => {
    const { project } = openNew(newStrip);
    const us = newStrip({ ...project, code: { id: 'aci318', variant: 'US', choices: {} }, display: 'US' }, 'x', 'S2', 'Hall');
    expect([us.h, us.spans[0]!.length, us.catalogue]).toEqual([203.2, 4572, 'us']);
  });
});
