import { makeCode } from '@/core/codes/registry';
import { beamSectionPicture } from '@/core/members/beam/drawing/section-picture';
import { sectionDrawing } from '@/core/members/beam/drawing/section';
import { outlineProperties } from '@/core/geometry/polygon';
import { beamInSpace } from '@/core/members/beam/model';
import { designBeam } from '@/core/members/beam/design-beam';
import { sectionState } from '@/core/members/beam/section-state';
import { sectionLabels } from '@/core/members/beam/labels';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { BeamMember } from '@/core/members/beam/input';
import { readProject } from '@/core/project/read';

const outline = [
  [-150, 0],
  [150, 0],
  [150, 500],
  [-150, 500],
] as const;
const q = { outline, toBar: 50, toLink: 39, realWall: Infinity };
const areaOf = (loop: readonly (readonly [number, number])[]) => outlineProperties({ outer: loop, holes: [] }).area;

function beam(torque: boolean, code: object = { id: 'en1992', variant: 'uk' }): { project: Project; member: BeamMember } {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code,
    members: [
      {
        section: { b: 300, h: 500 },
        spans: [{ length: 6000 }],
        supports: [{ width: 300 }, { width: 300 }],
        cases: [{ id: 'G', nature: 'permanent' }],
        loads: [{ type: 'uniform', case: 'G', value: 20 }, ...(torque ? [{ type: 'torque', case: 'G', value: 5 }] : [])],
        ...((code as { id: string }).id === 'aci318'
          ? { catalogue: 'softMetric', materials: { steelStrength: 420, linkStrength: 420 } }
          : {}),
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return { project: read.project, member: read.project.members[0] as BeamMember };
}

function picture({ project, member }: ReturnType<typeof beam>) {
  const code = codeOf(project, member);
  const result = designBeam(member, code, { derive: [], units: 'SI' });
  const { steel } = result;
  const state = sectionState(member, code, steel!, 3000, 'sagging');
  return {
    state,
    drawing: sectionDrawing(
      beamSectionPicture(member, state, beamInSpace(member, code, result), 3000, 0, sectionLabels(project)),
      190,
      200,
    ),
  };
}

describe('what works in torsion is drawn', () => {
  it('EN 6.3.2(1) by hand: 300 x 500 with bars 50 from the edge', () => {
    // A/u = 150 000 / 1600 = 93.75 mm, at least 2 x 50 = 100 mm: Ak = 200 x 400, the inside 100 x 300
    const wall = makeCode({ id: 'en1992', variant: 'uk', choices: {} }).torsion.wall(q);
    expect(wall.thickness).toBeCloseTo(100, 9);
    expect(areaOf(wall.axis)).toBeCloseTo(80_000, 6);
    expect(areaOf(wall.inner!)).toBeCloseTo(30_000, 6);
  });
  it('walls that meet leave no inside', () => {
    const wall = makeCode({ id: 'en1992', variant: 'uk', choices: {} }).torsion.wall({ ...q, toBar: 80 });
    expect(wall.thickness).toBeCloseTo(160, 9);
    expect(wall.inner).toBeNull();
  });
  it('ACI 22.7.6.1.1 by hand: within the axis of the stirrups', () => {
    // (300 - 78) x (500 - 78) = 93 684
    const wall = makeCode({ id: 'aci318', variant: 'SI', choices: {} }).torsion.wall(q);
    expect(areaOf(wall.axis)).toBeCloseTo(93_684, 6);
    expect([wall.inner, wall.thickness]).toEqual([null, null]);
  });
  it.each([
    ['EN', { id: 'en1992', variant: 'uk' }, /^torsion: wall \d+/],
    ['ACI', { id: 'aci318', variant: 'SI' }, /^torsion: within the links$/],
  ])('%s: in the section of a beam with torques, inside its concrete, and in no other', (_name, code, label) => {
    const { state, drawing } = picture(beam(true, code));
    expect(areaOf(state.torsionWall!.axis)).toBeLessThan(150_000);
    expect(drawing.shapes.some((s) => s.kind === 'text' && label.test(s.text))).toBe(true);
    expect(drawing.shapes.some((s) => s.kind === 'path' && s.line === 'nominal')).toBe(true);
    const plain = picture(beam(false, code));
    expect(plain.state.torsionWall).toBeNull();
    expect(plain.drawing.shapes.some((s) => s.kind === 'text' && s.text.startsWith('torsion'))).toBe(false);
  });
});
