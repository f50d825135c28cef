import { act, fireEvent, render, screen } from '@testing-library/react';
import type { BeamMember } from '@/core/members/beam/input';
import type { Way } from '@/core/members/kind';
import type { Project } from '@/core/project/project';
import { useProject } from '@/store/project-store';
import { WaysForward } from '@/ui/ways/WaysForward';
import { projectOf } from './fixtures';

type BeamWay = Way<BeamMember>;
const way = (title: string, utilisation = 0.9): BeamWay => ({
  title,
  utilisation,
  governs: 'Bending',
  cost: 1.05,
  carbon: 0.98,
  buildability: 0.7,
  about: 'depth',
  holds: utilisation <= 1,
  change: { title },
});

type SearchFor = (search: string) => Promise<readonly BeamWay[]>;
let mockSearch: SearchFor = () => Promise.resolve([]);
jest.mock('@/store/proposing', () => ({ propose: (_basis: unknown, _member: unknown, search: string) => mockSearch(search) }));

/** A search whose answers come when the test lets them. */
function slowSearch() {
  const asked: { search: string; answer: (list: BeamWay[]) => Promise<void>; fail: () => Promise<void> }[] = [];
  mockSearch = (search) =>
    new Promise((resolve, reject) => {
      asked.push({
        search,
        answer: (list) => act(async () => resolve(list)),
        fail: () => act(async () => reject(new Error('the worker is gone'))),
      });
    });
  return { asked };
}

const show = (member: BeamMember, project: Project) => <WaysForward project={project} member={member} />;

const rest = (ms = 700) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));

const taken = () => useProject.getState().past.map((step) => step.label);

describe('ways forward', () => {
  const project = projectOf();
  const first = project.members[0] as BeamMember;
  const second: BeamMember = { ...first, place: 'Stair' };
  beforeEach(() => {
    jest.useFakeTimers();
    useProject.getState().open(project);
  });
  afterEach(() => jest.useRealTimers());

  test('single changes are there by themselves when the member has come to rest', async () => {
    const { asked } = slowSearch();
    render(show(first, project));
    expect(asked).toEqual([]);
    await rest();
    expect(asked.map((a) => a.search)).toEqual(['changes']);
    expect(screen.getByRole('status').textContent).toBe('Looking for single changes.');
    await asked[0]!.answer([way('depth 550 mm'), way('width 350 mm', 1.02)]);
    expect(screen.getByText('against now: cost, carbon')).toBeTruthy();
    expect(screen.getAllByText('+5 %, −2 %')).toHaveLength(2);
    fireEvent.click(screen.getByRole('button', { name: 'Try depth 550 mm' }));
    expect(taken()).toEqual(['try depth 550 mm for B1']);
    expect(useProject.getState().project!.members[0]!.title).toBe('depth 550 mm');
  });

  test('while someone types nothing is looked for; the ways of before are marked as such, and then replaced', async () => {
    const { asked } = slowSearch();
    const view = render(show(first, project));
    await rest();
    await asked[0]!.answer([way('depth 550 mm')]);
    view.rerender(show(second, project));
    await rest(300);
    view.rerender(show({ ...second }, project));
    await rest(400);
    expect(asked).toHaveLength(1);
    expect(screen.getByText('against the beam before: cost, carbon')).toBeTruthy();
    expect(screen.getByText('depth 550 mm')).toBeTruthy();
    await rest(400);
    expect(asked).toHaveLength(2);
    await asked[1]!.answer([way('depth 600 mm')]);
    expect(screen.queryByText('depth 550 mm')).toBeNull();
    expect(screen.getByText('against now: cost, carbon')).toBeTruthy();
  });

  test('another code or other rates make the ways old too; an edit of another member does not', async () => {
    const { asked } = slowSearch();
    const view = render(show(first, project));
    await rest();
    await asked[0]!.answer([way('depth 550 mm')]);
    view.rerender(show(first, { ...project, name: 'Other name' }));
    await rest();
    expect(asked).toHaveLength(1);
    view.rerender(show(first, { ...project, code: { ...project.code, id: 'aci318', variant: 'SI' } }));
    expect(screen.getByText('against the beam before: cost, carbon')).toBeTruthy();
    await rest();
    expect(asked).toHaveLength(2);
  });

  test('one search at a time: what is asked meanwhile comes next, and only the last answer is shown', async () => {
    const { asked } = slowSearch();
    const view = render(show(first, project));
    await rest();
    view.rerender(show(second, project));
    await rest();
    fireEvent.click(screen.getByRole('button', { name: 'arrangements of bars' }));
    expect(asked).toHaveLength(1);
    await asked[0]!.answer([way('of the member before')]);
    expect(screen.queryByText('of the member before')).toBeNull();
    expect(asked.map((a) => a.search)).toEqual(['changes', 'arrangements']);
    await asked[1]!.answer([]);
    expect(screen.getByText(/^No arrangement of the allowed sizes holds/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'arrangements of bars' }).getAttribute('aria-pressed')).toBe('true');
  });

  test('a way of the member before cannot be taken: its spans may be others', async () => {
    const { asked } = slowSearch();
    const view = render(show(first, project));
    await rest();
    await asked[0]!.answer([way('depth 550 mm')]);
    view.rerender(show(second, project));
    const button = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Try depth 550 mm' });
    expect(button().disabled).toBe(true);
    fireEvent.click(button());
    expect(taken()).toEqual([]);
    await rest();
    await asked[1]!.answer([way('depth 550 mm')]);
    fireEvent.click(button());
    expect(taken()).toHaveLength(1);
  });

  test('a button stays that of its way when the order changes', async () => {
    const { asked } = slowSearch();
    const view = render(show(first, project));
    await rest();
    await asked[0]!.answer([way('depth 550 mm'), way('width 350 mm')]);
    const button = screen.getByRole('button', { name: 'Try depth 550 mm' });
    view.rerender(show(second, project));
    await rest();
    await asked[1]!.answer([way('width 350 mm'), way('depth 550 mm')]);
    expect(screen.getByRole('button', { name: 'Try depth 550 mm' })).toBe(button);
  });

  test('the list that was asked for is looked for again when the member changes', async () => {
    const { asked } = slowSearch();
    const view = render(show(first, project));
    fireEvent.click(screen.getByRole('button', { name: 'arrangements of bars' }));
    await asked[0]!.answer([way('25, links 8')]);
    await rest();
    expect(asked).toHaveLength(1);
    view.rerender(show(second, project));
    await rest();
    expect(asked.map((a) => a.search)).toEqual(['arrangements', 'arrangements']);
    await asked[1]!.answer([way('20, links 10')]);
    expect(screen.getByText('20, links 10')).toBeTruthy();
    expect(screen.getByText('against now: cost, carbon')).toBeTruthy();
  });

  test('a search that fails is said, and the next one clears it', async () => {
    const { asked } = slowSearch();
    render(show(first, project));
    await rest();
    await asked[0]!.fail();
    expect(screen.getByText(/could not be worked out/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'single changes' }));
    await asked[1]!.answer([way('depth 550 mm')]);
    expect(screen.queryByText(/could not be worked out/)).toBeNull();
    expect(screen.getByText('depth 550 mm')).toBeTruthy();
  });
});
