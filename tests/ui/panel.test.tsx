import { act, fireEvent, render, screen } from '@testing-library/react';
import { useRouter } from 'next/navigation';
import type { PanelResult } from '@/core/members/panel/result';
import { modelOf } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { Member } from '@/core/members/kinds';
import type { PanelMember } from '@/core/members/panel/input';
import { panelField, toggled } from '@/features/panel/fields';
import { PanelBasis, panelLoads } from '@/features/panel/PanelBasis';
import { LoadsTable } from '@/ui/tables/LoadsTable';
import { PanelPlan } from '@/features/panel/PanelPlan';
import { WaysForward } from '@/ui/ways/WaysForward';
import { useProject } from '@/store/project-store';
import { openNew, starting, stubBrowser } from './fixtures';

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

const newPanel = starting<PanelMember>('panel');

describe('a panel', () => {
  const result = (p: Project) => designNow(p, p.members[0] as PanelMember) as PanelResult;

  test('the plan is the form: words turn at a click, values open their field', () => {
    const { project, member } = openNew(newPanel);
    const onEdit = jest.fn();
    render(
      <PanelPlan
        {...{ project, member, onEdit }}
        result={result(project)}
        model={modelOf(project, member, result(project))}
        isStale={false}
        editing={null}
      />,
    );
    click(screen.getByRole('button', { name: /^The left edge is simple/ }));
    expect(onEdit.mock.calls[0][0]).toEqual({ of: 'edge', edge: 'left' });
    const turn = toggled({ of: 'edge', edge: 'left' }, member)!;
    expect(turn.change(member).edges.left).toBe('continuous');
    expect(toggled({ of: 'corners' }, member)!.change(member).isHeldDown).toBe(false);
    expect(toggled({ of: 'depth' }, member)).toBeNull();
  });

  test.each([
    [{ of: 'side', side: 'lx' }, '5.5 m', (m: PanelMember) => m.lx, 5500],
    [{ of: 'depth' }, '200', (m: PanelMember) => m.h, 200],
    [{ of: 'share' }, '60', (m: PanelMember) => m.share, 0.6],
    [{ of: 'bars', place: 'top' }, 'H10 @ 150', (m: PanelMember) => m.bars.top, { size: '10', alternate: null, spacing: 150 }],
  ] as const)('%o typed as "%s"', (handle, text, read, value) => {
    const { project, member } = openNew(newPanel);
    const parsed = panelField(handle, project, member, result(project))!.parse(text);
    if (!parsed.ok) throw new Error(parsed.reason);
    const draft = JSON.parse(JSON.stringify(member)) as never;
    parsed.apply(draft);
    expect(read(draft)).toEqual(value);
    // Opened again at once, while the result is still that of before, it shows what was set.
    const next = panelField(handle, project, draft, result(project))!;
    const again = next.parse(next.text);
    if (!again.ok) throw new Error(again.reason);
    again.apply(draft);
    expect(read(draft)).toEqual(value);
    expect(panelField({ of: 'corners' }, project, member, result(project))).toBeUndefined();
  });

  test('loads and basis are edited, and the method changes what is asked', () => {
    const { project, member } = openNew(newPanel);
    const loads = render(<LoadsTable table={panelLoads} project={project} member={member} faults={[]} />);
    keep(screen.getByRole('textbox', { name: 'Value of load 2' }), '5');
    expect(now<PanelMember>().loads[1]!.value).toBeCloseTo(5e-3, 12);
    click(screen.getByRole('button', { name: 'Add a load' }));
    expect(now<PanelMember>().loads).toHaveLength(3);
    loads.unmount();
    const view = render(<PanelBasis project={project} member={now()} faults={[{ path: 'h', reason: 'Too thin.' }]} />);
    expect(screen.getByText('Too thin.')).toBeTruthy();
    expect(screen.getByLabelText('Load along x')).toBeTruthy();
    act(() => void fireEvent.change(screen.getByLabelText('Method'), { target: { value: 'yieldLines' } }));
    view.rerender(<PanelBasis project={useProject.getState().project!} member={now()} faults={[]} />);
    keep(screen.getByLabelText('Hogging over sagging'), '1.3');
    expect(now<PanelMember>()).toMatchObject({ method: 'yieldLines', supportRatio: 1.3 });
  });

  test('ways forward are taken with one click', async () => {
    const { project, member } = openNew(newPanel);
    render(<WaysForward project={project} member={member} />);
    await act(async () => void fireEvent.click(screen.getByRole('button', { name: 'single changes' })));
    click(screen.getByRole('button', { name: 'Try moments by yield lines' }));
    expect(now<PanelMember>().method).toBe('yieldLines');
  }, 30_000);
});
