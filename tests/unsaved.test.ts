import 'fake-indexeddb/auto';
import { readProject } from '@/core/project/read';
import type { Project } from '@/core/project/project';
import { deleteProject, loadProject, saveProject } from '@/store/storage';
import { forgetUnsaved, keepUnsaved, unsavedAfter } from '@/store/unsaved';

const kept = new Map<string, string>();
beforeAll(() => {
  Object.defineProperty(globalThis, 'localStorage', {
    configurable: true,
    value: {
      getItem: (k: string) => kept.get(k) ?? null,
      setItem: (k: string, v: string) => void kept.set(k, v),
      removeItem: (k: string) => void kept.delete(k),
    },
  });
});
beforeEach(() => kept.clear());

function makeProject(id: string, name: string): Project {
  const read = readProject({ format: 'intarsia', version: 1, id, name, members: [{ id: 'a', mark: 'B1' }] });
  if (!read.ok) throw new Error('bad');
  return read.project;
}

describe('what was not saved when the page was left', () => {
  test('it is there when the project is opened again', async () => {
    await saveProject(makeProject('u1', 'saved'), 0);
    keepUnsaved(makeProject('u1', 'typed last'), [1]);
    expect(await loadProject('u1')).toMatchObject({ ok: true, revision: 1, project: { name: 'typed last' } });
  });
  test('it gives way to what was saved after it', async () => {
    await saveProject(makeProject('u2', 'saved'), 0);
    keepUnsaved(makeProject('u2', 'typed last'), [1]);
    await saveProject(makeProject('u2', 'saved later'), 1);
    expect(await loadProject('u2')).toMatchObject({ ok: true, revision: 2, project: { name: 'saved later' } });
  });
  test('while a save is under way it follows that one too', async () => {
    await saveProject(makeProject('u3', 'first'), 0);
    keepUnsaved(makeProject('u3', 'typed last'), [1, 2]);
    await saveProject(makeProject('u3', 'was under way'), 1);
    expect(await loadProject('u3')).toMatchObject({ project: { name: 'typed last' } });
  });
  test('a torn or foreign text is passed over, and deleting takes it along', async () => {
    await saveProject(makeProject('u4', 'saved'), 0);
    kept.set('intarsia/unsaved/u4', '{"follows":[1],"te');
    expect(await loadProject('u4')).toMatchObject({ project: { name: 'saved' } });
    kept.set('intarsia/unsaved/u4', JSON.stringify({ follows: [1], text: '{"format":"other"}' }));
    expect(unsavedAfter('u4', 1)).toBeUndefined();
    await deleteProject('u4');
    expect(kept.size).toBe(0);
  });
  test('a browser that keeps nothing stops nothing', () => {
    const refuse = () => {
      throw new Error('denied');
    };
    Object.defineProperty(globalThis, 'localStorage', {
      configurable: true,
      value: { getItem: refuse, setItem: refuse, removeItem: refuse },
    });
    expect(() => keepUnsaved(makeProject('u5', 'x'), [0])).not.toThrow();
    expect(() => forgetUnsaved('u5')).not.toThrow();
    expect(unsavedAfter('u5', 0)).toBeUndefined();
  });
});
