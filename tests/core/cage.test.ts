import { cageDrawing } from '@/core/members/beam/drawing/cage';
import { outlinePoints } from '@/core/geometry/beam-outline';
import { catalogues } from '@/core/materials/bars';
import { beamCage, type CageBar, type CagePoint } from '@/core/members/beam/cage';
import { outlineOf, supportPositions } from '@/core/members/beam/input';
import { areaOf } from '@/core/reinforcement/bar-groups';
import { designNow } from '@/core/project/design-member';
import { codeOf } from '@/core/members/member';
import type { BeamMember } from '@/core/members/beam/input';
import { readProject } from '@/core/project/read';
import { readFileSync } from 'node:fs';

const read = readProject(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')));
if (!read.ok) throw new Error('the demo is broken');
const demo = read.project;
const beams = demo.members.filter((m): m is BeamMember => m.type === 'beam' && m.mode === 'loads');
const cageOf = (member: BeamMember) => {
  const { steel } = designNow(demo, member);
  const length = supportPositions(member).at(-1)!;
  return { steel: steel!, length, bars: beamCage(member, codeOf(demo, member), steel!, 0, length) };
};
const alongX = (b: CageBar) => Math.abs(b.points[1]![0] - b.points[0]![0]);

describe('the cage of a beam', () => {
  it.each(beams.map((b) => [b.mark, b] as const))('%s: every bar stands inside the cover of the links', (_mark, beam) => {
    const { bars } = cageOf(beam);
    const lowest = Math.min(...bars.flatMap((b) => b.points.map((p) => p[2] - b.diameter / 2)));
    expect(lowest).toBeGreaterThanOrEqual(beam.cover.bottom - 0.01);
    for (const bar of bars)
      for (const [, y, z] of bar.points) {
        const { b, h } = beam.section;
        expect(Math.abs(y) + bar.diameter / 2).toBeLessThanOrEqual(b / 2 - beam.cover.side + 0.01);
        expect(z + bar.diameter / 2).toBeLessThanOrEqual(h - beam.cover.top + 0.01);
      }
  });

  it('at midspan it has the area of the bars there, and as many links as the zones hold', () => {
    const beam = beams.find((b) => b.mark === 'G2')!;
    const { steel, bars } = cageOf(beam);
    const catalogue = catalogues[beam.catalogue];
    const x = beam.spans[0]!.length / 2;
    const bottom = bars.filter((b) => b.kind === 'bar' && b.points[0]![0] <= x && b.points[1]![0] > x && b.points[0]![2] < 275);
    const area = bottom.reduce((sum, b) => sum + (Math.PI * b.diameter ** 2) / 4, 0);
    const { main, extra } = steel.bottom[0]!;
    expect(area / areaOf([main, ...(extra ? [extra.bars] : [])], catalogue)).toBeCloseTo(1, 2);
    const first = steel.links[0]!;
    let from = 0;
    const wanted = first.reduce((sum, z) => {
      const n = Math.round((z.to - from) / z.spacing);
      from = z.to;
      return sum + n;
    }, 0);
    const closed = bars.filter((b) => b.kind === 'link' && b.points.length === 5 && b.points[0]![0] < beam.spans[0]!.length);
    expect(closed.length).toBe(wanted);
  });

  it('bars along the beam leave no gap: each face is covered over the whole length', () => {
    const beam = beams.find((b) => b.mark === 'G2')!;
    const { bars, length } = cageOf(beam);
    const runs = bars
      .filter((b) => b.kind === 'bar' && alongX(b) > 0 && b.points[0]![2] < 275)
      .map((b) => [b.points[0]![0], b.points[1]![0]]);
    for (let x = 25; x < length; x += 150) expect(runs.some(([a, b]) => a! <= x && b! >= x)).toBe(true);
  });

  it('is drawn within its sheet from any side', () => {
    const beam = beams.find((b) => b.mark === 'G2')!;
    const { bars, length } = cageOf(beam);
    const corners = (x: number): CagePoint[] => outlinePoints(outlineOf(beam, 0)).map(([y, z]) => [x, y, z]);
    for (const [turn, tilt] of [
      [0, 0],
      [-0.6, 0.4],
      [2.4, -1.2],
      [1.57, 1.5],
    ] as const) {
      const { shapes } = cageDrawing({ bars, ends: [corners(0), corners(length)], turn, tilt }, 700, 500);
      expect(shapes.length).toBeGreaterThan(bars.length);
      for (const s of shapes)
        for (const [x, y] of s.kind === 'path' ? s.points : [s.at]) {
          expect(x).toBeGreaterThan(-1);
          expect(x).toBeLessThan(701);
          expect(y).toBeGreaterThan(-1);
          expect(y).toBeLessThan(501);
        }
    }
  });
});
