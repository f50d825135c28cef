import { silent } from '@/core/calc/calc';
import { makeCode } from '@/core/codes/registry';
import type { BendingSection, Materials, ShearSection } from '@/core/codes/design-code';
import { combinations } from '@/core/codes/en1992/combinations';
import { flangeShear } from '@/core/codes/en1992/flange-shear';
import * as flexure from '@/core/codes/en1992/flexure';
import { bendingSteel } from '@/core/codes/en1992/required-steel';
import * as mat from '@/core/codes/en1992/materials';
import { findAnnex } from '@/core/codes/en1992/national';
import * as shear from '@/core/codes/en1992/shear';
import type { LoadCase } from '@/core/analysis/combination';
import { axialForceAt, concreteStress } from '@/core/section/flexural-section';
import { expectCase, referenceCases } from './reference';

const cases = referenceCases('en1992');
const get = (id: string) => cases.get(id)!;
const rec = findAnnex('recommended');
const uk = findAnnex('uk');
const materials = (fck: number): Materials => ({
  ...makeCode({ id: 'en1992', variant: 'recommended', choices: {} }).defaults,
  concreteStrength: fck,
});

describe('materials', () => {
  test('mat-01 normal strength', () => {
    const fck = 28;
    const s = mat.designStrains(silent, fck);
    const fctm = mat.meanTensileStrength(silent, fck);
    const fctk = mat.F.fctk.evaluate({ f_ctm: fctm });
    expectCase(
      get('mat-01'),
      {
        fcm_MPa: mat.meanStrength(silent, fck),
        fctm_MPa: fctm,
        Ecm_MPa: mat.secantModulus(silent, fck),
        fcd_MPa: mat.designStrength(silent, fck, 1, 1.5),
        fctd_MPa: mat.F.fctd.evaluate({ f_ctk_005: fctk, gamma_C: 1.5 }),
        eps_cu2_permil: s.ecu2 * 1000,
        n: s.n,
        ...mat.blockFactors(silent, fck),
      },
      ['eps_c1_permil'],
    );
  });
  test('mat-02 high strength, UK', () => {
    const fck = 67;
    const s = mat.designStrains(silent, fck);
    expectCase(get('mat-02'), {
      fctm_MPa: mat.meanTensileStrength(silent, fck),
      eps_c2_permil: s.ec2 * 1000,
      eps_cu2_permil: s.ecu2 * 1000,
      n: s.n,
      fcd_MPa: mat.designStrength(silent, fck, uk.alphaCC, uk.gammaC),
      eps_c3_permil: s.ec3 * 1000,
      ...mat.blockFactors(silent, fck),
    });
  });
  test('mat-03 high strength', () => {
    const fck = 82;
    expectCase(
      get('mat-03'),
      {
        ...mat.blockFactors(silent, fck),
        eps_c3_permil: mat.designStrains(silent, fck).ec3 * 1000,
        Ecm_MPa: mat.secantModulus(silent, fck),
        fctm_MPa: mat.meanTensileStrength(silent, fck),
      },
      ['eps_cu1_permil'],
    );
  });
  test('mat-04 parabola', () => {
    const law = {
      kind: 'parabola',
      exponent: 2,
      peakStrain: 0.002,
      stress: mat.designStrength(silent, 37, 0.85, 1.5),
      ultimateStrain: 0.0035,
    } as const;
    // With the neutral axis at x the strain at depth y is ecu (x - y)/x: 1.37 permil at y/x = 1 - 1.37/3.5.
    expectCase(get('mat-04'), { sigma_c_MPa: concreteStress(100 * (1 - 1.37 / 3.5), 100, law) });
  });
});

function basisFor(fck: number, annex = rec, diagram = 'block', cap = false): flexure.FlexureBasis {
  const m = materials(fck);
  return {
    concrete: mat.concreteLaw(silent, m, annex, diagram),
    steel: mat.steelLaw(silent, m, annex),
    fcd: mat.designStrength(silent, fck, annex.alphaCC, 1.5),
    ...mat.blockFactors(silent, fck),
    countCompressionBars: true,
    capLeverArm: cap,
  };
}
const rect = (b: number, h: number): BendingSection => ({
  b,
  bw: b,
  h,
  hf: 0,
  strips: [{ from: 0, to: h, width: b }],
  layers: [],
  tensionWidth: b,
  grossArea: b * h,
});

describe('flexure', () => {
  test('flx-02 slab, UK, z at most 0.95 d', () => {
    const As = bendingSteel(
      silent,
      { moment: 92e6, section: rect(1000, 200), d: 171, d2: 30, singlyOnly: false },
      basisFor(32, uk, 'block', true),
      0.45,
    ).tension;
    expectCase(get('flx-02'), { z_mm: 92e6 / (As * (500 / 1.15)), As1_mm2: As });
  });
  test('flx-03 doubly reinforced', () => {
    const basis = basisFor(29);
    const s = rect(285, 520);
    const need = bendingSteel(silent, { moment: 486e6, section: s, d: 467, d2: 53, singlyOnly: false }, basis, 0.45);
    const Mlim = 0.8 * 285 * 0.45 * 467 * basis.fcd * (467 - 0.4 * 0.45 * 467);
    expectCase(get('flx-03'), { Mlim_kNm: Mlim / 1e6, As2_mm2: need.compression, As1_mm2: need.tension, doubly: need.compression > 0 });
    // Equilibrium of the doubly reinforced section as designed: N = 0 with x at its limit.
    const layers = [
      { depth: 53, area: need.compression },
      { depth: 467, area: need.tension },
    ];
    expect(Math.abs(axialForceAt({ ...s, layers }, 0.45 * 467, basis.concrete, basis.steel))).toBeLessThan(1);
    expect(bendingSteel(silent, { moment: 486e6, section: s, d: 467, d2: 53, singlyOnly: true }, basis, 0.45).refusal).toMatch(
      /compression steel/,
    );
  });
  test('flx-04 flanged, block in the web', () => {
    const s: BendingSection = {
      ...rect(720, 600),
      bw: 265,
      hf: 88,
      strips: [
        { from: 0, to: 88, width: 720 },
        { from: 88, to: 600, width: 265 },
      ],
    };
    const As = bendingSteel(silent, { moment: 742e6, section: s, d: 552, d2: 50, singlyOnly: false }, basisFor(27), 0.45).tension;
    const r = flexure.bendingResistance(silent, { ...s, layers: [{ depth: 552, area: As }] }, basisFor(27))!;
    expect(r.moment / 1e6).toBeCloseTo(742, 3);
    expectCase(get('flx-04'), { x_mm: r.x, As1_mm2: As });
  });
  test('flx-05 parabola and rectangle', () => {
    // The steel for a moment is found from the resistance of the section with that steel.
    const basis = basisFor(29, rec, 'parabola');
    const at = (area: number) => flexure.bendingResistance(silent, { ...rect(285, 520), layers: [{ depth: 467, area }] }, basis)!;
    let [low, high] = [100, 5000];
    for (let i = 0; i < 60; i += 1) {
      const mid = (low + high) / 2;
      if (at(mid).moment < 217e6) low = mid;
      else high = mid;
    }
    expectCase(get('flx-05'), { x_mm: at(low).x, As1_mm2: low });
  });
  test('flx-06 with axial tension', () => {
    // M about the steel: Ms = M - N zs with N negative in tension; As = Ms / (z fyd) + |N| / fyd.
    const basis = basisFor(33);
    const s: BendingSection = { ...rect(310, 490), axial: -88e3 };
    const { tension } = bendingSteel(silent, { moment: 133e6, section: s, d: 437, d2: 40, singlyOnly: false }, basis, 0.45);
    const Ms = 133e6 - 88e3 * (437 - 245);
    const x = (tension * basis.steel.yield - 88e3) / (0.8 * 310 * basis.fcd);
    expectCase(get('flx-06'), { Ms_kNm: Ms / 1e6, As1_mm2: tension, x_mm: x });
  });
  test('flx-07 high strength block', () => {
    const basis = basisFor(72);
    const As = bendingSteel(silent, { moment: 388e6, section: rect(275, 500), d: 438, d2: 50, singlyOnly: false }, basis, 0.35).tension;
    const x = (As * basis.steel.yield) / (basis.lambda * 275 * basis.eta * basis.fcd);
    expectCase(get('flx-07'), { x_mm: x, As1_mm2: As });
  });
  test('flx-10 limit of x/d with redistribution, UK', () => {
    expectCase(get('flx-10'), { x_over_d_max: flexure.depthLimit(silent, 0.83, 0.0035, 33, uk, 'redistribution') });
  });
});

const web = (bw: number, d: number, Asl = 0): ShearSection => ({ bw, d, h: d + 50, tensionArea: Asl, grossArea: bw * (d + 50) });
const best: shear.ShearBasis = { annex: rec, cotTheta: 'best', lowLinkStress: false };

describe('shear', () => {
  const without = (id: string, s: ShearSection, fck: number, sigma = 0) => ({
    V: shear.resistanceWithoutLinks(silent, s, fck, rec, sigma),
    ref: get(id),
  });
  test('shr-01 without links', () => {
    const { V, ref } = without('shr-01', web(285, 387, 1018), 29);
    const k = shear.F.k.evaluate({ d: 387 });
    const rho_l = shear.F.rho.evaluate({ A_sl: 1018, b_w: 285, d: 387 });
    expectCase(ref, {
      k,
      vRdc_MPa: shear.F.vrdc.evaluate({ C_Rd_c: 0.12, k, rho_l, f_ck: 29, sigma_cp: 0 }),
      vmin_MPa: shear.F.vmin.evaluate({ k, f_ck: 29 }),
      VRdc_kN: V / 1e3,
    });
  });
  test('shr-02 to shr-04 least strength and axial force', () => {
    const slab = without('shr-02', web(1000, 163, 335), 38);
    expectCase(slab.ref, { vmin_MPa: shear.F.vmin.evaluate({ k: 2, f_ck: 38 }), VRdc_kN: slab.V / 1e3 });
    const sigma = Math.min(268e3 / 167400, (0.2 * 35) / 1.5);
    expectCase(get('shr-03'), { sigma_cp_MPa: sigma, VRdc_kN: without('shr-03', web(310, 486, 1473), 35, sigma).V / 1e3 });
    const pull = -118e3 / 167400;
    expectCase(get('shr-04'), { sigma_cp_MPa: pull, VRdc_kN: without('shr-04', web(310, 486, 1473), 35, pull).V / 1e3 });
  });
  const crushing = (basis: typeof best) =>
    shear.resistanceWithLinks(silent, web(285, 467), { area: 100, spacing: 100, diameter: 8, legs: 2 }, materials(31), {
      ...basis,
      cotTheta: 2.5,
    }).limit;
  test('shr-05 flattest strut', () => {
    const need = shear.linkRequirement(silent, 213e3, web(285, 467), materials(31), best);
    expectCase(get('shr-05'), {
      cot_theta: need.cotTheta,
      VRdmax_cot25_kN: crushing(best) / 1e3,
      Asw_over_s_req_mm2_per_mm: need.areaPerLength,
      Asw_over_s_min_mm2_per_mm: need.minimum,
    });
  });
  test('shr-06 strut angle solved', () => {
    const need = shear.linkRequirement(silent, 561e3, web(285, 467), materials(31), best);
    expectCase(get('shr-06'), {
      cot_theta: need.cotTheta,
      Asw_over_s_req_mm2_per_mm: need.areaPerLength,
      al_mm: shear.F.shift.evaluate({ z: 0.9 * 467, cot_theta: need.cotTheta }),
    });
    // With just these links the resistance is the force again, at the same angle.
    const r = shear.resistanceWithLinks(
      silent,
      web(285, 467),
      { diameter: 10, area: need.areaPerLength * 100, legs: 2, spacing: 100 },
      materials(31),
      best,
    );
    expect(r.force / 561e3).toBeCloseTo(1, 9);
  });
  test('shr-10 flange', () => {
    const r = flangeShear(silent, { force: 418e3, length: 1370, hf: 118, flange: 'compressed', materials: materials(31) }, rec);
    expectCase(get('shr-10'), {
      vEd_MPa: r.stress,
      cot_f: r.cotTheta,
      vRdmax_MPa: r.limit,
      Asf_over_sf_mm2_per_mm: r.areaPerLength,
      needs_steel: r.needsSteel,
    });
  });
  test('shr-14 compressed chord', () => {
    const V = shear.F.VRdmax.evaluate({
      alpha_cw: 1.17,
      b_w: 330,
      z: 444,
      nu_1: shear.F.nu1.evaluate({ f_ck: 41 }),
      f_cd: 41 / 1.5,
      cot_theta: 1.45,
    });
    expectCase(get('shr-14'), { VRdmax_kN: V / 1e3 });
  });
  test('shr-16 low link stress', () => {
    const basis = { ...best, lowLinkStress: true };
    const need = shear.linkRequirement(silent, 402e3, web(285, 467), materials(31), basis);
    expectCase(get('shr-16'), { VRdmax_cot25_kN: crushing(basis) / 1e3, Asw_over_s_req_mm2_per_mm: need.areaPerLength, fywd_MPa: 400 });
  });
  test('UK: strength in shear stops growing at C50/60', () => {
    const at = (fck: number) => shear.resistanceWithoutLinks(silent, web(300, 500, 1500), fck, uk);
    expect(at(70)).toBe(at(50));
    expect(shear.resistanceWithoutLinks(silent, web(300, 500, 1500), 70, rec)).toBeGreaterThan(at(50));
  });
});

describe('combinations', () => {
  const loadCase = (id: string, nature: LoadCase['nature'], category: LoadCase['category'] = 'A'): LoadCase => ({
    id,
    title: id,
    nature,
    category,
    pattern: false,
  });
  const three = [loadCase('G', 'permanent'), loadCase('Q', 'imposed', 'C'), loadCase('S', 'snow'), loadCase('W', 'wind')];
  const values: Record<string, number> = { G: 118 + 34, Q: 67, S: 23, W: 31 };
  /** The largest effect over combinations of one expression, each variable only where it adds. */
  const worst = (annex: typeof rec, rule: '6.10' | '6.10ab', clause: string) => {
    const effects = combinations(three, annex, rule)
      .filter((c) => c.clause.includes(clause))
      .map((c) => ({
        c,
        value: c.factors.reduce((sum, f) => sum + (f.caseId === 'G' ? f.factor * values.G! : Math.max(0, f.factor * values[f.caseId]!)), 0),
      }));
    return effects.reduce((a, b) => (b.value > a.value ? b : a));
  };
  const lead = (title: string) => ['Q leading', 'S leading', 'W leading'].findIndex((l) => title.includes(l));
  test.each([
    ['cmb-01', rec, '6.10', '(6.10)'],
    ['cmb-03', rec, '6.10ab', '(6.10b)'],
    ['cmb-04', uk, '6.10ab', '(6.10b)'],
    ['cmb-06', rec, '6.10', '(6.15b)'],
  ] as const)('%s', (id, annex, rule, clause) => {
    const { c, value } = worst(annex, rule, clause);
    expectCase(get(id), { value, lead: lead(c.title) });
  });
  test('cmb-08 smallest effect, each permanent load by its own sign', () => {
    // Here one factor goes with all permanent load (single source); the case takes each by its sign, so two sources are two combinations.
    const factors = combinations([loadCase('G', 'permanent'), loadCase('Q', 'imposed', 'E'), loadCase('W', 'wind')], rec, '6.10').filter(
      (c) => c.kind === 'ultimate',
    );
    const gammas = [...new Set(factors.map((c) => c.factors.find((f) => f.caseId === 'G')!.factor))];
    const least = (v: number) => Math.min(...gammas.map((g) => g * v));
    const q = Math.min(...factors.map((c) => c.factors.find((f) => f.caseId === 'Q')!.factor * -52));
    expectCase(get('cmb-08'), { value: least(-86) + least(41) + q });
  });
});
