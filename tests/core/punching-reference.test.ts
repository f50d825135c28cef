import { silent } from '@/core/calc/calc';
import { PSI } from '@/core/codes/aci318/materials';
import { sectionStress } from '@/core/codes/aci318/punching';
import type { Materials } from '@/core/codes/design-code';
import { usualTimeDependent } from '../fixtures/usual-time';
import { beta, columnPerimeter, momentShare } from '@/core/codes/en1992/punching';
import type { ColumnPosition, PunchingQuestion, PunchingSteel } from '@/core/codes/punching-rules';
import { makeCode } from '@/core/codes/registry';
import { controlPerimeter, perimeterSums, shadowOf, staticMoment, type Corners, type SlabEdges } from '@/core/geometry/control-perimeter';
import { convexHull, type Loop } from '@/core/geometry/polygon';
import { expectCase, referenceCases } from './reference';

const en = referenceCases('en1992');
const us = referenceCases('aci318');
const IN = 25.4;
const KIP = 4448.2216152605;

const materials = (fc: number, more: Partial<Materials> = {}): Materials => ({
  concreteStrength: fc,
  density: 2400e-9,
  aggregateSize: 20,
  steelStrength: 500,
  ductility: 'B',
  linkStrength: 500,
  timeDependent: usualTimeDependent,
  ...more,
});
const rectangle = (b: number, h: number): Loop => [
  [-b / 2, -h / 2],
  [b / 2, -h / 2],
  [b / 2, h / 2],
  [-b / 2, h / 2],
];
const circle = (D: number): Loop =>
  Array.from({ length: 360 }, (_, i) => [(D / 2) * Math.cos((i * Math.PI) / 180), (D / 2) * Math.sin((i * Math.PI) / 180)] as const);

interface Place {
  readonly cx: number;
  readonly cy: number;
  readonly d: number;
  readonly shape?: 'rectangle' | 'circle';
  readonly position?: ColumnPosition;
  readonly beyond?: readonly [x: number, y: number];
  readonly openings?: readonly Loop[];
}
/** An edge column stands at the left edge, a corner column at the left and the lower one. */
function question(corners: Corners, m: Materials, p: Place, more: Partial<PunchingQuestion>): PunchingQuestion {
  const { cx, cy, d, shape = 'rectangle', position = 'internal', beyond = [0, 0], openings = [] } = p;
  const column = shape === 'circle' ? circle(cx) : rectangle(cx, cy);
  const slab: SlabEdges = {
    left: position === 'internal' ? null : cx / 2 + beyond[0],
    bottom: position === 'corner' ? cy / 2 + beyond[1] : null,
    right: null,
    top: null,
    corner: null,
  };
  const shadows = openings.map((o) => shadowOf(o)!);
  return {
    materials: m,
    shape,
    cx,
    cy,
    h: d + 40,
    d,
    ratio: 0.01,
    inPlane: 0,
    V: 1,
    Mx: 0,
    My: 0,
    momentsBy: 'moments',
    beta: 1,
    position,
    across: position === 'edge' ? 'x' : null,
    inwards: { x: slab.left === null ? 0 : 1, y: slab.bottom === null ? 0 : 1 },
    columnPerimeter: shape === 'circle' ? Math.PI * cx : 2 * (cx + cy),
    around: (r) => controlPerimeter(column, r, corners, slab, shadows),
    withoutOpenings: (r) => controlPerimeter(column, r, corners, slab),
    reinforcement: null,
    ...more,
  };
}
type Inputs = Record<string, number>;
const inputsOf = (id: string, cases = en) => cases.get(id)!.inputs as Inputs;

describe('EN 1992-1-1 6.4: reference cases', () => {
  const code = makeCode({ id: 'en1992', variant: 'recommended', choices: {} });
  const rules = code.punching;
  const first = (id: string, more: Partial<PunchingQuestion> = {}) => {
    const i = inputsOf(id);
    const d = (i.dy_mm! + i.dz_mm!) / 2;
    const shape = (en.get(id)!.inputs as Record<string, string>).shape === 'circle' ? 'circle' : 'rectangle';
    return question(
      'round',
      materials(i.fck_MPa!),
      { cx: i.c1_mm!, cy: i.c2_mm!, d, shape },
      { V: i.VEd_kN! * 1e3, ratio: Math.sqrt(i.rho_y! * i.rho_z!), momentsBy: 'position', ...more },
    );
  };
  it('pun-01, pun-17: internal columns without links', () => {
    const q = first('pun-01');
    const [face, plain] = [rules.face(silent, q)!, rules.plain(silent, q)];
    expectCase(en.get('pun-01')!, {
      u1_mm: q.around(2 * q.d).length,
      vEd1_MPa: plain.demand,
      vRdc_MPa: plain.capacity,
      vEd0_MPa: face.demand,
      vRdmax_MPa: face.capacity,
      needs_reinforcement: plain.demand > plain.capacity,
    });
    const round = first('pun-17');
    expectCase(en.get('pun-17')!, {
      u1_mm: round.around(2 * round.d).length,
      u0_mm: columnPerimeter(round),
      vEd1_MPa: rules.plain(silent, round).demand,
      vRdc_MPa: rules.plain(silent, round).capacity,
    });
  });
  it('pun-02, pun-14: links', () => {
    const q = first('pun-02');
    const { sr_mm, s0_mm } = inputsOf('pun-02');
    const { area, last } = rules.needed(silent, q, sr_mm!);
    const out = last + 1.5 * q.d;
    expectCase(
      en.get('pun-02')!,
      { Asw_per_perimeter_mm2: area, uout_mm: q.around(out).length, r_out_mm: out, n_perimeters: 1 + Math.ceil((last - s0_mm!) / sr_mm!) },
      ['fywd_ef_MPa'],
    );
    const i = inputsOf('pun-14');
    // u1 of 4290 mm at d = 218 mm: a square column of (4290 - 4 pi d) / 4; vRdc from its concrete.
    const side = (i.u1_mm! - 4 * Math.PI * i.d_mm!) / 4;
    const like = (fc: number) => question('round', materials(fc), { cx: side, cy: side, d: i.d_mm! }, { V: 1, momentsBy: 'given' });
    let [low, high] = [12, 90];
    for (let k = 0; k < 50; k += 1) {
      const mid = (low + high) / 2;
      if (rules.plain(silent, like(mid)).capacity < i.vRdc_MPa!) low = mid;
      else high = mid;
    }
    const steel = { kind: 'links', diameter: 10, area: i.Asw_mm2!, spacing: i.sr_mm! } as PunchingSteel;
    const capacity = rules.reinforced(silent, like(high), steel).capacity;
    expectCase(en.get('pun-14')!, { vRdcs_MPa: capacity }, ['vRdcs_uncapped_MPa']);
  });
  it('pun-03, 04, 05: moments at internal columns', () => {
    const of = (id: string, shape: 'rectangle' | 'circle' = 'rectangle') => {
      const i = inputsOf(id);
      return question(
        'round',
        materials(30),
        { cx: i.c1_mm!, cy: i.c2_mm!, d: i.d_mm!, shape },
        { V: i.VEd_kN! * 1e3, My: (i.M1_kNm ?? 0) * 1e6, Mx: (i.M2_kNm ?? 0) * 1e6 },
      );
    };
    const q = of('pun-03');
    expectCase(en.get('pun-03')!, {
      W1_mm2: staticMoment(q.around(2 * q.d).pieces, 'x', 0),
      k: momentShare(q.cx / q.cy),
      beta: beta(silent, q),
    });
    expectCase(en.get('pun-04')!, { beta: beta(silent, of('pun-04')) });
    expectCase(en.get('pun-05')!, { beta: beta(silent, of('pun-05', 'circle')) });
  });
  it('pun-07, 08, 10, 15: edge and corner columns', () => {
    const of = (id: string, position: ColumnPosition, beyond: readonly [number, number] = [0, 0]) => {
      const i = inputsOf(id);
      // The first moment turns the column across its edge, the second along it.
      return question(
        'round',
        materials(30),
        { cx: i.c1_mm!, cy: i.c2_mm!, d: i.d_mm!, position, beyond },
        { V: (i.VEd_kN ?? 100) * 1e3, My: (i.M1_kNm ?? 0) * 1e6, Mx: (i.M2_kNm ?? 0) * 1e6 },
      );
    };
    const edge = of('pun-07', 'edge');
    expectCase(en.get('pun-07')!, {
      k: momentShare(edge.cx / (2 * edge.cy)),
      W1_mm2: staticMoment(edge.around(2 * edge.d).pieces, 'y', 0),
      beta: beta(silent, edge),
    });
    const corner = of('pun-08', 'corner');
    expectCase(en.get('pun-08')!, { u1_mm: corner.around(2 * corner.d).length, beta: beta(silent, corner) }, ['u1_star_mm']);
    expectCase(en.get('pun-10')!, { u0_mm: columnPerimeter(of('pun-10', 'corner')) });
    const { a1_mm, a2_mm } = inputsOf('pun-15');
    const wide = of('pun-15', 'corner', [a1_mm!, a2_mm!]);
    expectCase(en.get('pun-15')!, { u_mm: wide.around(2 * wide.d).length });
  });
  it('outward moments are worse than inward ones, and at a corner refused with a word', () => {
    const at = (position: ColumnPosition, My: number) =>
      question('round', materials(30), { cx: 400, cy: 400, d: 220, position }, { V: 300e3, My, momentsBy: 'moments' });
    expect(beta(silent, at('edge', -60e6))).toBeGreaterThan(beta(silent, at('edge', 60e6)));
    expect(() => beta(silent, at('corner', -60e6))).toThrow(/give a factor/);
    expect(beta(silent, { ...at('reentrant', 0), momentsBy: 'given', beta: 1.3 })).toBe(1.3);
    expect(() => beta(silent, { ...at('reentrant', 0), momentsBy: 'position' })).toThrow(/re-entrant/);
  });
  it('UK annex: 0.5 nu fcd at the column, links up to twice the plain strength', () => {
    const uk = makeCode({ id: 'en1992', variant: 'uk', choices: {} }).punching;
    const q = first('pun-01');
    expect(uk.face(silent, q)!.capacity / rules.face(silent, q)!.capacity).toBeCloseTo(1.25, 6);
    const much = { kind: 'links', diameter: 16, area: 9000, spacing: 120 } as PunchingSteel;
    const plain = rules.plain(silent, q).capacity;
    expect(rules.reinforced(silent, q, much).capacity / plain).toBeCloseTo(1.5, 6);
    expect(uk.reinforced(silent, q, much).capacity / plain).toBeCloseTo(2, 6);
  });
});

describe('ACI 318-19 22.6: reference cases', () => {
  const SI = makeCode({ id: 'aci318', variant: 'SI', choices: {} }).punching;
  const USC = makeCode({ id: 'aci318', variant: 'US', choices: {} }).punching;
  const metric = (id: string, p: Partial<Place> = {}, more: Partial<PunchingQuestion> = {}) => {
    const i = inputsOf(id, us);
    return question(
      'square',
      materials(i.fc_MPa!),
      { cx: i.c1_mm!, cy: i.c2_mm ?? i.c1_mm!, d: i.d_mm!, ...p },
      { V: i.Vu_kN! * 1e3, ...more },
    );
  };
  const inches = (id: string, p: Partial<Place> = {}, more: Partial<PunchingQuestion> = {}) => {
    const i = inputsOf(id, us);
    const m = materials(i.fc_psi! * PSI, { linkStrength: (i.fyt_psi ?? 60_000) * PSI });
    return question('square', m, { cx: i.c1_in! * IN, cy: i.c2_in! * IN, d: i.d_in! * IN, ...p }, { V: i.Vu_kip! * KIP, ...more });
  };
  const sums = (q: PunchingQuestion) => perimeterSums(q.around(q.d / 2).pieces);
  const J = (q: PunchingQuestion, k: 'x' | 'y') => {
    const s = sums(q);
    return k === 'x' ? q.d * s.xx + (q.d ** 3 / 12) * s.alongX : q.d * s.yy + (q.d ** 3 / 12) * s.alongY;
  };

  it('PUN-01, PUN-07: interior columns, size effect', () => {
    const q = metric('PUN-01');
    const { demand, capacity } = SI.plain(silent, q);
    expectCase(us.get('PUN-01')!, {
      bo_mm: q.around(q.d / 2).length,
      vc_MPa: capacity / 0.75,
      vu_max_MPa: demand,
      utilisation: demand / capacity,
    });
    const deep = USC.plain(silent, inches('PUN-07'));
    expectCase(us.get('PUN-07')!, { vc_psi: deep.capacity / 0.75 / PSI, utilisation: deep.demand / deep.capacity }, ['lambda_s']);
  });
  it('PUN-02: moments about both axes; the first one along the first side', () => {
    const i = inputsOf('PUN-02', us);
    const q = metric('PUN-02', {}, { My: i.Mscx_kNm! * 1e6, Mx: i.Mscy_kNm! * 1e6 });
    const { demand, capacity } = SI.plain(silent, q);
    expectCase(us.get('PUN-02')!, { Jx_mm4: J(q, 'x'), Jy_mm4: J(q, 'y'), vu_max_MPa: demand, utilisation: demand / capacity }, [
      'gamma_vx',
      'gamma_vy',
    ]);
  });
  it('PUN-03, PUN-04: an edge column, the moment at the centroid of the section or at the column', () => {
    const edge = { position: 'edge' as const };
    const plain = metric('PUN-03', edge);
    const gx = sums(plain).centroid[0];
    // Given at the centroid: brought back to the column, from which the rule takes it.
    const q = { ...plain, My: inputsOf('PUN-03', us).Mscx_kNm! * 1e6 + plain.V * gx };
    const { demand, capacity } = SI.plain(silent, q);
    expectCase(
      us.get('PUN-03')!,
      { bo_mm: sums(q).length, gx_mm: gx, Jx_mm4: J(q, 'x'), vu_max_MPa: demand, utilisation: demand / capacity },
      ['gamma_vx'],
    );
    const given = metric('PUN-04', edge, { My: inputsOf('PUN-04', us).Mscx_kNm! * 1e6 });
    expectCase(us.get('PUN-04')!, {
      gx_mm: sums(given).centroid[0],
      Mscx_critical_kNm: (given.My - given.V * sums(given).centroid[0]) / 1e6,
      vu_max_MPa: SI.plain(silent, given).demand,
    });
  });
  it('PUN-05: a corner column', () => {
    const plain = inches('PUN-05', { position: 'corner' });
    const [gx, gy] = sums(plain).centroid;
    const i = inputsOf('PUN-05', us);
    const FT = 12 * IN * KIP;
    const q = { ...plain, My: i.Mscx_kipft! * FT + plain.V * gx, Mx: i.Mscy_kipft! * FT + plain.V * gy };
    const { demand, capacity } = USC.plain(silent, q);
    expectCase(us.get('PUN-05')!, {
      bo_in: sums(q).length / IN,
      gx_in: gx / IN,
      gy_in: gy / IN,
      Jx_in4: J(q, 'x') / IN ** 4,
      vu_max_psi: demand / PSI,
      vc_psi: capacity / 0.75 / PSI,
    });
  });
  it('PUN-06, PUN-12: a round column, an opening', () => {
    const q = metric('PUN-06', { shape: 'circle' }, { My: inputsOf('PUN-06', us).Mscx_kNm! * 1e6 });
    expectCase(us.get('PUN-06')!, {
      bo_mm: sums(q).length,
      vc_MPa: SI.plain(silent, q).capacity / 0.75,
      v_direct_MPa: q.V / (sums(q).length * q.d),
      vu_max_MPa: SI.plain(silent, q).demand,
    });
    const openings = (us.get('PUN-12')!.inputs as unknown as { openings_mm: [number, number][][] }).openings_mm;
    const plain = metric('PUN-12', { openings });
    const [gx, gy] = sums(plain).centroid;
    const cut = { ...plain, My: plain.V * gx, Mx: plain.V * gy };
    expectCase(us.get('PUN-12')!, {
      bo_mm: sums(cut).length,
      gx_mm: gx,
      gy_mm: gy,
      Jx_mm4: J(cut, 'x'),
      vu_max_MPa: SI.plain(silent, cut).demand,
    });
  });
  it('PUN-10: headed studs', () => {
    const i = inputsOf('PUN-10', us);
    const steel = { kind: 'studs', diameter: 12.7, area: i.Av_in2! * IN ** 2, spacing: i.s_in! * IN } as PunchingSteel;
    const q = inches('PUN-10', {}, { reinforcement: steel });
    const { demand, capacity } = USC.reinforced(silent, q, steel);
    const { area } = USC.detailing(silent, q, steel);
    const vs = (steel.area * q.materials.linkStrength) / (sums(q).length * steel.spacing);
    expectCase(us.get('PUN-10')!, {
      vc_psi: (capacity / 0.75 - vs) / PSI,
      vs_psi: vs / PSI,
      vu_cap_psi: USC.face(silent, q)!.capacity / PSI,
      utilisation: demand / capacity,
      Av_over_s_min_studs_in2_per_in: area.value / steel.spacing / IN,
    });
  });
  it('PUN-13: least top bars about the column', () => {
    const i = inputsOf('PUN-13', us);
    // A square column with that critical section, and the shear that brings that stress.
    const c = i.bo_mm! / 4 - i.d_mm!;
    const m = materials(i.fc_MPa!, { steelStrength: i.fy_MPa! });
    const q = (v: number) => question('square', m, { cx: c, cy: c, d: i.d_mm! }, { V: v * i.bo_mm! * i.d_mm! });
    const least = (v: number) => SI.leastBars!(silent, q(v), i.bslab_mm!);
    expectCase(us.get('PUN-13')!, { As_min_mm2: least(i.vuv_MPa!)!.value }, ['threshold_MPa']);
    const threshold = us.get('PUN-13')!.expected.threshold_MPa as number;
    expect([least(threshold * 0.999), least(threshold * 1.001)]).toEqual([null, expect.anything()]);
  });
  it('PUN-11: the section outside rails across the faces', () => {
    const i = inputsOf('PUN-11', us);
    const r = i.c1_mm! / 2;
    const tips: Loop = [-r, r].flatMap((y) => [
      [r + i.L_out_mm!, y] as const,
      [-r - i.L_out_mm!, y] as const,
      [y, r + i.L_out_mm!] as const,
      [y, -r - i.L_out_mm!] as const,
    ]);
    const plain = metric('PUN-11');
    const outside = controlPerimeter(convexHull(tips), plain.d / 2, 'square', {
      left: null,
      right: null,
      bottom: null,
      top: null,
      corner: null,
    });
    const { demand, capacity } = SI.outside(silent, plain, { outside } as PunchingSteel);
    expectCase(us.get('PUN-11')!, { bo_mm: outside.length, phi_vc_MPa: capacity, utilisation: demand / capacity });
    expect(sectionStress(silent, plain, outside, outside)).toBeCloseTo(demand, 9);
  });
});
