import 'fake-indexeddb/auto';
import type { BeamMember } from '@/core/members/beam/input';
import type { MemberResult } from '@/core/members/kinds';
import type { DesignTask } from '@/workers/design.worker';
import type { Runner } from '@/workers/job-pool';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { onMember } from '@/store/commands';
import { useProject, isCurrent } from '@/store/project-store';
import { loadProject } from '@/store/storage';

const calls: { id: string; h: number; derive: readonly string[] | 'all' }[] = [];
jest.mock('@/workers/start-worker', () => ({
  startDesigner: (): Runner<DesignTask, MemberResult> => ({
    run: async ({ basis, member, derive }) => {
      calls.push({ id: member.id, h: (member as BeamMember).section.h, derive });
      if ((member as BeamMember).section.h === 666) throw new Error('no such depth');
      if ((member as BeamMember).section.h === 700) await new Promise((resolve) => setTimeout(resolve, 60));
      return designNow(basis, member, derive);
    },
    stop: () => undefined,
    end: () => undefined,
    onGone: () => undefined,
  }),
}));

function project() {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    id: 'd',
    name: 'Designing',
    members: [
      { id: 'a', mark: 'B1' },
      { id: 'b', mark: 'B2' },
    ],
  });
  if (!read.ok) throw new Error('bad');
  return read.project;
}
const settle = () => new Promise((resolve) => setTimeout(resolve, 220));
const state = () => useProject.getState();

describe('results keep up with the project', () => {
  let stop: () => void;
  beforeEach(async () => {
    const { startDesigning, setActiveMember } = await import('@/store/designing');
    calls.length = 0;
    state().close();
    setActiveMember(null);
    state().open(project());
    stop = startDesigning();
    await settle();
  });
  afterEach(() => stop());

  test('every member is designed once when a project opens', () => {
    expect(calls.map((c) => c.id).sort()).toEqual(['a', 'b']);
    for (const m of state().project!.members) expect(isCurrent(state().results[m.id], state().project!, m)).toBe(true);
  });
  test('an edit asks only for the member that it changed', async () => {
    calls.length = 0;
    state().edit(
      'deeper',
      onMember({ id: 'b', type: 'beam' } as BeamMember, (m) => void (m.section.h = 650)),
    );
    expect(isCurrent(state().results.b, state().project!, state().project!.members[1] as BeamMember)).toBe(false);
    await settle();
    expect(calls.map((c) => [c.id, c.h])).toEqual([['b', 650]]);
    expect(isCurrent(state().results.b, state().project!, state().project!.members[1] as BeamMember)).toBe(true);
  });
  test('a member whose design threw is not within: it says what happened, and the others go on', async () => {
    const log = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    state().edit(
      'deeper',
      onMember({ id: 'b', type: 'beam' } as BeamMember, (m) => void (m.section.h = 666)),
    );
    await settle();
    const entry = state().results.b!;
    expect(isCurrent(entry, state().project!, state().project!.members[1]!)).toBe(true);
    expect([entry.result.checks, entry.result.governing]).toEqual([[], null]);
    expect(entry.result.faults).toEqual([{ path: '', reason: expect.stringContaining('no such depth') }]);
    expect(state().lastGood.b!.member).not.toBe(state().project!.members[1]);
    expect(log).toHaveBeenCalled();
    log.mockRestore();
  });
  test('another code asks for all', async () => {
    calls.length = 0;
    state().edit('code', (p) => ({ ...p, code: { id: 'aci318', variant: 'SI', choices: {} } }));
    await settle();
    expect(calls.map((c) => c.id).sort()).toEqual(['a', 'b']);
  });
  test('a tentative value is designed too; the kept one is known when it is left, and nothing is worked out twice', async () => {
    const { setActiveMember } = await import('@/store/designing');
    setActiveMember('a');
    await settle();
    calls.length = 0;
    state().setPreview(onMember({ id: 'a', type: 'beam' } as BeamMember, (m) => void (m.section.h = 800)));
    await settle();
    expect(calls.at(-1)).toMatchObject({ id: 'a', h: 800 });
    expect(isCurrent(state().results.a, state().project!, state().project!.members[0] as BeamMember)).toBe(false);
    calls.length = 0;
    state().setPreview(null);
    await settle();
    expect(calls).toEqual([]);
    expect(isCurrent(state().results.a, state().project!, state().project!.members[0] as BeamMember)).toBe(true);
  });
  test('what is undone is known, and what was never changed by it is not asked for', async () => {
    state().edit(
      'deeper',
      onMember({ id: 'b', type: 'beam' } as BeamMember, (m) => void (m.section.h = 650)),
    );
    await settle();
    calls.length = 0;
    state().undo();
    await settle();
    state().redo();
    await settle();
    expect(calls).toEqual([]);
    expect(state().results.b!.member).toBe(state().project!.members[1]);
  });
  test('what is undone while it is still designed does not come back over what stands', async () => {
    const { setActiveMember } = await import('@/store/designing');
    setActiveMember('b');
    await settle();
    state().edit(
      'deeper',
      onMember({ id: 'b', type: 'beam' } as BeamMember, (m) => void (m.section.h = 700)),
    );
    await new Promise((resolve) => setTimeout(resolve, 20));
    state().undo();
    await settle();
    expect(calls.at(-1)).toMatchObject({ id: 'b', h: 700 });
    expect(isCurrent(state().results.b, state().project!, state().project!.members[1]!)).toBe(true);
  });
  test('a change of the title block designs nothing', async () => {
    calls.length = 0;
    state().edit('author', (p) => ({ ...p, info: { ...p.info, author: 'E. Tester' } }));
    await settle();
    expect(calls).toEqual([]);
  });
  test('a result with all derivations serves those that ask for less', async () => {
    const { resultOf } = await import('@/store/results');
    const p = state().project!;
    calls.length = 0;
    const whole = await resultOf(p, p.members[0]!, { derive: 'all' });
    const [again, part] = await Promise.all([
      resultOf(p, p.members[0]!, { derive: 'all' }),
      resultOf(p, p.members[0]!, { derive: ['shear'] }),
    ]);
    expect([again === whole, part === whole, calls.length]).toEqual([true, true, 1]);
  });
  test('an opened rung asks for its derivation', async () => {
    const { setActiveMember } = await import('@/store/designing');
    setActiveMember('a');
    state().setOpenChecks(['bending-span-1']);
    await settle();
    expect(calls.at(-1)).toMatchObject({ id: 'a', derive: ['bending-span-1'] });
  });
});

describe('saving', () => {
  test('after the last edit, and only the last state', async () => {
    Object.assign(globalThis, {
      window: { addEventListener: () => undefined, removeEventListener: () => undefined },
      document: { addEventListener: () => undefined, removeEventListener: () => undefined },
    });
    const { startAutosave, startFromRevision, saveNow } = await import('@/store/autosave');
    state().open({ ...project(), id: 'auto' });
    startFromRevision(0);
    const stop = startAutosave();
    await saveNow();
    state().edit('one', (p) => ({ ...p, name: 'one' }));
    state().edit('two', (p) => ({ ...p, name: 'two' }));
    const isSaved = async () => {
      const kept = await loadProject('auto');
      return kept.ok && kept.revision === 2 && state().save.kind === 'saved';
    };
    // The delay is under a second; a busy machine may be late, and gets its time.
    for (let i = 0; i < 100 && !(await isSaved()); i += 1) await new Promise((resolve) => setTimeout(resolve, 100));
    expect(await loadProject('auto')).toMatchObject({ ok: true, revision: 2, project: { name: 'two' } });
    expect(state().save).toMatchObject({ kind: 'saved', at: expect.stringMatching(/^\d\d:\d\d$/) });
    stop();
  }, 20_000);
  test('edits without a pause are saved all the same: the wait has an end', async () => {
    const { startAutosave, startFromRevision } = await import('@/store/autosave');
    state().open({ ...project(), id: 'busy' });
    startFromRevision(0);
    const stop = startAutosave();
    const began = performance.now();
    let first = Infinity;
    for (let i = 0; first === Infinity && i < 80; i += 1) {
      state().edit(`edit ${i}`, (p) => ({ ...p, name: `state ${i}` }));
      await new Promise((resolve) => setTimeout(resolve, 100));
      if ((await loadProject('busy')).ok) first = performance.now() - began;
    }
    // Put off at every edit it would come after the last of 80, 8 s later.
    expect(first).toBeLessThan(6000);
    stop();
  }, 20_000);
  test('a page is not closed without a word while something is kept nowhere; what is typed is kept', async () => {
    const handlers = new Map<string, (e: unknown) => void>();
    const on = {
      addEventListener: (name: string, f: (e: unknown) => void) => void handlers.set(name, f),
      removeEventListener: () => undefined,
    };
    Object.assign(globalThis, { window: on, document: on, HTMLElement: class {} });
    const { startAutosave, startFromRevision, saveNow } = await import('@/store/autosave');
    state().open({ ...project(), id: 'close' });
    startFromRevision(0);
    const stop = startAutosave();
    const preventDefault = jest.fn();
    const close = () => handlers.get('beforeunload')!({ preventDefault });
    await saveNow();
    close();
    expect(preventDefault).not.toHaveBeenCalled();
    // There is no other store here: what is not saved yet would be lost.
    state().setPreview((p) => ({ ...p, name: 'typed' }), 'set the name');
    close();
    expect(state().project!.name).toBe('typed');
    expect(preventDefault).toHaveBeenCalledTimes(1);
    await saveNow();
    close();
    expect(preventDefault).toHaveBeenCalledTimes(1);
    state().setSave({ kind: 'failed', reason: 'full', message: 'no space' });
    close();
    expect(preventDefault).toHaveBeenCalledTimes(2);
    stop();
  });
});
