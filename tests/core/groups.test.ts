import { produce, type Draft } from 'immer';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { designNow } from '@/core/project/design-member';
import { companions, groupOf, shareInGroups } from '@/core/project/groups';
import type { BeamResult } from '@/core/members/beam/result';
import { projectOf } from '../ui/fixtures';

/** Three beams of one group under different loads and spans. */
function grouped(more: Record<string, unknown>[] = []): Project {
  const base = projectOf().members[0] as BeamMember;
  const beam = (id: string, q: number, spans = [6000, 6000]) => ({
    ...base,
    id,
    mark: id,
    group: 'E',
    spans: spans.map((length) => ({ length, section: {}, camber: 0 })),
    loads: base.loads.map((l) => (l.case === 'Q' ? { ...l, value: q } : l)) as BeamMember['loads'],
  });
  const members = [beam('a', 5), beam('b', 40), beam('c', 20, [5000, 6500])] as BeamMember[];
  return { ...projectOf(), members: members.map((m, i) => ({ ...m, ...more[i] })) };
}
const design = (project: Project, id: string) =>
  designNow(project, project.members.find((m) => m.id === id) as BeamMember, []) as BeamResult;
const alone = (project: Project, id: string) =>
  designNow({ ...project, members: [] }, project.members.find((m) => m.id === id) as BeamMember);

describe('beams of one group', () => {
  const project = grouped();
  const results = ['a', 'b', 'c'].map((id) => design(project, id));
  const own = ['a', 'b', 'c'].map((id) => alone(project, id) as BeamResult);

  test('have the same bars: at each place the most that any of them needs', () => {
    for (const r of results) {
      expect(r.steel!.bottom.map((b) => b.main)).toEqual(results[0]!.steel!.bottom.map((b) => b.main));
      expect(r.steel!.support.map((s) => s?.bars)).toEqual(results[0]!.steel!.support.map((s) => s?.bars));
      expect(r.steel!.links[0]!.map((z) => [z.size, z.spacing])).toEqual(results[0]!.steel!.links[0]!.map((z) => [z.size, z.spacing]));
    }
    expect(results[0]!.steel!.bottom[0]!.main).not.toEqual(own[0]!.steel!.bottom[0]!.main);
  });
  test('nothing fails that holds alone, and none is used more than it was alone in bending and shear', () => {
    results.forEach((r, i) => {
      // What fails alone, deflection of the heavily loaded one, fails here too; nothing else.
      const over = (x: BeamResult) => x.checks.filter((c) => c.status === 'exceeds').map((c) => c.id);
      expect(over(own[i]!)).toEqual(expect.arrayContaining(over(r)));
      for (const family of ['bending', 'shear'] as const) {
        const worst = (x: BeamResult) =>
          Math.max(...x.checks.filter((c) => c.family === family && /^(bending|shear-(left|right))/.test(c.id)).map((c) => c.utilisation!));
        expect(worst(r)).toBeLessThanOrEqual(worst(own[i]!) * 1.005);
      }
    });
  });
  test('steel at every station is not less than what each needs alone', () => {
    results.forEach((r, i) => {
      const [shared, single] = [r.strips!, own[i]!.strips!];
      const at = (x: number) => single.x.findIndex((v) => Math.abs(v - x) < 1);
      shared.x.forEach((x, k) => {
        const n = at(x);
        if (n >= 0) expect(shared.providedBottom[k]!).toBeGreaterThanOrEqual(0.97 * single.providedBottom[n]! - 1);
      });
    });
  });
  test('one beam more loaded makes the others’ bars follow; a beam with other spans shares only the section', () => {
    const heavier = produce(project, (p) => void ((p.members[1] as never as { loads: { value: number }[] }).loads[1]!.value = 60));
    expect(design(heavier, 'a').steel!.bottom[0]!.main).not.toEqual(results[0]!.steel!.bottom[0]!.main);
    const other = grouped([
      {},
      {},
      {
        spans: [{ length: 5000, section: {} }],
        supports: projectOf().members[0]!.type === 'beam' ? (projectOf().members[0] as BeamMember).supports.slice(0, 2) : [],
      },
    ]);
    expect(groupOf(other.members, other.members[0]!).map((m) => m.id)).toEqual(['b', 'c']);
    expect(companions(other.members, other.members[0]!).map((m) => m.id)).toEqual(['b']);
  });
});

describe('what a group shares follows the beam that is changed', () => {
  const project = grouped();
  const beams = (p: Project) => p.members as BeamMember[];
  test('section, cover and bars of one become those of all; loads and spans stay', () => {
    const after = shareInGroups(
      project,
      produce(project, (p) => {
        const b = p.members[2]!;
        if (b.type === 'beam') [b.section.h, b.bars.bottom[0]!.main] = [600, { count: 4, size: '25' }];
      }),
    );
    expect(beams(after).map((b) => [b.section.h, b.bars.bottom[0]!.main?.size])).toEqual(Array(3).fill([600, '25']));
    expect(beams(after).map((b) => b.spans[0]!.length)).toEqual([6000, 6000, 5000]);
    expect(beams(after)[0]!.loads).toBe(beams(project)[0]!.loads);
  });
  test('a newcomer takes what the group has; one that leaves keeps what it has', () => {
    const apart = grouped([{ group: '', section: { ...beams(project)[0]!.section, b: 250 } }]);
    const joined = shareInGroups(
      apart,
      produce(apart, (p) => void ((p.members[0] as Draft<BeamMember>).group = 'E')),
    );
    expect(beams(joined)[0]!.section.b).toBe(300);
    const left = produce(joined, (p) => {
      const beam = p.members[0] as Draft<BeamMember>;
      beam.group = '';
      beam.section.b = 400;
    });
    expect(shareInGroups(joined, left)).toBe(left);
  });
  test('a change that is no beam’s, or of a beam in no group, changes nothing else', () => {
    const renamed = { ...project, name: 'x' };
    expect(shareInGroups(project, renamed)).toBe(renamed);
    const single = projectOf();
    const next = produce(single, (p) => void (p.members[0]!.mark = 'Z'));
    expect(shareInGroups(single, next)).toBe(next);
  });
});
