import { act, fireEvent, render, screen } from '@testing-library/react';
import type { Project } from '@/core/project/project';
import { WaysForward } from '@/ui/WaysForward';
import { projectOf } from './fixtures';

type Search = 'changes' | 'arrangements';
const way = (title: string, utilisation = 0.9) => ({ title, utilisation, governs: 'Bending', cost: 1.05, carbon: 0.98, buildability: 0.7 });
type Way = ReturnType<typeof way>;

const searches = [
  ['changes', 'single changes'],
  ['arrangements', 'arrangements'],
] as const;

/** A search whose answers come when the test lets them. */
function slowSearch() {
  const asked: { search: Search; answer: (list: Way[]) => Promise<void>; fail: () => Promise<void> }[] = [];
  const search = (kind: Search) =>
    new Promise<readonly Way[]>((resolve, reject) => {
      asked.push({
        search: kind,
        answer: (list) => act(async () => resolve(list)),
        fail: () => act(async () => reject(new Error('the worker is gone'))),
      });
    });
  return { asked, search };
}

function show(search: (kind: Search) => Promise<readonly Way[]>, member: object, project: Project, onTake = jest.fn()) {
  return (
    <WaysForward<object, Search, Way>
      {...{ project, member, searches, search, onTake }}
      word="beam"
      label={(w) => w.title}
      empty="Nothing holds."
    />
  );
}

const rest = (ms = 700) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));

describe('ways forward', () => {
  const project = projectOf();
  const [first, second] = [{ mark: 'B1' }, { mark: 'B1', h: 500 }];
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  test('single changes are there by themselves when the member has come to rest', async () => {
    const { asked, search } = slowSearch();
    const onTake = jest.fn();
    render(show(search, first, project, onTake));
    expect(asked).toEqual([]);
    await rest();
    expect(asked.map((a) => a.search)).toEqual(['changes']);
    expect(screen.getByRole('status').textContent).toBe('Looking for single changes.');
    await asked[0]!.answer([way('depth 550 mm'), way('width 350 mm', 1.02)]);
    expect(screen.getByText('against now: cost, carbon')).toBeTruthy();
    expect(screen.getAllByText('+5 %, −2 %')).toHaveLength(2);
    fireEvent.click(screen.getByRole('button', { name: 'Try depth 550 mm' }));
    expect(onTake.mock.calls[0][0]).toMatchObject({ title: 'depth 550 mm' });
  });

  test('while someone types nothing is looked for; the ways of before are marked as such, and then replaced', async () => {
    const { asked, search } = slowSearch();
    const view = render(show(search, first, project));
    await rest();
    await asked[0]!.answer([way('depth 550 mm')]);
    view.rerender(show(search, second, project));
    await rest(300);
    view.rerender(show(search, { ...second }, project));
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
    const { asked, search } = slowSearch();
    const view = render(show(search, first, project));
    await rest();
    await asked[0]!.answer([way('depth 550 mm')]);
    view.rerender(show(search, first, { ...project, name: 'Other name' }));
    await rest();
    expect(asked).toHaveLength(1);
    view.rerender(show(search, first, { ...project, code: { ...project.code, id: 'aci318', variant: 'SI' } }));
    expect(screen.getByText('against the beam before: cost, carbon')).toBeTruthy();
    await rest();
    expect(asked).toHaveLength(2);
  });

  test('one search at a time: what is asked meanwhile comes next, and only the last answer is shown', async () => {
    const { asked, search } = slowSearch();
    const view = render(show(search, first, project));
    await rest();
    view.rerender(show(search, second, project));
    await rest();
    fireEvent.click(screen.getByRole('button', { name: 'arrangements' }));
    expect(asked).toHaveLength(1);
    await asked[0]!.answer([way('of the member before')]);
    expect(screen.queryByText('of the member before')).toBeNull();
    expect(asked.map((a) => a.search)).toEqual(['changes', 'arrangements']);
    await asked[1]!.answer([]);
    expect(screen.getByText('Nothing holds.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'arrangements' }).getAttribute('aria-pressed')).toBe('true');
  });

  test('a way of the member before cannot be taken: its spans may be others', async () => {
    const { asked, search } = slowSearch();
    const onTake = jest.fn();
    const view = render(show(search, first, project, onTake));
    await rest();
    await asked[0]!.answer([way('depth 550 mm')]);
    view.rerender(show(search, second, project, onTake));
    const button = () => screen.getByRole<HTMLButtonElement>('button', { name: 'Try depth 550 mm' });
    expect(button().disabled).toBe(true);
    fireEvent.click(button());
    expect(onTake).not.toHaveBeenCalled();
    await rest();
    await asked[1]!.answer([way('depth 550 mm')]);
    fireEvent.click(button());
    expect(onTake).toHaveBeenCalledTimes(1);
  });

  test('a button stays that of its way when the order changes', async () => {
    const { asked, search } = slowSearch();
    const view = render(show(search, first, project));
    await rest();
    await asked[0]!.answer([way('depth 550 mm'), way('width 350 mm')]);
    const button = screen.getByRole('button', { name: 'Try depth 550 mm' });
    view.rerender(show(search, second, project));
    await rest();
    await asked[1]!.answer([way('width 350 mm'), way('depth 550 mm')]);
    expect(screen.getByRole('button', { name: 'Try depth 550 mm' })).toBe(button);
  });

  test('the list that was asked for is looked for again when the member changes', async () => {
    const { asked, search } = slowSearch();
    const view = render(show(search, first, project));
    fireEvent.click(screen.getByRole('button', { name: 'arrangements' }));
    await asked[0]!.answer([way('25, links 8')]);
    await rest();
    expect(asked).toHaveLength(1);
    view.rerender(show(search, second, project));
    await rest();
    expect(asked.map((a) => a.search)).toEqual(['arrangements', 'arrangements']);
    await asked[1]!.answer([way('20, links 10')]);
    expect(screen.getByText('20, links 10')).toBeTruthy();
    expect(screen.getByText('against now: cost, carbon')).toBeTruthy();
  });

  test('a search that fails is said, and the next one clears it', async () => {
    const { asked, search } = slowSearch();
    render(show(search, first, project));
    await rest();
    await asked[0]!.fail();
    expect(screen.getByText(/could not be worked out/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'single changes' }));
    await asked[1]!.answer([way('depth 550 mm')]);
    expect(screen.queryByText(/could not be worked out/)).toBeNull();
    expect(screen.getByText('depth 550 mm')).toBeTruthy();
  });
});
