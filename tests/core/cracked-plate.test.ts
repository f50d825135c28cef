import fc from 'fast-check';
import { crackedPlate, noMemory, type CrackedState, type TwistCounts } from '@/core/analysis/plates/cracked-plate';
import { atCurvature, leastShare, type BentWidth } from '@/core/analysis/plates/bent-width';
import { meshOf, type PlateMesh } from '@/core/analysis/plates/mesh';
import type { Piece } from '@/core/analysis/plates/mesh-lines';
import { addPressure, noLoads } from '@/core/analysis/plates/plate-loads';
import { onSofterMembers, plateStructure } from '@/core/analysis/plates/plate-model';
import { supportsOf, type ColumnHead, type LineSupport } from '@/core/analysis/plates/supports';
import { evenRigidity } from '@/core/analysis/plates/triangle';
import { box, isInsideLoop, type Point } from '@/core/geometry/polygon';
import { cracked, uncracked } from '@/core/section/elastic-section';
import { crackedPart, meanCurvature, type SectionStiffness } from '@/core/section/mean-curvature';
import { referenceCases } from './reference';

const cases = referenceCases('analysis');
const ES = 200_000;

/** Area (mm2/m) and depth from the upper face (m m): of a layer. */
type Layer = readonly [area: number, depth: number];
interface Stage {
  readonly q_kN_per_m2: number;
  readonly Ecm_MPa: number;
  readonly fct_MPa: number;
  readonly phi: number;
  readonly beta: number;
  readonly eps_cs: number;
}

/** A millimetre of slab bent either way, by its bars at both faces. */
function widthOf(h: number, bottom: Layer, top: Layer, s: Stage): BentWidth {
  const E = s.Ecm_MPa / (1 + s.phi);
  const alpha = ES / E;
  const layers = [bottom, top].map(([area, depth]) => ({ depth, area: area / 1000 }));
  const sense = (turned: boolean): SectionStiffness => {
    const section = {
      h,
      strips: [{ from: 0, to: h, width: 1 }],
      layers: layers.map((l) => ({ ...l, depth: turned ? h - l.depth : l.depth })),
    };
    const [first, second] = [uncracked(section, alpha, true), cracked(section, alpha, true)!];
    return {
      crackingMoment: (s.fct_MPa * h ** 2) / 6,
      beta: s.beta,
      uncracked: E * first.inertia,
      cracked: E * second.inertia,
      shrinkageUncracked: (s.eps_cs * alpha * first.steelMoment) / first.inertia,
      shrinkageCracked: (s.eps_cs * alpha * second.steelMoment) / second.inertia,
    };
  };
  return { sagging: sense(false), hogging: sense(true) };
}

interface Slab {
  readonly mesh: PlateMesh;
  readonly h: number;
  readonly poisson: number;
  readonly lines: readonly LineSupport[];
  readonly columns: readonly ColumnHead[];
  readonly bars: (along: 'x' | 'y', at: Point) => { readonly bottom: Layer; readonly top: Layer };
  readonly twist?: TwistCounts;
}

const middle = ({ at, triangles }: PlateMesh, e: number): Point => {
  const mean = (k: number) => [0, 1, 2].reduce((sum, c) => sum + at[2 * triangles[3 * e + c]! + k]! / 3, 0);
  return [mean(0), mean(1)];
};

const ended = (steps: Generator<number, CrackedState, void>): CrackedState => {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
};

/** The slab at its stages one after another; what cracked stays cracked. */
function history(slab: Slab, stages: readonly Stage[]): CrackedState[] {
  const { mesh, h } = slab;
  let memory = noMemory(mesh);
  return stages.map((stage) => {
    const known = new Map<string, BentWidth>();
    const width = (e: number, along: 'x' | 'y') => {
      const bars = slab.bars(along, middle(mesh, e));
      const key = JSON.stringify(bars);
      if (!known.has(key)) known.set(key, widthOf(h, bars.bottom, bars.top, stage));
      return known.get(key)!;
    };
    const all = Array.from({ length: mesh.triangles.length / 3 }, (_, e) => ({ x: width(e, 'x'), y: width(e, 'y') }));
    const elastic = evenRigidity(stage.Ecm_MPa, slab.poisson, h);
    const structure = onSofterMembers(
      plateStructure(mesh, () => elastic, supportsOf(mesh, slab.lines, slab.columns, elastic.bending[0])),
      1 / (1 + stage.phi),
    );
    const loads = noLoads(structure.heads.isHeld.length);
    addPressure(loads, mesh, () => stage.q_kN_per_m2 * 1e-3);
    const done = ended(
      crackedPlate({
        structure,
        elastic: () => elastic,
        poisson: slab.poisson,
        width: (e, along) => all[e]![along],
        twist: slab.twist ?? 'own',
        loads,
        memory,
      }),
    );
    memory = done.memory;
    return done;
  });
}

const deflectionAt = ({ mesh }: Slab, { state }: CrackedState, [x, y]: Point): number => {
  let best = 0;
  for (let n = 1; n < mesh.at.length / 2; n += 1)
    if (Math.hypot(mesh.at[2 * n]! - x, mesh.at[2 * n + 1]! - y) < Math.hypot(mesh.at[2 * best]! - x, mesh.at[2 * best + 1]! - y)) best = n;
  return state.moved[3 * best]!;
};

const edgesOf = (lx: number, ly: number, how: readonly ('simple' | 'free')[]): LineSupport[] =>
  box(0, 0, lx, ly).flatMap((a, k, all): LineSupport[] =>
    how[k] === 'simple' ? [{ piece: [a, all[(k + 1) % 4]!] as Piece, how: 'simple' }] : [],
  );

describe('cracked plates, worked out elsewhere', () => {
  test('CR-13: a panel on four simple edges, short and long', () => {
    const { inputs, expected } = cases.get('CR-13')! as unknown as { inputs: never; expected: Record<string, number> };
    const i = inputs as {
      lx_m: number;
      ly_m: number;
      h_m: number;
      nu: number;
      reinforcement: { default: Record<string, Layer> };
      stages: Stage[];
    };
    const [lx, ly] = [1000 * i.lx_m, 1000 * i.ly_m];
    const r = i.reinforcement.default;
    const slab: Slab = {
      mesh: meshOf({ outline: { outer: box(0, 0, lx, ly), holes: [] }, lines: [], points: [[lx / 2, ly / 2]], sizeAt: () => 300 }),
      h: 1000 * i.h_m,
      poisson: i.nu,
      lines: edgesOf(lx, ly, ['simple', 'simple', 'simple', 'simple']),
      columns: [],
      bars: (along) => (along === 'x' ? { bottom: r.bx!, top: r.tx! } : { bottom: r.by!, top: r.ty! }),
    };
    const [short, long] = history(slab, i.stages) as [CrackedState, CrackedState];
    const w = [short, long].map((s) => deflectionAt(slab, s, [lx / 2, ly / 2]));
    expect(w[0]! / expected.w_short_mm!).toBeGreaterThan(0.92);
    expect(w[0]! / expected.w_short_mm!).toBeLessThan(1.08);
    expect(w[1]! / expected.w_long_mm!).toBeGreaterThan(0.92);
    expect(w[1]! / expected.w_long_mm!).toBeLessThan(1.08);
    expect([short.isSettled, long.isSettled]).toEqual([true, true]);
    // With the twisting moment in the judgement the corners crack too: about twice as much in the long term (reference notes: 24).
    const withTwist = history({ ...slab, twist: 'bars' }, i.stages)[1]!;
    expect(deflectionAt(slab, withTwist, [lx / 2, ly / 2]) / w[1]!).toBeGreaterThan(1.5);
  });
  test('CR-14: a flat slab of 2 x 2 bays, short and long', () => {
    const { inputs, expected } = cases.get('CR-14')! as unknown as { inputs: never; expected: Record<string, number> };
    type Zone = { x1_m: number; x2_m: number; y1_m: number; y2_m: number; tx: Layer; ty: Layer };
    const i = inputs as {
      lx_m: number;
      ly_m: number;
      h_m: number;
      nu: number;
      columns: { x_m: number; y_m: number; bx_m: number; k_rot_x_kNm_per_rad: number }[];
      reinforcement: { default: Record<string, Layer>; zones: Zone[] };
      points: { x_m: number; y_m: number }[];
      stages: Stage[];
    };
    const r = i.reinforcement;
    const heads = i.columns.map((c) => {
      const [x, y, b] = [1000 * c.x_m, 1000 * c.y_m, 500 * c.bx_m];
      return { outline: box(x - b, y - b, x + b, y + b), at: [x, y] as const, k: c.k_rot_x_kNm_per_rad * 1e6 };
    });
    const around = (loop: readonly Point[]) => loop.map((a, k): Piece => [a, loop[(k + 1) % loop.length]!]);
    const size = 500;
    const points = i.points.map((p): Point => [1000 * p.x_m, 1000 * p.y_m]);
    const slab: Slab = {
      mesh: meshOf({
        outline: { outer: box(0, 0, 15_000, 15_000), holes: [] },
        lines: heads.flatMap((c) => around(c.outline)),
        points,
        sizeAt: (p) => Math.min(size, ...heads.map((c) => 200 + 0.35 * Math.max(0, Math.hypot(p[0] - c.at[0], p[1] - c.at[1]) - 200))),
      }),
      h: 250,
      poisson: i.nu,
      lines: [],
      columns: heads.map((c) => ({ outline: c.outline, at: c.at, turning: [c.k, c.k] })),
      bars: (along, at) => {
        const zone = r.zones.find((z) => isInsideLoop(at, box(1000 * z.x1_m, 1000 * z.y1_m, 1000 * z.x2_m, 1000 * z.y2_m)));
        return {
          bottom: along === 'x' ? r.default.bx! : r.default.by!,
          top: (zone ?? (r.default as unknown as Zone))[along === 'x' ? 'tx' : 'ty'],
        };
      },
    };
    const [short, long] = history(slab, i.stages) as [CrackedState, CrackedState];
    const w = [short, long].map((s) => deflectionAt(slab, s, points[0]!));
    expect(Math.abs(w[0]! / expected.w_short_mm! - 1)).toBeLessThan(0.15);
    expect(Math.abs(w[1]! / expected.w_long_mm! - 1)).toBeLessThan(0.15);
    expect([short.isSettled, long.isSettled]).toEqual([true, true]);
  });
});

const bent: Stage = { q_kN_per_m2: 9, Ecm_MPa: 32_000, fct_MPa: 2.6, phi: 2.4, beta: 0.5, eps_cs: 0.00045 };
const bottom: Layer = [524, 159];
const top: Layer = [262, 33];

/** A strip that spans along x on two edges, without Poisson: a beam. */
const strip = (length: number, bars: { bottom: Layer; top: Layer }, h = 190): Slab => ({
  mesh: meshOf({ outline: { outer: box(0, 0, length, 1000), holes: [] }, lines: [], points: [[length / 2, 500]], sizeAt: () => 125 }),
  h,
  poisson: 0,
  lines: edgesOf(length, 1000, ['free', 'simple', 'free', 'simple']),
  columns: [],
  bars: () => bars,
});

/** Deflection in the middle of a beam on two supports by the curvature of its own moments: the sum of curvature times x / 2 over half the span, twice. */
function asBeam(length: number, q: number, s: SectionStiffness, heavier: number): number {
  const STEPS = 4000;
  const moment = (x: number, w: number) => (w * x * (length - x)) / 2;
  let sum = 0;
  for (let k = 0; k < STEPS; k += 1) {
    const x = ((k + 0.5) / STEPS) * (length / 2);
    sum += meanCurvature(s, moment(x, q), moment(x, heavier)) * (x / 2);
  }
  return 2 * sum * (length / 2 / STEPS);
}

describe('properties of cracked plates', () => {
  test('a width at a curvature has the moment whose mean curvature that is', () => {
    const width = widthOf(190, bottom, top, bent);
    fc.assert(
      fc.property(fc.integer({ min: -3000, max: 3000 }), fc.integer({ min: 0, max: 40_000 }), (size, largest) => {
        const curvature = size * 1e-8;
        const { stiffness, free, zeta } = atCurvature(width, curvature, 0, [largest, largest]);
        const moment = (curvature - free) * stiffness;
        const s = moment >= 0 ? width.sagging : width.hogging;
        const jumps = largest <= s.crackingMoment && Math.abs(Math.abs(moment) - s.crackingMoment) < 1e-6 * s.crackingMoment;
        expect(zeta).toBeGreaterThanOrEqual(0);
        expect(zeta).toBeLessThanOrEqual(1);
        // Within a jump any curvature between both ends has its moment: the one that cracks, or none between both senses of shrinkage.
        const rests = Math.abs(moment) < 1e-6 * s.crackingMoment;
        if (jumps) expect(zeta).toBeLessThanOrEqual(1 - s.beta + 1e-9);
        else if (!rests) {
          // What is remembered below the cracking moment is the part of the width that has cracked; above it the mean is that of beams.
          const part = Math.max(leastShare(s, largest), crackedPart(s, Math.abs(moment)));
          const own = (of: number, shrinks: number) => Math.abs(moment) / of + shrinks;
          const mean = part * own(s.cracked, s.shrinkageCracked) + (1 - part) * own(s.uncracked, s.shrinkageUncracked);
          expect(mean * Math.sign(moment || 1)).toBeCloseTo(curvature, 9);
          if (largest > s.crackingMoment) expect(meanCurvature(s, Math.abs(moment), largest)).toBeCloseTo(mean, 12);
        }
      }),
    );
  });
  test.each([
    ['uncracked', 2, 0],
    ['just cracked', 5, 0],
    ['cracked through', 9, 0],
    ['after a heavier load', 5, 9],
  ])('a strip that spans one way deflects as the beam that it is, within 2 %%: %s', (_, q, heavier) => {
    const slab = strip(5600, { bottom, top });
    const stages = [...(heavier > 0 ? [{ ...bent, phi: 0, beta: 1, eps_cs: 0, q_kN_per_m2: heavier }] : []), { ...bent, q_kN_per_m2: q }];
    const last = history(slab, stages).at(-1)!;
    const wanted = asBeam(5600, q * 1e-3, widthOf(190, bottom, top, bent).sagging, Math.max(q, heavier) * 1e-3);
    // The plate shears besides, by w l2 / 8 over its shear stiffness: about half a per cent here.
    expect(deflectionAt(slab, last, [2800, 500]) / wanted).toBeGreaterThan(0.98);
    expect(deflectionAt(slab, last, [2800, 500]) / wanted).toBeLessThan(1.02);
  });
  test.each(['own', 'bars'] as const)(
    'a stage that is divided in three with the same loads changes nothing, twisting counted as %s',
    (twist) => {
      const slab: Slab = {
        mesh: meshOf({ outline: { outer: box(0, 0, 5000, 4000), holes: [] }, lines: [], points: [[2500, 2000]], sizeAt: () => 400 }),
        h: 190,
        poisson: 0.2,
        lines: edgesOf(5000, 4000, ['simple', 'simple', 'simple', 'free']),
        columns: [],
        bars: () => ({ bottom, top }),
        twist,
      };
      const at = (s: CrackedState) => deflectionAt(slab, s, [2500, 2000]);
      // Some of its triangles stand at the jump with which cracking begins.
      const stages = history(
        slab,
        [16, 16, 16].map((q) => ({ ...bent, q_kN_per_m2: q })),
      );
      const partly = [...stages[0]!.cracked.x, ...stages[0]!.cracked.y].filter((z) => z > 0.01 && z < 0.49).length;
      expect(partly).toBeGreaterThan(10);
      for (const later of stages.slice(1)) expect(Math.abs(at(later) / at(stages[0]!) - 1)).toBeLessThan(0.01);
      expect(stages.map((s) => s.isSettled)).toEqual([true, true, true]);
    },
  );
  test('reactions balance the loads; more load bends it more, more steel less; what cracked stays cracked', () => {
    const slab = strip(5600, { bottom, top });
    const [light, heavy, again] = history(
      slab,
      [4, 9, 4].map((q) => ({ ...bent, q_kN_per_m2: q })),
    ) as CrackedState[];
    const held = (s: CrackedState) => s.state.held.reduce((sum, v, i) => (i % 3 === 0 ? sum + v : sum), 0);
    expect(held(heavy!) / (9e-3 * 5600 * 1000)).toBeCloseTo(1, 6);
    const w = [light, heavy, again].map((s) => deflectionAt(slab, s!, [2800, 500]));
    expect(w[1]).toBeGreaterThan(w[0]!);
    expect(w[2]).toBeGreaterThan(w[0]!);
    expect(w[2]).toBeLessThan(w[1]!);
    const more = strip(5600, { bottom: [900, 159], top });
    expect(deflectionAt(more, history(more, [{ ...bent, q_kN_per_m2: 9 }])[0]!, [2800, 500])).toBeLessThan(w[1]!);
  });
});
