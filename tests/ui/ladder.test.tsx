import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { finishChecks, topicsNotCovered } from '@/core/checks/check';
import { designNow } from '@/core/project/design-member';
import { useProject } from '@/store/project-store';
import { Ladder } from '@/ui/sheet/Ladder';
import { firstMember, openWithResults, projectOf, stubBrowser } from './fixtures';

beforeAll(stubBrowser);

const two = { main: { count: 2, size: '16' }, extra: { bars: { count: 0, size: '16' } } };
const weak = { bars: { bottom: [two, two] }, service: { crackWidth: 9 } };

function show(member: Record<string, unknown> = {}, derive: readonly string[] | 'all' = 'all') {
  const project = projectOf(member);
  openWithResults(project, derive);
  const onPlace = jest.fn();
  const checks = designNow(project, firstMember(project), derive).checks;
  const view = render(
    <Ladder project={project} member={firstMember(project)} checks={checks} isStale={false} hasFaults={false} onPlace={onPlace} />,
  );
  return { ...view, project, checks, onPlace };
}
const rung = (container: HTMLElement, id: string) => container.querySelector<HTMLElement>(`[data-check="${id}"]`)!;

test('rungs stand worst first, with figure, clause and reason', () => {
  const { container, checks } = show(weak);
  const ids = [...container.querySelectorAll('[data-check]')].map((el) => el.getAttribute('data-check'));
  expect(ids).toEqual(checks.filter((c) => c.status !== 'notCovered').map((c) => c.id));
  const first = rung(container, ids[0]!);
  expect(within(first).getByRole('img', { name: 'over the limit' })).toBeTruthy();
  expect(first.textContent).toMatch(/Bottom bars at span [12]: needs .* mm², has 402 mm²\./);
});

test('what is not covered is said at the end, never passed over', () => {
  const project = projectOf();
  openWithResults(project, 'all');
  const topics = finishChecks(topicsNotCovered([{ title: 'Slenderness of beams', clause: '8.9' }]), { derive: [], units: 'SI' });
  const checks = [...designNow(project, firstMember(project)).checks, ...topics];
  const { container } = render(
    <Ladder project={project} member={firstMember(project)} checks={checks} isStale={false} hasFaults={false} onPlace={jest.fn()} />,
  );
  expect(container.textContent).toContain('Not covered here yet: slenderness of beams (8.9).');
  expect(rung(container, topics[0]!.id)).toBeNull();
});

test('opening a rung shows the derivation and moves the station line to its place', () => {
  const { container, onPlace, checks } = show();
  const check = checks.find((c) => c.id === 'bending-support-B')!;
  fireEvent.click(within(rung(container, check.id)).getByRole('button'));
  expect(onPlace).toHaveBeenCalledWith(check.place.x);
  expect(rung(container, check.id).querySelectorAll('math').length).toBeGreaterThan(4);
  expect(useProject.getState().openChecks).toEqual([check.id]);
  fireEvent.click(within(rung(container, check.id)).getAllByRole('button')[0]!);
  expect(useProject.getState().openChecks).toEqual([]);
});

test('an assumption is changed on the rung and becomes a named edit of this member only', () => {
  const { container } = show();
  fireEvent.click(within(rung(container, 'bending-support-B')).getByRole('button'));
  const select = within(rung(container, 'bending-support-B')).getByRole('combobox', { name: /Stress of concrete/ });
  fireEvent.change(select, { target: { value: 'parabola' } });
  const { project, past } = useProject.getState();
  expect(firstMember(project!).choices).toEqual({ diagram: 'parabola' });
  expect(past[past.length - 1]!.label).toBe('set stress of concrete of B1');
});

test('a decision needs a reason; with one it is recorded with name and figure', () => {
  const { container, checks } = show(weak);
  const over = checks.find((c) => c.status === 'exceeds')!;
  fireEvent.click(within(rung(container, over.id)).getByRole('button'));
  fireEvent.click(within(rung(container, over.id)).getByRole('button', { name: 'Record a decision' }));
  const dialog = screen.getByRole('dialog');
  fireEvent.click(within(dialog).getByRole('button', { name: 'Record' }));
  expect(dialog.textContent).toContain('A decision needs a reason.');
  fireEvent.change(within(dialog).getByRole('textbox', { name: 'Reason' }), { target: { value: 'Existing bars found by survey.' } });
  act(() => fireEvent.click(within(dialog).getByRole('button', { name: 'Record' })));
  const [decision] = firstMember(useProject.getState().project!).decisions;
  expect(decision).toMatchObject({
    check: over.id,
    reason: 'Existing bars found by survey.',
    by: 'E. Tester',
    utilisation: over.utilisation,
  });
});

test('a decided excess shows the butterfly key and the reason', () => {
  const project = projectOf({ ...weak, decisions: [{ check: 'bending-span-1', reason: 'Accepted.', utilisation: 9 }] });
  openWithResults(project);
  const checks = designNow(project, firstMember(project)).checks;
  const { container } = render(
    <Ladder project={project} member={firstMember(project)} checks={checks} isStale={false} hasFaults={false} onPlace={() => undefined} />,
  );
  const decided = rung(container, 'bending-span-1');
  expect(within(decided).getByRole('img', { name: /accepted by the engineer/ })).toBeTruthy();
  expect(decided.textContent).toContain('Accepted.');
});

test('old results are marked as old', () => {
  const project = projectOf();
  const checks = designNow(project, firstMember(project)).checks;
  const { container } = render(
    <Ladder project={project} member={firstMember(project)} checks={checks} isStale hasFaults={false} onPlace={() => undefined} />,
  );
  expect(container.querySelector('[data-stale]')).not.toBeNull();
});

test('of many that are alike the worst few stand there, what is not within always, the rest on asking', () => {
  const project = projectOf({});
  openWithResults(project, []);
  const [first, ...others] = designNow(project, firstMember(project), []).checks;
  const lines = Array.from({ length: 9 }, (_, k) => ({
    ...first!,
    id: `line-${k}`,
    title: `Deflection along S${k}`,
    group: 'deflections along lines',
    status: k === 0 ? ('exceeds' as const) : ('holds' as const),
    utilisation: 1.1 - 0.1 * k,
  }));
  const { container } = render(
    <Ladder
      project={project}
      member={firstMember(project)}
      checks={[...lines, ...others]}
      isStale={false}
      hasFaults={false}
      onPlace={() => undefined}
    />,
  );
  const shown = () => lines.filter((c) => rung(container, c.id)).length;
  expect(shown()).toBe(4);
  fireEvent.click(screen.getByRole('button', { name: '5 more deflections along lines, up to 0.70' }));
  expect(shown()).toBe(9);
  expect(others.every((c) => c.status === 'notCovered' || rung(container, c.id))).toBe(true);
});
