import { act, fireEvent, render, screen } from '@testing-library/react';
import type { PlateMember } from '@/core/members/plate/input';
import type { PlateResult } from '@/core/members/plate/result';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { heldAsBefore } from '@/core/members/plate/drawn-plan';
import { plateField, turned } from '@/features/plate/fields';
import { OutlinePanel } from '@/features/plate/OutlinePanel';
import { PlateBasis, plateLoads } from '@/features/plate/PlateBasis';
import { PlatePlan } from '@/features/plate/PlatePlan';
import { LoadsTable } from '@/ui/tables/LoadsTable';
import { useProject } from '@/store/project-store';
import { openNew, starting, stubBrowser } from './fixtures';

beforeAll(stubBrowser);

const newPlate = starting<PlateMember>('plate');
const now = () => useProject.getState().project!.members[0] as PlateMember;
const result = (p: Project) => designNow(p, p.members[0] as PlateMember, []) as PlateResult;
const click = (el: Element) => act(() => void fireEvent.click(el));
const keep = (el: Element, value: string) =>
  act(() => {
    fireEvent.change(el, { target: { value } });
    fireEvent.blur(el);
  });

describe('a slab as a plate', () => {
  test('the plan is the form: edges turn at a click, values open, another map is shown', () => {
    const { project, member } = openNew(newPlate);
    const onEdit = jest.fn();
    const { container } = render(
      <PlatePlan {...{ project, member, onEdit, onChange: () => undefined }} result={result(project)} isStale={false} editing={null} />,
    );
    click(screen.getByRole('button', { name: /^Edge 3, .* is simple/ }));
    expect(onEdit.mock.calls[0][0]).toEqual({ of: 'edge', edge: 2 });
    click(screen.getByRole('button', { name: /^Bars bottom, along x/ }));
    expect(onEdit.mock.calls[1][0]).toEqual({ of: 'bars', face: 'bottom', along: 'x' });
    expect(container.textContent).toContain('kNm/m, largest ultimate load');
    act(() => void fireEvent.change(screen.getByLabelText('What the plan shows'), { target: { value: 'deflection' } }));
    expect(container.textContent).toContain('mm, cracked, in the long term');
  });

  test('an edge is simple, clamped, free in turn', () => {
    const { member } = openNew(newPlate);
    const at = (edge: PlateMember['outline'][number]['edge']) =>
      turned({ of: 'edge', edge: 1 }, { ...member, outline: member.outline.map((c) => ({ ...c, edge })) })!.edge;
    expect([at('simple'), at('clamped'), at('free')]).toEqual(['clamped', 'free', 'simple']);
    expect(turned({ of: 'depth' }, member)).toBeNull();
    expect(turned({ of: 'edge', edge: 9 }, member)).toBeNull();
  });

  test.each([
    [{ of: 'depth' }, '250', (m: PlateMember) => m.h, 250],
    [{ of: 'bars', face: 'top', along: 'y' }, 'H12 @ 150', (m: PlateMember) => m.bars.top.y, { size: '12', alternate: null, spacing: 150 }],
  ] as const)('%o typed as "%s", and opened again at once', (handle, text, read, value) => {
    const { project, member } = openNew(newPlate);
    const there = result(project);
    const typed = plateField(handle, project, member, there)!.parse(text);
    if (!typed.ok) throw new Error(typed.reason);
    const draft = JSON.parse(JSON.stringify(member)) as PlateMember;
    typed.apply(draft as never);
    expect(read(draft)).toEqual(value);
    expect(plateField(handle, project, draft, there)!.text).toMatch(/^(250|H12 @ 150)$/);
  });

  test('corners and walls are typed; a new outline keeps how its edges are held', () => {
    const { project, member } = openNew(newPlate);
    render(<OutlinePanel project={project} member={member} faults={[{ path: 'openings[0].corners', reason: 'Outside.' }]} />);
    keep(screen.getByRole('textbox', { name: 'x of corner 2' }), '7 m');
    expect(now().outline[1]!.x).toBeCloseTo(7000, 9);
    act(() => void fireEvent.change(screen.getByRole('combobox', { name: 'Edge of corner 1' }), { target: { value: 'free' } }));
    expect(now().outline[0]!.edge).toBe('free');
    click(screen.getByRole('button', { name: 'Add a wall' }));
    expect(now().walls).toHaveLength(1);
    click(screen.getByRole('button', { name: 'Add a corner' }));
    expect(now().outline).toHaveLength(5);
    expect(screen.getByText('Outside.')).toBeTruthy();
    keep(
      screen.getByRole('textbox', { name: 'Corners of the outline' }),
      '0 0\n8000 0\n8000 5000\n0 5000\n\n1000 1000\n2000 1000\n2000 2000',
    );
    expect(now().openings).toHaveLength(1);
    expect(now().outline.map((c) => c.edge)[0]).toBe('free');
    const before = [
      { x: 0, y: 0, edge: 'free', rise: 0, sinks: null, turns: null },
      { x: 1, y: 5, edge: 'clamped', rise: 0, sinks: null, turns: null },
    ] as const;
    const outer = [
      [9, 9],
      [1, 5],
      [0, 0],
    ] as const;
    expect(heldAsBefore(before, outer).map((c) => c.edge)).toEqual(['simple', 'clamped', 'free']);
  });

  test('loads and basis are edited', () => {
    const { project, member } = openNew(newPlate);
    const loads = render(<LoadsTable table={plateLoads} project={project} member={member} faults={[]} />);
    keep(screen.getByRole('textbox', { name: 'Value of load 2' }), '5');
    expect(now().loads[1]).toMatchObject({ type: 'uniform', value: 5e-3 });
    loads.unmount();
    render(<PlateBasis project={project} member={now()} result={result(project)} faults={[]} />);
    keep(screen.getByRole('textbox', { name: 'Depth h' }), '240');
    expect(now().h).toBe(240);
    expect(document.body.textContent).toMatch(/\d+ triangles, \d+ nodes/);
  });
});
