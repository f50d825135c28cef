import { silent } from '@/core/calc/calc';
import type { LoadCase } from '@/core/analysis/combination';
import { combinations } from '@/core/codes/aci318/combinations';
import { flangeRule } from '@/core/codes/aci318/flange-width';
import * as flexure from '@/core/codes/aci318/flexure';
import * as mat from '@/core/codes/aci318/materials';
import * as shear from '@/core/codes/aci318/shear';
import type { Form } from '@/core/codes/aci318/symbols';
import type { BendingSection, ShearSection } from '@/core/codes/design-code';
import { getUnit } from '@/core/units/unit';
import { expectCase, referenceCases } from './reference';

const cases = referenceCases('aci318');
const get = (id: string) => cases.get(id)!;
const psi = getUnit('psi').factor;
const inch = 25.4;
const kip = getUnit('kip').factor;
const kipft = getUnit('kip-ft').factor;

describe('materials', () => {
  test('MAT-01 to MAT-04 modulus, rupture, stress block, lightweight', () => {
    const normal = 2400e-9;
    expectCase(get('MAT-01'), {
      Ec_MPa: mat.elasticModulus(silent, 33.5, normal, 'SI'),
      fr_MPa: mat.ruptureModulus(silent, 33.5, 1, 'SI'),
      beta1: mat.beta1(silent, 33.5, 'SI'),
    });
    const fc = 5350 * psi;
    expectCase(get('MAT-02'), {
      Ec_psi: mat.elasticModulus(silent, fc, normal, 'US') / psi,
      fr_psi: mat.ruptureModulus(silent, fc, 1, 'US') / psi,
      beta1: mat.beta1(silent, fc, 'US'),
    });
    const lambda = mat.lightweightFactor(silent, 1790e-9, 'SI');
    expectCase(get('MAT-03'), {
      Ec_MPa: mat.elasticModulus(silent, 31, 1790e-9, 'SI'),
      lambda,
      fr_MPa: mat.ruptureModulus(silent, 31, lambda, 'SI'),
    });
    const pcf = 112 * getUnit('pcf').factor;
    expectCase(get('MAT-04'), {
      Ec_psi: mat.elasticModulus(silent, 4300 * psi, pcf, 'US') / psi,
      lambda: mat.lightweightFactor(silent, pcf, 'US'),
    });
  });
  test('MAT-05, MAT-06 strength reduction', () => {
    const ety = mat.yieldStrain(silent, 520, 'SI', false);
    expectCase(get('MAT-05'), { eps_ty: ety, phi: mat.strengthReduction(silent, 0.00385, ety) });
    expectCase(get('MAT-06'), { phi: mat.strengthReduction(silent, 0.0031, mat.yieldStrain(silent, 60_000 * psi, 'US', false), true) });
  });
});

function basisOf(fc: number, fy: number, form: Form): flexure.FlexureBasis {
  return {
    concrete: { kind: 'block', depthFactor: mat.beta1(silent, fc, form), stress: 0.85 * fc, ultimateStrain: 0.003 },
    steel: { yield: fy, modulus: mat.steelModulus(form) },
    fc,
    epsTy: mat.yieldStrain(silent, fy, form, false),
    form,
    countCompressionBars: true,
    deductDisplaced: true,
  };
}
const rect = (b: number, h: number, layers: { depth: number; area: number }[]): BendingSection => ({
  b,
  bw: b,
  h,
  hf: 0,
  strips: [{ from: 0, to: h, width: b }],
  layers,
  tensionWidth: b,
  grossArea: b * h,
});

describe('flexure', () => {
  test('FLX-01 tension-controlled rectangle', () => {
    const s = rect(315, 635, [{ depth: 571, area: 2350 }]);
    const basis = basisOf(31.5, 435, 'SI');
    const r = flexure.bendingResistance(silent, s, basis)!;
    expectCase(get('FLX-01'), {
      a_mm: basis.concrete.depthFactor * r.x,
      c_mm: r.x,
      eps_t: r.tensionStrain,
      phi: 0.9,
      Mn_kNm: r.moment / 0.9 / 1e6,
      phiMn_kNm: r.moment / 1e6,
      As_min_mm2: flexure.minimumSteel(silent, s, 571, 31.5, 435, 'SI', false),
    });
  });
  test('FLX-03 transition, strain too small', () => {
    const basis = basisOf(27, 420, 'SI');
    const r = flexure.bendingResistance(silent, rect(240, 430, [{ depth: 368, area: 2120 }]), basis)!;
    const d = flexure.ductility(silent, r, flexure.leastStrain(silent, basis.epsTy, 1));
    expectCase(get('FLX-03'), {
      c_mm: r.x,
      eps_t: r.tensionStrain,
      phi: mat.strengthReduction(silent, r.tensionStrain, basis.epsTy),
      phiMn_kNm: r.moment / 1e6,
      strain_ok: d.utilisation <= 1,
    });
  });
  test('FLX-05 T section in US units', () => {
    const [bf, hf, bw, h] = [27 * inch, 3.5 * inch, 11 * inch, 28 * inch];
    const s: BendingSection = {
      ...rect(bf, h, [{ depth: 25.2 * inch, area: 7.9 * inch ** 2 }]),
      bw,
      hf,
      strips: [
        { from: 0, to: hf, width: bf },
        { from: hf, to: h, width: bw },
      ],
    };
    const basis = basisOf(3800 * psi, 60_000 * psi, 'US');
    const r = flexure.bendingResistance(silent, s, basis)!;
    expectCase(get('FLX-05'), {
      a_in: (basis.concrete.depthFactor * r.x) / inch,
      phiMn_kipft: r.moment / kipft,
      phi: mat.strengthReduction(silent, r.tensionStrain, basis.epsTy),
    });
  });
  test('FLX-09 flange of an edge beam', () => {
    const edge = { bw: 14, hf: 5, clear: [86], span: 305, clearSpan: 305, position: 'inner', next: 0 } as const;
    expectCase(get('FLX-09'), { bf_in: flangeRule.width(silent, edge) });
  });
  test('FLX-10 two layers', () => {
    const r = flexure.bendingResistance(
      silent,
      rect(350, 700, [
        { depth: 565, area: 1020 },
        { depth: 640, area: 1530 },
      ]),
      basisOf(38, 420, 'SI'),
    )!;
    expectCase(get('FLX-10'), { c_mm: r.x, eps_t: r.tensionStrain, phiMn_kNm: r.moment / 1e6 });
  });
  test('steel required gives back the moment, singly and doubly reinforced', () => {
    const basis = basisOf(30, 420, 'SI');
    const least = flexure.leastStrain(silent, basis.epsTy, 1);
    for (const moment of [80e6, 250e6, 420e6, 700e6]) {
      const s = rect(300, 560, []);
      const need = flexure.bendingSteel(silent, { moment, section: s, d: 500, d2: 60, singlyOnly: false }, basis, least);
      const layers = [...(need.compression > 0 ? [{ depth: 60, area: need.compression }] : []), { depth: 500, area: need.tension }];
      const r = flexure.bendingResistance(silent, { ...s, layers }, basis)!;
      expect(r.moment / moment).toBeCloseTo(1, 6);
      expect(r.tensionStrain).toBeGreaterThan(least - 1e-9);
    }
  });
});

const shearBasis = (fc: number, fyt: number, form: Form): shear.ShearBasis => ({
  form,
  fc,
  lambda: 1,
  fyt: shear.countedStirrupStrength(fyt, form),
  row: 'larger',
});

describe('one-way shear', () => {
  const SI = (bw: number, d: number, h: number, As: number): ShearSection => ({ bw, d, h, tensionArea: As, grossArea: bw * h });
  const US = (bw: number, d: number, h: number, As: number) => SI(bw * inch, d * inch, h * inch, As * inch ** 2);
  test('SHR-02 size effect without stirrups', () => {
    const basis = shearBasis(31, 420, 'SI');
    const s = SI(415, 760, 820, 2580);
    const Vc = shear.concreteStrength(silent, s, basis, false);
    const need = shear.linkRequirement(silent, 120e3, s, basis);
    expectCase(get('SHR-02'), {
      lambda_s: shear.F.size.SI.evaluate({ d: 760 }),
      Vc_kN: Vc / 1e3,
      phiVc_kN: (0.75 * Vc) / 1e3,
      Av_min_required: need.minimum > 0,
    });
  });
  test('SHR-03, SHR-04 axial force', () => {
    const basis = shearBasis(4700 * psi, 60_000 * psi, 'US');
    const s = US(17, 18.4, 21, 2.37);
    const Vc = shear.concreteStrength(silent, s, basis, true, 145 * kip);
    const Vs = shear.F.Vs.evaluate({ A_v: 0.4 * inch ** 2, f_yt: basis.fyt, d: s.d, s: 7 * inch });
    const axial = Math.min((145 * kip) / (6 * s.grossArea), 0.05 * basis.fc);
    expectCase(get('SHR-03'), { axial_term_psi: axial / psi, Vc_kip: Vc / kip, Vs_kip: Vs / kip, phiVn_kip: (0.75 * (Vc + Vs)) / kip });
    const tie = shearBasis(34, 420, 'SI');
    const t = SI(300, 440, 500, 1700);
    const Vct = shear.concreteStrength(silent, t, tie, true, -260e3);
    const Vst = shear.F.Vs.evaluate({ A_v: 157, f_yt: 420, d: 440, s: 160 });
    expectCase(get('SHR-04'), { axial_term_MPa: -260e3 / (6 * 300 * 500), Vc_kN: Vct / 1e3, phiVn_kN: (0.75 * (Vct + Vst)) / 1e3 });
  });
  test('SHR-07 close spacing', () => {
    const basis = shearBasis(4000 * psi, 60_000 * psi, 'US');
    const s = US(14, 22.6, 25, 5);
    const need = shear.linkRequirement(silent, 128 * kip, s, basis);
    const Vc = shear.concreteStrength(silent, s, basis, true);
    expectCase(get('SHR-07'), {
      Vs_required_kip: ((128 * kip) / 0.75 - Vc) / kip,
      Vs_spacing_threshold_kip: shear.F.VsClose.US.evaluate({ f_c_prime: basis.fc, b_w: s.bw, d: s.d }) / kip,
      s_max_along_in: need.maxAlong / inch,
      s_max_across_in: need.maxAcross / inch,
      Av_over_s_required_in2_per_in: need.areaPerLength / inch,
    });
  });
  test('SHR-09 circular, 22.5.2.2', () => {
    // bw is the diameter and d 0.8 of it.
    const basis = shearBasis(33, 420, 'SI');
    const s: ShearSection = { bw: 580, d: 464, h: 580, tensionArea: 3060, grossArea: (Math.PI * 580 ** 2) / 4 };
    const Vc = shear.concreteStrength(silent, s, basis, true, 1150e3);
    const Vs = shear.F.Vs.evaluate({ A_v: 157, f_yt: 420, d: 464, s: 120 });
    expectCase(get('SHR-09'), { Vc_kN: Vc / 1e3, Vs_kN: Vs / 1e3, phiVn_kN: (0.75 * (Vc + Vs)) / 1e3 });
  });
  test('SHR-10 root of the strength is limited without stirrups', () => {
    const Vc = shear.concreteStrength(silent, SI(400, 540, 600, 2600), shearBasis(82, 420, 'SI'), false);
    expectCase(get('SHR-10'), { sqrt_fc_used: shear.F.root.SI.evaluate({ f_c_prime: 82 }), Vc_kN: Vc / 1e3 });
  });
  test('SHR-11 two directions', () => {
    const utilisation = shear.biaxialUtilisation(0.83, 0.74);
    expectCase(get('SHR-11'), { sum: 0.83 + 0.74, utilisation, ok: utilisation <= 1 });
  });
});

test('CMB-01 combinations', () => {
  const natures = { D: 'permanent', L: 'imposed', Lr: 'roof', S: 'snow', W: 'wind' } as const;
  const values: Record<string, number> = { D: 118, L: 64, Lr: 11, S: 17, W: 38 };
  const cases = Object.entries(natures).map(([id, nature]): LoadCase => ({ id, title: id, nature, category: 'A', pattern: false }));
  const all = combinations(cases, { liveCompanion: 1, settlement: 1, sustained: 0.5 }).filter((c) => c.kind === 'ultimate');
  const effect = (sense: 1 | -1) =>
    all.map((c) =>
      c.factors.reduce(
        (sum, f) => sum + (f.caseId === 'D' ? f.factor * 118 : sense * Math.max(0, sense * f.factor * values[f.caseId]!)),
        0,
      ),
    );
  expectCase(get('CMB-01'), { max: Math.max(...effect(1)), min: Math.min(...effect(-1)) });
});
