import 'fake-indexeddb/auto';
import localforage from 'localforage';
import { readProject } from '@/core/project/read';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { emptyBeamResult } from '@/core/members/beam/result';
import type { PunchingMember } from '@/core/members/punching/input';
import { emptyPunchingResult } from '@/core/members/punching/result';
import { addFresh } from '@/store/add-fresh';
import { addMember, copyMember, deleteMember, freshMark, moveMember, onMember } from '@/store/commands';
import { isCurrent, isOf, useProject } from '@/store/project-store';
import { checksum, deleteProject, listProjects, loadProject, projectHistory, saveProject, storedRevision } from '@/store/storage';

function makeProject(id = 'p1'): Project {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    id,
    name: 'Test',
    members: [
      { id: 'a', mark: 'B1' },
      { id: 'b', mark: 'B2' },
    ],
  });
  if (!read.ok) throw new Error('bad');
  return read.project;
}

describe('commands, undo and redo', () => {
  beforeEach(() => useProject.getState().open(makeProject()));
  const depth = () => (useProject.getState().project!.members[0] as BeamMember).section.h;

  test('an edit changes one member and leaves the others the same objects', () => {
    const before = useProject.getState().project!;
    useProject.getState().edit(
      'deeper',
      onMember({ id: 'a', type: 'beam' } as BeamMember, (m) => void (m.section.h = 600)),
    );
    const after = useProject.getState().project!;
    expect(depth()).toBe(600);
    expect(after.members[1]).toBe(before.members[1]);
    useProject.getState().undo();
    expect(useProject.getState().project).toBe(before);
    useProject.getState().redo();
    expect(useProject.getState().project).toBe(after);
  });
  test('a new member is marked on from the one it follows, or from the last of its kind', () => {
    useProject.getState().edit(
      'mark',
      onMember({ id: 'a', type: 'beam' } as BeamMember, (m) => void (m.mark = 'FB1')),
    );
    const [first] = useProject.getState().project!.members;
    expect(addFresh('beam', first).mark).toBe('FB2');
    expect(addFresh('beam').mark).toBe('B3');
    expect(addFresh('column', first).mark).toBe('C1');
    expect(useProject.getState().project!.members.map((m) => m.mark)).toEqual(['FB1', 'C1', 'FB2', 'B2', 'B3']);
  });
  test('a preview is never kept and never undone', () => {
    useProject.getState().setPreview(onMember({ id: 'a', type: 'beam' } as BeamMember, (m) => void (m.section.h = 900)));
    expect(depth()).toBe(500);
    expect((useProject.getState().preview!.members[0] as BeamMember).section.h).toBe(900);
    useProject.getState().setPreview(null);
    expect(useProject.getState().past).toHaveLength(0);
  });
  test('members: add, copy, move, delete', () => {
    const { edit } = useProject.getState();
    const { change, id } = copyMember(useProject.getState().project!, 'a');
    edit('copy', change);
    expect(useProject.getState().project!.members.map((m) => m.mark)).toEqual(['B1', 'B3', 'B2']);
    edit('move', moveMember(id, 1));
    expect(useProject.getState().project!.members.map((m) => m.mark)).toEqual(['B1', 'B2', 'B3']);
    edit('delete', deleteMember('a'));
    edit('add', addMember({ ...(useProject.getState().project!.members[0] as BeamMember), id: 'z', mark: 'Z' }, 'b'));
    expect(useProject.getState().project!.members.map((m) => m.mark)).toEqual(['B2', 'Z', 'B3']);
    expect(freshMark(useProject.getState().project!, 'B2')).toBe('B4');
  });
  test('a result is current only for the very input it was made from', () => {
    const { project, putResults } = useProject.getState();
    const member = project!.members[0] as BeamMember;
    putResults([{ result: emptyBeamResult([]), member, code: project!.code, display: project!.display }]);
    const entry = useProject.getState().results.a;
    expect(isCurrent(entry, project!, member)).toBe(true);
    expect(isCurrent(entry, project!, { ...member })).toBe(false);
    expect(isCurrent(entry, { ...project!, code: { ...project!.code } }, member)).toBe(false);
  });
  test('a faulty result does not push out the last good one', () => {
    const { project, putResults } = useProject.getState();
    const base = { member: project!.members[0] as BeamMember, code: project!.code, display: project!.display };
    const good = emptyBeamResult([]);
    putResults([{ ...base, result: good }]);
    putResults([{ ...base, result: emptyBeamResult([{ path: 'section.h', reason: 'no' }]) }]);
    expect(useProject.getState().lastGood.a!.result).toBe(good);
  });
});

describe('storage', () => {
  const db = () => localforage.createInstance({ name: 'intarsia', storeName: 'projects' });

  test('save, load, list, delete', async () => {
    const project = makeProject('keep');
    expect(await saveProject(project, 0)).toEqual({ ok: true, revision: 1 });
    expect(await loadProject('keep')).toMatchObject({ ok: true, revision: 1, project: { name: 'Test' } });
    expect((await listProjects()).map((p) => p.id)).toContain('keep');
    await deleteProject('keep');
    expect(await loadProject('keep')).toMatchObject({ ok: false });
  });
  test('two tabs do not overwrite each other silently', async () => {
    const project = makeProject('tabs');
    await saveProject(project, 0);
    await saveProject({ ...project, name: 'other tab' }, 1);
    expect(await saveProject({ ...project, name: 'this tab' }, 1)).toMatchObject({ ok: false, kind: 'conflict' });
    expect(await storedRevision('tabs')).toBe(2);
    expect(await saveProject({ ...project, name: 'this tab' }, 1, true)).toMatchObject({ ok: true });
  });
  test('of two tabs that save at one instant the second is told', async () => {
    // A browser has one queue for all its tabs.
    let queue: Promise<unknown> = Promise.resolve();
    const request = <T>(_: string, work: () => Promise<T>) => (queue = queue.then(work)) as Promise<T>;
    Object.defineProperty(globalThis, 'navigator', { configurable: true, value: { locks: { request } } });
    const project = makeProject('instant');
    await saveProject(project, 0);
    const both = await Promise.all(['one', 'two'].map((name) => saveProject({ ...project, name }, 1)));
    expect(both.map((o) => o.ok)).toEqual([true, false]);
    expect(both[1]).toMatchObject({ kind: 'conflict' });
    expect(await loadProject('instant')).toMatchObject({ project: { name: 'one' } });
  });
  test('what cannot be read as it is opens in part: it is said, and its whole text is kept', async () => {
    const project = makeProject('long');
    await saveProject(project, 0);
    const head = (await db().getItem<{ slot: 'a' | 'b' }>('project/long/head'))!;
    const raw = JSON.parse((await db().getItem<string>(`project/long/${head.slot}`))!) as { members: Record<string, unknown>[] };
    raw.members[0]!.mark = 'M'.repeat(25);
    raw.members[1]!.supports = 'none';
    const text = JSON.stringify(raw);
    await db().setItem(`project/long/${head.slot}`, text);
    await db().setItem('project/long/head', { ...head, checksum: checksum(text) });
    const loaded = await loadProject('long');
    expect(loaded).toMatchObject({ ok: true, found: text, recovered: expect.stringContaining('mark: must have at most 20 characters') });
    if (!loaded.ok) return;
    expect(loaded.recovered).toContain('B2, supports');
    expect(loaded.project.members.map((m) => m.mark)).toEqual(['M'.repeat(20), 'B2']);
    expect((await projectHistory('long'))[0]!.text).toBe(text);
    const kept = (await projectHistory('long')).length;
    await loadProject('long');
    expect(await projectHistory('long')).toHaveLength(kept);
    // It can be saved and opened again, now whole.
    expect(await saveProject(loaded.project, loaded.revision)).toMatchObject({ ok: true });
    const again = await loadProject('long');
    expect(again.ok && again.recovered).toBeUndefined();
  });
  test('what could not be read again is not saved over what can', async () => {
    const project = makeProject('over');
    await saveProject(project, 0);
    const wrong = { ...project, members: [{ ...project.members[0]!, place: 'p'.repeat(61) }] };
    expect(await saveProject(wrong, 1)).toMatchObject({
      ok: false,
      kind: 'unreadable',
      message: expect.stringContaining('B1, place: must have at most 60'),
    });
    expect(await loadProject('over')).toMatchObject({ ok: true, project: { members: [{ mark: 'B1' }, { mark: 'B2' }] } });
  });
  test('a torn write leaves the state before it', async () => {
    const project = makeProject('torn');
    await saveProject(project, 0);
    await saveProject({ ...project, name: 'second' }, 1);
    const head = (await db().getItem<{ slot: 'a' | 'b' }>('project/torn/head'))!;
    const text = (await db().getItem<string>(`project/torn/${head.slot}`))!;
    await db().setItem(`project/torn/${head.slot}`, text.slice(0, 100));
    expect(await loadProject('torn')).toMatchObject({ ok: true, project: { name: 'Test' }, recovered: expect.stringContaining('torn') });
    await db().setItem('project/torn/a', 'x');
    await db().setItem('project/torn/b', 'x');
    expect(await loadProject('torn')).toMatchObject({ ok: true, recovered: expect.stringContaining('damaged') });
    expect(await projectHistory('torn')).toHaveLength(1);
  });
  test.each([
    ['QuotaExceededError', 'full'],
    ['SecurityError', 'denied'],
  ])('%s is told as storage %s', async (name, kind) => {
    await jest.isolateModulesAsync(async () => {
      const refuse = () => Promise.reject(Object.assign(new Error('no'), { name }));
      jest.doMock('localforage', () => ({
        __esModule: true,
        default: { createInstance: () => ({ getItem: async () => null, setItem: refuse }) },
      }));
      const storage = await import('@/store/storage');
      expect(await storage.saveProject(makeProject('x'), 0)).toMatchObject({ ok: false, kind });
      jest.dontMock('localforage');
    });
  });
  test('the checksum tells texts apart', () => {
    expect(checksum('abc')).not.toBe(checksum('abd'));
    expect(checksum('abc')).toBe(checksum('abc'));
  });
});

describe('a member that follows another', () => {
  const following = () => {
    const read = readProject({
      format: 'intarsia',
      version: 1,
      id: 'p2',
      name: 'Test',
      members: [{ id: 'p', type: 'punching', mark: 'P1', h: 300, from: { member: 'a', column: 'B2' } }],
    });
    if (!read.ok) throw new Error('bad');
    return read.project;
  };
  const place = () => useProject.getState().project!.members[0] as PunchingMember;
  const put = (member: PunchingMember, taken: object) => {
    const { code, display } = useProject.getState().project!;
    useProject.getState().putResults([{ result: { ...emptyPunchingResult([]), taken }, member, code, display, companions: [] }]);
  };

  test('holds what it took when its result is there, without a step to undo; the result stays current', () => {
    useProject.getState().open(following());
    put(place(), { h: 240 });
    const { project, past, results } = useProject.getState();
    expect(place().h).toBe(240);
    expect(past).toEqual([]);
    expect(isCurrent(results.p, project!, place())).toBe(true);
  });
  test('is let go, and that is said, when what it took is changed by hand; other changes leave it', () => {
    useProject.getState().open(following());
    useProject.getState().edit(
      'factor',
      onMember(place(), (m) => void (m.beta = 1.4)),
    );
    expect(place().from).not.toBeNull();
    useProject.getState().edit(
      'deeper',
      onMember(place(), (m) => void (m.h = 320)),
    );
    expect(place()).toMatchObject({ from: null, h: 320 });
    expect(useProject.getState().notice?.text).toMatch(/stands by itself/);
    useProject.getState().undo();
    expect(place()).toMatchObject({ from: { column: 'B2' }, h: 300 });
  });
  test('an early result is shown but is not the whole one', () => {
    useProject.getState().open(following());
    const { code, display } = useProject.getState().project!;
    const entry = { result: { ...emptyPunchingResult([]), early: 'More follows.' }, member: place(), code, display, companions: [] };
    expect(isOf(entry, useProject.getState().project!, place())).toBe(true);
    expect(isCurrent(entry, useProject.getState().project!, place())).toBe(false);
  });
});
