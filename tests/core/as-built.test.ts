import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { cageDrawing } from '@/core/drawing/cage-drawing';
import { isInside } from '@/core/geometry/polygon';
import { catalogues } from '@/core/materials/bars';
import type { BeamMember } from '@/core/members/beam/input';
import { supportPositions } from '@/core/members/beam/input';
import { barsCut } from '@/core/members/beam/model';
import { elevationDrawing } from '@/core/members/beam/drawing/elevation';
import { anchorageLengths } from '@/core/members/beam/resistance';
import { SteelMap } from '@/core/members/beam/steel';
import type { Member } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import { bentThrough, closedLink, countOf, dimensionsOf, hookedLeg, massOfSet, roundLink } from '@/core/model/bar-set';
import { cageBetween } from '@/core/model/cage';
import { lengthAlong, moved, piecesOf, pointsAlong, type Corner, type Place } from '@/core/model/centre-line';
import { memberSchedule, modelOf } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import { areaOf } from '@/core/reinforcement/bar-groups';
import { outlineOf, prepareBeam } from '@/core/members/beam/prepared';

function demo(name: string): Project {
  const read = readProject(JSON.parse(readFileSync(`examples/${name}.intarsia`, 'utf8')));
  if (!read.ok) throw new Error('the demo is broken');
  return read.project;
}
const demos = [demo('alderlight-playhouse'), demo('alderlight-annex-us')];
const every = demos.flatMap((project) => project.members.map((member) => [member.mark, project, member] as const));

describe('the centre line of a bar', () => {
  it('by hand: legs of 400 and 1000 with an arc of radius 50 are 2 x 50 shorter by the corner and pi/2 x 50 longer by the arc', () => {
    const corners = bentThrough(
      [
        [0, 0, 400],
        [0, 0, 0],
        [1000, 0, 0],
      ],
      50,
    );
    expect(lengthAlong(corners)).toBeCloseTo(1400 - 100 + (Math.PI / 2) * 50, 9);
    const [down, arc, along] = piecesOf(corners);
    expect(down).toMatchObject({ kind: 'line', to: [0, 0, expect.closeTo(50, 9)] });
    expect(arc).toMatchObject({ kind: 'arc', radius: 50, to: [expect.closeTo(50, 9), 0, 0] });
    expect((arc as { centre: Place }).centre.map((v) => Math.round(v * 1e6) / 1e6)).toEqual([50, 0, 50]);
    expect(along).toMatchObject({ kind: 'line', to: [1000, 0, 0] });
  });

  it('a round link of radius 150 is a circle, 2 pi 150 long', () => {
    expect(lengthAlong(roundLink(150, 0, 20, 0))).toBeCloseTo(2 * Math.PI * 150, 6);
    // With hooks: the circle, and at each end 135 degrees about 20 and 80 straight; the bends join the circle without a corner.
    expect(lengthAlong(roundLink(150, 0, 20, 80))).toBeCloseTo(2 * Math.PI * 150 + 2 * (0.75 * Math.PI * 20 + 80), 6);
    for (const p of pointsAlong(roundLink(150, 0, 20, 80))) expect(Math.hypot(p[0], p[1])).toBeLessThan(150 + 1e-6);
    for (const p of pointsAlong(roundLink(150, 0, 20, 0))) expect(Math.hypot(p[0], p[1])).toBeCloseTo(150, 6);
  });

  it('a link of 8 mm, 432 x 232 on its axis, radius 20, hooks 50: four sides, three bends by 90 and two by 135 degrees', () => {
    const link = closedLink(
      [
        [0, 0, 432],
        [0, 0, 0],
        [0, 232, 0],
        [0, 232, 432],
      ],
      20,
      50,
    );
    const right = 2 * 20 - (Math.PI / 2) * 20;
    // The tangents of a bend by 135 degrees that lie in the sides; those in the hooks lie beyond their 50 mm.
    const hook = 50 + (3 * Math.PI * 20) / 4 - 20 * Math.tan((3 * Math.PI) / 8);
    expect(lengthAlong(link)).toBeCloseTo(2 * (432 + 232) - 3 * right + 2 * hook, 6);
  });

  it('arcs keep their radius, pieces join, and their lengths add up (property)', () => {
    const place = fc.tuple(...([0, 1, 2] as const).map(() => fc.double({ min: -1, max: 1, noNaN: true })));
    fc.assert(
      fc.property(fc.array(place, { minLength: 2, maxLength: 5 }), fc.double({ min: 1, max: 60, noNaN: true }), (steps, radius) => {
        // Sides long enough for their bends, turns of less than 150 degrees.
        let at: Place = [0, 0, 0];
        let way: Place = [1, 0, 0];
        const points: Place[] = [at];
        for (const s of steps) {
          const size = Math.hypot(...s);
          const next: Place = size < 0.2 ? way : [s[0]! / size, s[1]! / size, s[2]! / size];
          if (next[0] * way[0] + next[1] * way[1] + next[2] * way[2] > -0.8) way = next;
          points.push((at = moved(at, [900 * way[0], 900 * way[1], 900 * way[2]])));
        }
        const corners = bentThrough(points, radius);
        const pieces = piecesOf(corners);
        pieces.slice(1).forEach((p, i) => p.from.forEach((v, k) => expect(v).toBeCloseTo(pieces[i]!.to[k]!, 6)));
        for (const p of pieces)
          if (p.kind === 'arc')
            for (const end of [p.from, p.to]) expect(Math.hypot(...end.map((v, k) => v - p.centre[k]!))).toBeCloseTo(radius, 5);
        const sum = pieces.reduce(
          (s, p) => s + (p.kind === 'arc' ? p.radius * p.angle : Math.hypot(...p.to.map((v, k) => v - p.from[k]!))),
          0,
        );
        expect(sum).toBeCloseTo(lengthAlong(corners), 5);
        expect(lengthAlong(corners)).toBeLessThanOrEqual(900 * steps.length + 1e-6);
      }),
    );
  });
});

describe('what is built adds up', () => {
  it.each(every)('%s: schedule, amounts and bars in space are the same bars', (_mark, project, member) => {
    const result = designNow(project, member);
    const { bars, concrete } = modelOf(project, member, result);
    const { items, mass } = memberSchedule({ ...project, bends: 'iso' }, member, result);
    for (const item of items) {
      const sets = bars.filter((b) => b.mark === item.mark);
      expect(item.count).toBeCloseTo(
        sets.reduce((sum, b) => sum + (b.share ?? 1) * countOf(b), 0),
        2,
      );
      for (const set of sets) {
        expect(set.bar.name).toBe(item.size);
        dimensionsOf(set).forEach((v, k) => expect(Math.abs(v - item.dimensions[k]!)).toBeLessThan(1));
        // Cut lengths are rounded up by a step, and allow for bends by the rule of their practice.
        const slack = set.bend === 'straight' ? 0.5 : 6 * set.bar.diameter;
        expect(item.length - lengthAlong(set.corners)).toBeGreaterThan(-slack);
        expect(item.length - lengthAlong(set.corners)).toBeLessThan(26 + slack);
      }
    }
    expect(items.reduce((n, k) => n + k.count, 0)).toBeCloseTo(
      bars.reduce((n, b) => n + (b.share ?? 1) * countOf(b), 0),
      1,
    );
    if (bars.length === 0) return;
    const q = result.quantities!;
    expect(q.bars + q.links).toBeCloseTo(
      bars.reduce((sum, b) => sum + massOfSet(b), 0),
      6,
    );
    expect(mass / (q.bars + q.links)).toBeGreaterThan(0.97);
    expect(mass / (q.bars + q.links)).toBeLessThan(1.12);
    if (concrete.length > 0) expect(q.concrete).toBeGreaterThan(0);
  });

  it.each(every)('%s: every bar stands in the concrete', (_mark, project, member) => {
    const { bars, concrete } = modelOf(project, member, designNow(project, member));
    const upright = concrete.find((p) => p.along === 'z');
    for (const { corners, shifts, bar } of bars)
      for (const p of pointsAlong(corners))
        for (const s of [shifts[0]!, shifts[shifts.length - 1]!]) {
          const [x, y, z] = moved(p, s);
          // Slabs hang from their upper face.
          if (upright && upright.from >= 0) {
            // Horizontal bars of a metre of wall end at its sides.
            expect(isInside([0.9999 * x, y], upright.outline)).toBe(true);
            expect(z >= upright.from - 1e-6 && z <= upright.to + 1e-6).toBe(true);
          } else if (upright) {
            expect(z - bar.diameter / 2 >= upright.from && z + bar.diameter / 2 <= upright.to).toBe(true);
          } else {
            const near = concrete.find((c) => x <= c.to + 1e-6) ?? concrete[concrete.length - 1];
            if (near) expect(isInside([y, z], near.outline)).toBe(true);
          }
        }
  });
});

const beamsOf = (project: Project) => project.members.filter((m): m is BeamMember => m.type === 'beam' && m.mode === 'loads');
const beams = demos.flatMap((project) => beamsOf(project).map((beam) => [beam.mark, project, beam] as const));

describe('bars of a beam', () => {
  it.each(beams)('%s: a cut meets the bars that are counted there, at their depth', (_mark, project, beam) => {
    const code = codeOf(project, beam);
    const result = designNow(project, beam);
    const model = modelOf(project, beam, result);
    const prepared = prepareBeam(beam, code);
    const map = new SteelMap(prepared, result.steel!, code, anchorageLengths(prepared, code, { catalogue: catalogues[beam.catalogue] }));
    const starts = supportPositions(beam);
    beam.spans.forEach((s, span) => {
      for (let k = 0; k < 21; k += 1) {
        const x = starts[span]! + ((k + 0.5) / 21) * s.length;
        for (const face of ['bottom', 'top'] as const) {
          const here = map.barsAt(face, span, x);
          const cut = barsCut(model, x, (set) => set.face === face && of(set.source, here.over, span, here.groups.length > 1));
          const placed = map.placement(here);
          expect(cut.length).toBe(placed.bars.length);
          expect(cut.reduce((sum, c) => sum + c.set.bar.area, 0)).toBeCloseTo(areaOf(here.groups, map.catalogue), 6);
          const { h } = outlineOf(prepared, span);
          const depths = (list: number[]) => list.map((v) => Math.round(v * 100) / 100).sort((a, b) => a - b);
          expect(depths(cut.map((c) => (face === 'top' ? -c.at[2] : h + c.at[2])))).toEqual(depths(placed.bars.map((b) => b.fromFace)));
        }
      }
    });
  });

  function of(source: object | null, over: number | null, span: number, isExtraCounted: boolean): boolean {
    const s = source as { of: string; span?: number; support?: number };
    if (s.of === 'over') return over !== null && s.support === over;
    if (s.of === 'top') return over === null && s.span === span;
    return s.span === span && (s.of !== 'extra' || isExtraCounted);
  }

  it.each(beams)('%s: as many links are drawn from the side as are cut, none further apart than their spacing', (_mark, project, beam) => {
    const result = designNow(project, beam);
    const { bars } = modelOf(project, beam, result);
    const drawing = elevationDrawing(
      { beam, steel: result.steel, bars, units: 'SI', barLabel: () => '' },
      { width: 800, left: 60, right: 780 },
    );
    const outer = bars.filter((b) => b.bend === 'link' && !/^inner/.test(b.zone));
    expect(drawing.shapes.filter((s) => s.kind === 'path' && s.line === 'link')).toHaveLength(outer.reduce((n, b) => n + countOf(b), 0));
    const xs = outer.flatMap((b) => b.shifts.map((s) => b.corners[1]!.at[0] + s[0])).sort((a, b) => a - b);
    const widest = Math.max(...result.steel!.links.flat().map((z) => z.spacing));
    xs.slice(1).forEach((x, i) => expect(x - xs[i]!).toBeLessThanOrEqual(widest + 1e-6));
    const cage = cageBetween(outer, -Infinity, Infinity);
    expect(cage).toHaveLength(xs.length);
  });

  const g2 = beams.find(([mark]) => mark === 'G2')!;
  it('leave no gap: each face is covered over the whole length, and neighbours lap over supports', () => {
    const [, project, beam] = g2;
    const { bars } = modelOf(project, beam, designNow(project, beam));
    const length = supportPositions(beam).at(-1)!;
    const runs = (face: string) => bars.filter((b) => b.face === face).map((b) => b.corners.map((c) => c.at[0]));
    for (const face of ['top', 'bottom'])
      for (let x = 25; x < length; x += 50) expect(runs(face).some((xs) => Math.min(...xs) <= x && Math.max(...xs) >= x)).toBe(true);
    const at = supportPositions(beam)[1]!;
    const meet = bars.filter((b) => b.face === 'bottom' && Math.min(...b.corners.map((c) => c.at[0])) < at - 100);
    expect(meet.some((b) => Math.max(...b.corners.map((c) => c.at[0])) > at + 100)).toBe(true);
  });

  it('what the check of a bent end counts on is the length of the drawn bar from the face of the support', () => {
    const [, project, beam] = g2;
    const result = designNow(project, beam);
    const bar = modelOf(project, beam, result).bars.find((b) => b.zone === 'bottom, span 3')!;
    expect(bar.bend).toBe('L');
    const end = supportPositions(beam).at(-1)!;
    const face = end - beam.supports.at(-1)!.width / 2;
    const check = result.checks.find((c) => c.id === 'anchorage-D')!;
    expect(check.capacity!.value).toBeCloseTo(lengthAlong(bar.corners) - (face - bar.corners[0]!.at[0]), 6);
    // By hand: 250 - 30 to the outside, a leg of 550 - 30 - 30 - 8 = 482, less a diameter of 20 and (2 - pi/2) (140 + 20)/2 round the bend.
    expect(check.capacity!.value).toBeCloseTo(220 + 482 - 20 - (2 - Math.PI / 2) * 80, 6);
  });

  it('a cage cut to a stretch stays within it and is drawn within its sheet from any side', () => {
    const [, project, beam] = g2;
    const { bars, concrete } = modelOf(project, beam, designNow(project, beam));
    const cage = cageBetween(bars, 2000, 5000);
    for (const bar of cage) for (const [x] of bar.points) expect(x >= 2000 && x <= 5000).toBe(true);
    const corners = (x: number): Place[] => concrete[0]!.outline.outer.map(([y, z]) => [x, y, z]);
    for (const [turn, tilt] of [
      [0, 0],
      [-0.6, 0.4],
      [2.4, -1.2],
      [1.57, 1.5],
    ] as const) {
      const { shapes } = cageDrawing({ bars: cage, ends: [corners(2000), corners(5000)], turn, tilt }, 700, 500);
      expect(shapes.length).toBeGreaterThan(cage.length);
      for (const s of shapes)
        for (const [x, y] of s.kind === 'path' ? s.points : [s.at]) expect(x > -1 && x < 701 && y > -1 && y < 501).toBe(true);
    }
  });
});

describe('links with more legs', () => {
  it('three legs are a closed link and a single one with hooks; five have an inner link as well', () => {
    const read = (legs: number) => {
      const got = readProject({
        format: 'intarsia',
        version: 1,
        code: { id: 'en1992', variant: 'uk' },
        members: [
          {
            section: { b: 500, h: 600 },
            spans: [{ length: 5000 }],
            supports: [{ width: 300 }, { width: 300 }],
            cases: [{ id: 'G', nature: 'permanent' }],
            loads: [{ type: 'uniform', case: 'G', value: 60 }],
            bars: { links: [{ zones: [{ to: 5000, size: '8', legs, spacing: 200 }] }] },
          },
        ],
      });
      if (!got.ok) throw new Error('faults');
      const member = got.project.members[0] as Member;
      return modelOf(got.project, member, designNow(got.project, member)).bars.filter((b) => b.role === 'link');
    };
    const legsOf = (corners: readonly Corner[]) => new Set(corners.slice(1, -1).map((c) => Math.round(c.at[1]))).size;
    for (const legs of [2, 3, 4, 5, 6]) {
      const sets = read(legs);
      expect(sets.reduce((n, s) => n + legsOf(s.corners), 0)).toBe(legs);
      for (const s of sets) expect(countOf(s)).toBe(25);
    }
    expect(read(5).map((s) => s.bend)).toEqual(['link', 'link', 'leg']);
  });

  it('a leg with hooks: its length is that between its outsides and two bends with their hooks', () => {
    const corners = hookedLeg([0, 0, 0], [0, 0, 400], [0, 1, 0], 20, 60);
    const bend = 20 * ((3 * Math.PI) / 4) - 20 * Math.tan((3 * Math.PI) / 8);
    expect(lengthAlong(corners)).toBeCloseTo(400 + 2 * (60 + bend), 6);
  });
});
