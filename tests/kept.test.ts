import 'fake-indexeddb/auto';
import fc from 'fast-check';
import localforage from 'localforage';
import { readProject } from '@/core/project/read';
import type { Project } from '@/core/project/project';
import { thinned, withState, type HistoryEntry } from '@/store/history';
import { journalOf } from '@/store/journal';
import { momentText } from '@/store/moment';
import { listProjects, loadProject, noteJournal, projectHistory, saveProject, storedRevision } from '@/store/storage';

/** What the browser, its clock and its disk may do to what is kept: nothing that was saved is lost by any of it. */

const db = () => localforage.createInstance({ name: 'intarsia', storeName: 'projects' });
function make(id: string, name = 'Kept'): Project {
  const read = readProject({ format: 'intarsia', version: 1, id, name, members: [{ id: 'a', mark: 'B1' }] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const nameOf = async (id: string) => {
  const found = await loadProject(id);
  return found.ok ? found.project.name : found.reason;
};

const MINUTE = 60_000;
const state = (at: number, text = `state ${at}`): HistoryEntry => ({ saved: new Date(at).toISOString(), text });
const START = Date.UTC(2026, 2, 1);

describe('earlier states', () => {
  test('eight months of work, a state each ten minutes of five hours a day: those of the last hour, then one an hour, a day, a month', () => {
    let history: readonly HistoryEntry[] = [];
    for (let day = 0; day < 240; day += 1)
      for (let k = 0; k <= 30; k += 1) history = withState(history, state(START + day * 1440 * MINUTE + (540 + 10 * k) * MINUTE));
    const newest = Date.parse(history[0]!.saved);
    const ages = history.map((h) => (newest - Date.parse(h.saved)) / MINUTE);
    const within = (from: number, to: number) => ages.filter((a) => a > from && a <= to).length;
    // The last at 14:00. Seven from 13:00 on; 12:50, 11:50, 10:50, 9:50 and 14:00 of the day before; the newest of each of 31 days.
    expect([ages.filter((a) => a <= 60).length, within(60, 1440), within(1440, 31 * 1440)]).toEqual([7, 5, 31]);
    // Months of thirty days from 1970 on: eight months touch eight or nine of them, the newest is spread over days.
    expect(within(31 * 1440, Infinity)).toBeGreaterThanOrEqual(6);
    expect(history.length).toBeLessThanOrEqual(60);
  });
  test('thinning twice is thinning once, the newest stays, and order and texts are those of before', () => {
    const minutes = fc.array(fc.integer({ min: 0, max: 500_000 }), { minLength: 1, maxLength: 120 });
    fc.assert(
      fc.property(minutes, (list) => {
        const history = list.sort((a, b) => b - a).map((m, i) => state(START + m * MINUTE, `t${i}`));
        const once = thinned(history);
        expect(once[0]).toBe(history[0]);
        expect(thinned(once)).toEqual(once);
        expect(once).toEqual(history.filter((h) => once.includes(h)));
      }),
    );
  });
  test('texts of 20 million characters: the newest three are kept and no more', () => {
    const long = 'x'.repeat(20_000_000);
    const history = [0, 1, 2, 3, 4].map((k) => state(START - k * 60 * 24 * MINUTE, `${k}${long}`));
    expect(thinned(history)).toHaveLength(3);
  });
  test('a clock set back by a year keeps states as before, and those of before it was', () => {
    let history: readonly HistoryEntry[] = withState([], state(START));
    const year = 365 * 1440 * MINUTE;
    for (let k = 0; k < 5; k += 1) history = withState(history, state(START - year + k * 10 * MINUTE));
    expect(history.map((h) => Date.parse(h.saved))).toEqual([40, 30, 20, 10, 0].map((m) => START - year + m * MINUTE).concat(START));
  });
});

/** All but the clock goes on as it does. */
const timers = [
  'setTimeout',
  'clearTimeout',
  'setInterval',
  'clearInterval',
  'setImmediate',
  'clearImmediate',
  'queueMicrotask',
  'nextTick',
  'performance',
  'hrtime',
] as const;

describe('projects kept', () => {
  jest.setTimeout(60_000);

  test('the list of projects lost, or with a project missing from it: it is made anew from the projects', async () => {
    await saveProject(make('list 1', 'One'), 0);
    await saveProject(make('list/2', 'Two'), 0);
    await db().setItem('index', 'torn');
    const named = async () => (await listProjects()).filter((p) => p.id.startsWith('list')).map((p) => [p.id, p.name, p.members]);
    expect((await named()).sort()).toEqual([
      ['list 1', 'One', 1],
      ['list/2', 'Two', 1],
    ]);
    await db().removeItem('index');
    expect(await named()).toHaveLength(2);
    await saveProject(make('list 3', 'Three'), 0);
    expect(await named()).toHaveLength(3);
    // One that cannot be read stays in sight, so that what is left of it can be kept as a file.
    await db().removeItem('index');
    for (const part of ['a', 'b', 'history']) await db().setItem(`project/list 3/${part}`, 'x');
    const damaged = (await listProjects()).find((p) => p.id === 'list 3')!;
    expect([damaged.name, momentText(damaged.saved)]).toEqual(['damaged project', 'at a time not known']);
    // One whose data are gone is in no list.
    await db().removeItem('project/list 1/head');
    expect(await named()).toHaveLength(2);
  });
  test('storage cleared under the open page: the next save keeps the whole project', async () => {
    let project = make('cleared');
    let { revision } = (await saveProject(project, 0)) as { revision: number };
    await db().clear();
    for (let k = 0; k < 5; k += 1) {
      project = { ...project, name: `after ${k}` };
      const saved = await saveProject(project, revision);
      expect(saved.ok).toBe(true);
      ({ revision } = saved as { revision: number });
    }
    expect(await nameOf('cleared')).toBe('after 4');
    expect((await listProjects()).filter((p) => p.id === 'cleared')).toHaveLength(1);
  });
  test('a slot cut off anywhere, or with any of its characters another: the state before it, or the same, never another', async () => {
    await saveProject(make('torn', 'first'), 0);
    await saveProject(make('torn', 'second'), 1);
    const head = (await db().getItem<{ slot: string }>('project/torn/head'))!;
    const whole = (await db().getItem<string>(`project/torn/${head.slot}`))!;
    const places = fc.nat(whole.length - 1);
    await fc.assert(
      fc.asyncProperty(places, fc.boolean(), async (at, isCut) => {
        const other = whole[at] === 'x' ? 'y' : 'x';
        await db().setItem(`project/torn/${head.slot}`, isCut ? whole.slice(0, at) : whole.slice(0, at) + other + whole.slice(at + 1));
        expect(await nameOf('torn')).toBe('first');
      }),
      { numRuns: 60 },
    );
    await db().setItem(`project/torn/${head.slot}`, whole);
    expect(await nameOf('torn')).toBe('second');
  });
  test('a journal cut off anywhere, or of any kind: what was saved, or the edit, never anything else', async () => {
    const saved = make('noted', 'saved');
    await saveProject(saved, 0);
    const entry = journalOf(saved, { ...saved, name: 'edited' }, [1], { page: 'p', edit: 1 });
    await noteJournal('noted', entry);
    expect(await nameOf('noted')).toBe('edited');
    const broken = fc.oneof(
      fc.nat(entry.text.length - 1).map((at) => ({ ...entry, text: entry.text.slice(0, at) })),
      fc.anything().map((text) => ({ ...entry, text })),
      fc.anything(),
    );
    await fc.assert(
      fc.asyncProperty(broken, async (bad) => {
        try {
          await db().setItem('project/noted/journal', bad);
        } catch {
          // What cannot be stored at all is not there.
          return;
        }
        expect(['saved', 'edited']).toContain(await nameOf('noted'));
      }),
      { numRuns: 60 },
    );
  });
  test('fifty saves one upon another, with the clock jumping: each is the one that is loaded, none of them is refused', async () => {
    jest.useFakeTimers({ doNotFake: [...timers], now: START });
    try {
      let revision = 0;
      for (let k = 0; k < 50; k += 1) {
        jest.setSystemTime(START + ((k * 7919) % 100_000) * MINUTE);
        const saved = await saveProject(make('clock', `save ${k}`), revision);
        expect(saved.ok).toBe(true);
        ({ revision } = saved as { revision: number });
        expect(await nameOf('clock')).toBe(`save ${k}`);
      }
      expect(await storedRevision('clock')).toBe(50);
      expect((await projectHistory('clock'))[0]!.text).toContain('save 49');
    } finally {
      jest.useRealTimers();
    }
  });
});
