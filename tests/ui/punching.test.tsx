import { produce } from 'immer';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { useRouter } from 'next/navigation';
import type { PunchingResult } from '@/core/members/punching/result';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { PunchingMember } from '@/core/members/punching/input';
import { readProject } from '@/core/project/read';
import { BasisPanel } from '@/features/punching/BasisPanel';
import type { PunchingHandle } from '@/core/members/punching/drawing';
import { punchingField } from '@/features/punching/fields';
import { readSlabBars } from '@/ui/fields/slab-bars-field';
import { ForcesTable } from '@/features/punching/ForcesTable';
import { LegsEditor } from '@/features/punching/LegsEditor';
import { OpeningEditor } from '@/features/punching/OpeningEditor';
import { PlanSheet } from '@/features/punching/PlanSheet';
import { WaysForward } from '@/ui/ways/WaysForward';
import { useProject } from '@/store/project-store';
import { openWithResults, stubBrowser, newPunching } from './fixtures';

jest.mock('next/navigation', () => ({ useRouter: jest.fn() }));
// No workers here: the same search, at once.
jest.mock('@/store/proposing', () => jest.requireActual<object>('./propose-now'));
beforeAll(stubBrowser);
beforeEach(() => (useRouter as jest.Mock).mockReturnValue({ push: jest.fn() }));

function open(change: object = {}, code: object = { id: 'en1992', variant: 'uk' }): Project {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    id: 'p',
    name: 'Test house',
    code,
    members: [
      {
        type: 'punching',
        id: 'a',
        mark: 'P1',
        title: 'Test slab',
        column: { kind: 'rectangle', b: 400, h: 300 },
        sets: [{ name: 'U1', V: 480 }],
        momentsBy: 'position',
        ...change,
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  openWithResults(read.project);
  return read.project;
}
const current = () => useProject.getState().project!;
const now = () => current().members[0] as PunchingMember;
const last = () => useProject.getState().past.at(-1)?.label;
const resultOf = (p: Project) => designNow(p, p.members[0] as PunchingMember) as PunchingResult;
const type = (name: string, value: string) => {
  const field = screen.getByRole('textbox', { name });
  act(() => void fireEvent.change(field, { target: { value } }));
  act(() => void fireEvent.blur(field));
};
const pick = (name: string, value: string) => act(() => void fireEvent.change(screen.getByLabelText(name), { target: { value } }));
const place = { handle: { of: 'legs' }, target: document.createElement('i'), onClose: jest.fn() };

describe('values on the plan', () => {
  it('layers are read in looser spellings, and refused in words', () => {
    const { catalogue } = open().members[0] as PunchingMember;
    expect(readSlabBars('H16 @ 150', { catalogue }, 'SI')).toEqual({ ok: true, bars: { size: '16', alternate: null, spacing: 150 } });
    expect(readSlabBars('H20/H16 at 0.125 m', { catalogue }, 'SI')).toEqual({
      ok: true,
      bars: { size: '20', alternate: '16', spacing: 125 },
    });
    expect(readSlabBars('H17 @ 150', { catalogue }, 'SI')).toMatchObject({
      ok: false,
      reason: expect.stringMatching(/No such size/) as string,
    });
    expect(readSlabBars('16', { catalogue }, 'SI')).toMatchObject({ ok: false });
    expect(readSlabBars('16 @ soon', { catalogue }, 'SI')).toMatchObject({ ok: false });
  });
  it('sizes, depth, bars and edges have their field; what has an editor of its own has none', () => {
    const project = open({ edges: { left: 80 } });
    const member = project.members[0] as PunchingMember;
    const fields: PunchingHandle[] = [
      { of: 'depth' },
      { of: 'bars', along: 'x' },
      { of: 'columnSide', side: 'b' },
      { of: 'columnSide', side: 'h' },
      { of: 'edge', edge: 'left' },
    ];
    const others: PunchingHandle[] = [
      { of: 'legs' },
      { of: 'opening', opening: 0 },
      { of: 'columnSide', side: 'diameter' },
      { of: 'edge', edge: 'right' },
    ];
    for (const handle of fields) expect(punchingField(handle, project, member)).toBeDefined();
    for (const handle of others) expect(punchingField(handle, project, member)).toBeUndefined();
    const parsed = punchingField({ of: 'edge', edge: 'left' }, project, member)!.parse('3 in');
    expect(parsed.ok).toBe(true);
  });
  it('bars that are always there are typed or stepped, and cannot be left to be chosen', () => {
    const project = open({});
    const member = project.members[0] as PunchingMember;
    const field = punchingField({ of: 'bars', along: 'y' }, project, member)!;
    expect(field.parse('auto').ok).toBe(false);
    expect(field.reset).toBeUndefined();
    expect(field.step!('H16 @ 150', 1, 1)).toContain('175');
    const parsed = field.parse('H20 / H16 @ 125');
    const changed = produce(member, (m) => {
      if (parsed.ok) parsed.apply(m);
    });
    expect(changed.barsY).toEqual({ size: '20', alternate: '16', spacing: 125 });
    expect(changed.barsX).toEqual(member.barsX);
  });
  it('the plan is drawn with its perimeter, and the legs that are needed stand below it', () => {
    const project = open({ sets: [{ name: 'U1', V: 620 }] });
    const member = project.members[0] as PunchingMember;
    const result = resultOf(project);
    const opened = jest.fn();
    render(
      <PlanSheet {...{ project, member, result, isStale: false, isDrawn: true, lastGood: undefined, onEdit: opened, editing: null }} />,
    );
    expect(screen.getByRole('group', { name: 'Plan' })).toBeTruthy();
    expect(screen.getByText(/^u 4/)).toBeTruthy();
    expect(screen.getByLabelText('Legs').textContent).toMatch(/Needed: .* mm² on each perimeter/);
    fireEvent.click(screen.getByRole('button', { name: /Column along x/ }));
    expect(opened).toHaveBeenCalledWith({ of: 'columnSide', side: 'b' }, expect.anything());
  });
});

describe('forces', () => {
  const show = () => render(<ForcesTable project={current()} member={now()} />);
  it('are typed in any unit, added and taken away', () => {
    open();
    const { rerender } = show();
    type('Shear V of U1', '100 kip');
    expect(now().sets[0]!.V).toBeCloseTo(444_822, 0);
    act(() => void fireEvent.click(screen.getByRole('button', { name: 'Add a set' })));
    expect(now().sets.map((s) => s.name)).toEqual(['U1', 'U2']);
    rerender(<ForcesTable project={current()} member={now()} />);
    act(() => void fireEvent.click(screen.getByRole('button', { name: 'Take away U1' })));
    expect(now().sets.map((s) => s.name)).toEqual(['U2']);
  });
  it('are pasted with their names and a heading; a row that is not understood is named, the others are kept', () => {
    open();
    show();
    const text = 'Set\tV\tMx\tMy\nA\t510\t12\t-4\nB\tmuch\t1\t2\nC\t430';
    act(() => void fireEvent.paste(screen.getByRole('region', { name: 'Forces' }), { clipboardData: { getData: () => text } }));
    expect(screen.getByRole('dialog').textContent).toMatch(/V: "much" is not a number/);
    act(() => void fireEvent.click(screen.getByRole('button', { name: 'Keep 2 sets' })));
    expect(now().sets).toEqual([
      { name: 'A', V: 510e3, Mx: 12e6, My: -4e6 },
      { name: 'C', V: 430e3, Mx: 0, My: 0 },
    ]);
  });
});

describe('basis', () => {
  const show = (faults: { path: string; reason: string }[] = []) =>
    render(<BasisPanel project={current()} member={now()} faults={faults} />);
  it('the column changes its kind and keeps its size; a thicker part comes and goes', () => {
    open();
    const { rerender } = show();
    pick('Column', 'circle');
    expect(now().column).toEqual({ kind: 'circle', diameter: 400 });
    rerender(<BasisPanel project={current()} member={now()} faults={[]} />);
    pick('Column', 'L');
    expect(now().column).toMatchObject({ kind: 'L', b: 400, h: 400, tx: 160 });
    act(() => void fireEvent.click(screen.getByLabelText(/Thicker part/)));
    expect(now().drop).toMatchObject({ depth: 125 });
    act(() => void fireEvent.click(screen.getByLabelText(/Thicker part/)));
    rerender(<BasisPanel project={current()} member={now()} faults={[]} />);
  });
  it('edges, a corner that points inwards, openings and moments', () => {
    open();
    const { rerender } = show();
    type('To the left edge', '0');
    expect(now().edges.left).toBe(0);
    act(() => void fireEvent.click(screen.getByLabelText(/points inwards/)));
    expect(now().corner).toEqual({ x: 200, y: 150 });
    act(() => void fireEvent.click(screen.getByRole('button', { name: 'Add an opening' })));
    expect(now().openings).toHaveLength(1);
    pick('Moments count', 'given');
    rerender(<BasisPanel project={current()} member={now()} faults={[]} />);
    type('Factor on the shear', '1.3');
    expect(now().beta).toBe(1.3);
    act(() => void fireEvent.click(screen.getByRole('button', { name: 'take opening 1 away' })));
    expect(now().openings).toEqual([]);
    expect(last()).toBe('opening 1 of P1');
  });
  it('the usual factors are offered by the code that has them; faults stand at their field', () => {
    open({}, { id: 'aci318', variant: 'SI' });
    show([{ path: 'h', reason: 'A slab is 100 mm to 3 m deep here.' }]);
    const options = [...screen.getByLabelText<HTMLSelectElement>('Moments count').options].map((o) => o.value);
    expect(options).toEqual(['moments', 'given']);
    expect(screen.getByText('A slab is 100 mm to 3 m deep here.')).toBeTruthy();
  });
  it('bars of another catalogue are of its sizes', () => {
    open();
    show();
    pick('Catalogue', 'us');
    expect([now().barsX.size, now().barsY.size]).toEqual(['#6', '#6']);
  });
});

describe('legs and openings in their editors', () => {
  it('legs come, change their kind and number, and go', () => {
    open();
    const { rerender } = render(<LegsEditor project={current()} member={now()} {...place} />);
    const again = () => rerender(<LegsEditor project={current()} member={now()} {...place} />);
    pick('Kind of legs', 'links');
    expect(now().legs).toMatchObject({ kind: 'links', size: '10', legs: 12, perimeters: 3, spacing: 100 });
    again();
    pick('Kind of legs', 'studs');
    pick('Size of the legs', '12');
    again();
    type('Number of rails', '16');
    type('Then every', '140');
    expect(now().legs).toMatchObject({ kind: 'studs', size: '12', legs: 16, spacing: 140 });
    again();
    pick('Kind of legs', 'none');
    expect(now().legs).toBeNull();
  });
  it('an opening moves, becomes round, and goes', () => {
    open({ openings: [{ kind: 'rectangle', x: 600, y: 0, b: 300, h: 200 }] });
    const { rerender } = render(<OpeningEditor project={current()} member={now()} index={0} {...place} />);
    type('Centre x of opening 1', '700');
    expect(now().openings[0]).toMatchObject({ x: 700, b: 300 });
    rerender(<OpeningEditor project={current()} member={now()} index={0} {...place} />);
    pick('Shape of the opening', 'circle');
    expect(now().openings[0]).toEqual({ kind: 'circle', x: 700, y: 0, diameter: 200 });
    act(() => void fireEvent.click(screen.getByRole('button', { name: 'take this opening away' })));
    expect(now().openings).toEqual([]);
    expect(place.onClose).toHaveBeenCalled();
  });
});

describe('ways forward', () => {
  it('each is designed in full and taken with one click', async () => {
    const project = open({ sets: [{ name: 'U1', V: 640 }] });
    render(<WaysForward project={project} member={now()} />);
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'single changes' })));
    const tries = screen.getAllByRole('button', { name: /^Try / });
    // Those that would make worse, or mend nothing, are not offered.
    expect(tries.length).toBeGreaterThan(1);
    act(() => void fireEvent.click(screen.getByRole('button', { name: /^Try .* legs of/ })));
    expect(now().legs?.kind).toBe('links');
    expect(resultOf(current()).checks.some((c) => c.status === 'exceeds')).toBe(false);
    expect(screen.queryByText(/before the last change/)).toBeNull();
  }, 30_000);
  it('a new place has something to change in either unit system', () => {
    const si = newPunching(open(), 'x', 'P2', 'Hall');
    expect([si.h, si.sets[0]!.V, si.momentsBy]).toEqual([250, 450e3, 'position']);
    const us = newPunching({ ...open({}, { id: 'aci318', variant: 'US' }), display: 'US' }, 'x', 'P2', 'Hall');
    expect([us.h, us.momentsBy]).toEqual([254, 'moments']);
    expect(us.barsX.size).toBe('#5');
  });
});
