import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { readProject } from '@/core/project/read';
import type { Project } from '@/core/project/project';
import { isAfter, journalOf, replayed } from '@/store/journal';
import { deleteProject, forgetJournal, loadProject, noteJournal, saveProject } from '@/store/storage';
import { writeProject } from '@/core/project/write';

function make(id: string, heights: readonly number[]): Project {
  const members = heights.map((h, i) => ({ id: `m${i}`, mark: `B${i + 1}`, section: { h } }));
  const read = readProject({ format: 'intarsia', version: 1, id, name: 'J', members });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const mark = { page: 'p', edit: 1 };
const deeper = (project: Project, k: number, h: number): Project => ({
  ...project,
  members: project.members.map((m, i) =>
    i === k ? ({ ...m, section: { ...(m as unknown as { section: object }).section, h } } as unknown as typeof m) : m,
  ),
});

describe('the journal', () => {
  test('holds the members that changed and no others, and gives the state back on the one that it follows', () => {
    const saved = make('j1', [400, 500, 600]);
    const next = deeper(saved, 1, 550);
    const entry = journalOf(saved, next, [3], mark);
    expect((JSON.parse(entry.text) as { members: unknown[] }).members).toHaveLength(1);
    expect(writeProject(replayed(entry, 3, saved)!)).toBe(writeProject(next));
    expect(replayed(entry, 4, saved)).toBeUndefined();
  });

  test('any bursts of edits, new, moved and deleted members come back as they were', () => {
    const step = fc.record({
      what: fc.constantFrom('deeper', 'delete', 'move', 'copy'),
      at: fc.nat(9),
      h: fc.integer({ min: 200, max: 900 }),
    });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 8 }), (steps) => {
        const saved = make('j2', [400, 500, 600]);
        let now = saved;
        steps.forEach(({ what, at, h }, n) => {
          const { members } = now;
          const k = members.length > 0 ? at % members.length : 0;
          if (members.length === 0) return;
          if (what === 'deeper') now = deeper(now, k, h);
          if (what === 'delete') now = { ...now, members: members.filter((_, i) => i !== k) };
          if (what === 'move') now = { ...now, members: [...members.slice(k), ...members.slice(0, k)] };
          if (what === 'copy') now = { ...now, members: [...members, { ...members[k]!, id: `c${n}` }] };
        });
        const entry = JSON.parse(JSON.stringify(journalOf(saved, now, [1], mark))) as unknown;
        expect(writeProject(replayed(entry, 1, saved)!)).toBe(writeProject(now));
      }),
      { numRuns: 60 },
    );
  });

  test('without the saved state at hand all members are noted', () => {
    const next = make('j3', [400, 500]);
    expect(writeProject(replayed(journalOf(null, next, [1], mark), 1, undefined)!)).toBe(writeProject(next));
  });

  test.each([
    null,
    3,
    'x',
    {},
    { follows: [1] },
    { follows: [1], order: ['m0'], text: '{"format":"inta' },
    { follows: [1], order: ['gone'], text: '{"format":"intarsia","version":1,"members":[]}' },
  ])('one that is torn is passed over: %j', (entry) => expect(replayed(entry, 1, make('j4', [400]))).toBeUndefined());

  test('of one page the later edit counts, of two the journal, which every page writes first', () => {
    expect(isAfter({ page: 'a', edit: 3 }, { page: 'a', edit: 2 })).toBe(true);
    expect(isAfter({ page: 'a', edit: 3 }, { page: 'a', edit: 3 })).toBe(false);
    expect(isAfter({ page: 'b', edit: 1 }, { page: 'a', edit: 9 })).toBe(true);
  });
});

describe('a page that was killed', () => {
  test('opens with what was noted after the last save; a later save makes it void', async () => {
    const saved = make('k1', [400, 500]);
    await saveProject(saved, 0);
    const next = deeper(saved, 0, 700);
    await noteJournal('k1', journalOf(saved, next, [1], mark));
    const opened = await loadProject('k1');
    expect(opened).toMatchObject({ ok: true, revision: 1, isLater: true });
    expect(opened.ok && writeProject(opened.project)).toBe(writeProject(next));
    const later = deeper(next, 1, 333);
    await saveProject(later, 1);
    const again = await loadProject('k1');
    expect(again.ok && writeProject(again.project)).toBe(writeProject(later));
  });

  test('during a save: whether that save was finished or not, what was noted after it was begun is there', async () => {
    for (const isFinished of [true, false]) {
      const id = `k2-${isFinished}`;
      const saved = make(id, [400, 500]);
      await saveProject(saved, 0);
      const begun = deeper(saved, 0, 700);
      const last = deeper(begun, 1, 800);
      await noteJournal(id, journalOf(saved, last, [1, 2], mark));
      if (isFinished) await saveProject(begun, 1);
      const opened = await loadProject(id);
      expect(opened.ok && writeProject(opened.project)).toBe(writeProject(last));
    }
  });

  test('a torn journal leaves the saved state, and deleting a project takes it along', async () => {
    const saved = make('k3', [400]);
    await saveProject(saved, 0);
    await noteJournal('k3', { ...mark, follows: [1], order: ['m0'], text: '{"torn' });
    expect(await loadProject('k3')).toMatchObject({ ok: true, revision: 1 });
    await forgetJournal('k3');
    await noteJournal('k3', journalOf(saved, deeper(saved, 0, 900), [1], mark));
    await deleteProject('k3');
    expect((await loadProject('k3')).ok).toBe(false);
  });
});
