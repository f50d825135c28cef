import { silent } from '@/core/calc/calc';
import * as aci from '@/core/codes/aci318/anchorage';
import { PSI } from '@/core/codes/aci318/materials';
import type { AnchorageQuestion } from '@/core/codes/anchorage-rules';
import type { BendingSection, Materials } from '@/core/codes/design-code';
import { usualTimeDependent } from '../fixtures/usual-time';
import * as en from '@/core/codes/en1992/anchorage';
import { findAnnex } from '@/core/codes/en1992/national';
import { maximumSteel, minimumSteel } from '@/core/codes/en1992/flexure';
import { makeCode } from '@/core/codes/registry';
import { expectCase, referenceCases } from './reference';

const us = referenceCases('aci318');
const recommended = findAnnex('recommended');
const IN = 25.4;
const materials = (fc: number, fy: number): Materials => ({
  concreteStrength: fc,
  density: 2400e-9,
  aggregateSize: 20,
  steelStrength: fy,
  ductility: 'B',
  linkStrength: fy,
  timeDependent: usualTimeDependent,
});
const bar = (more: Partial<AnchorageQuestion>): AnchorageQuestion => ({
  materials: materials(30, 500),
  diameter: 20,
  isTop: false,
  h: 500,
  cover: 20,
  clear: 40,
  isBent: false,
  ...more,
});

describe('anchorage to EN 1992-1-1', () => {
  const of = (more: Partial<AnchorageQuestion>) => en.length(silent, bar(more), recommended);
  it('anc-02: a thick bar in poor bond', () => {
    const length = of({ diameter: 40, cover: 40, clear: 80, use: 402 / (500 / 1.15), isTop: true, materials: materials(36, 500) });
    expectCase(referenceCases('en1992').get('anc-02')!, { lbd_mm: length }, ['fbd_MPa']);
  });
  it('by hand: C30, 20 mm, cd 20: fbd 2.25 x 1.351 = 3.04, lb = 5 x 434.8 / 3.04 = 715', () => {
    const fctd = (0.7 * 0.3 * 30 ** (2 / 3)) / 1.5;
    expect(of({})).toBeCloseTo((20 * 500) / 1.15 / (4 * 2.25 * fctd), 6);
    // cd 50: alpha2 = 1 - 0.15 x 30/20 = 0.775; with 5 MPa across alpha5 = 0.8, the product not below 0.7
    expect(of({ cover: 50, clear: 100 }) / of({})).toBeCloseTo(0.775, 9);
    expect(of({ cover: 50, clear: 100, pressure: 5 }) / of({})).toBeCloseTo(0.7, 9);
    // Bent with cd above 3 phi: alpha1 0.7, and alpha2 = 1 - 0.15 (80 - 60)/20 = 0.85
    expect(of({ cover: 80, clear: 200, isBent: true }) / of({})).toBeCloseTo(0.7 * 0.85, 9);
  });
  it('never below the least; laps by their share: all lapped 1.5, a quarter 1.0', () => {
    expect(of({ use: 1 / 435 })).toBe(200);
    const lap = (share: number) => en.lap(silent, bar({}), share, recommended);
    expect(lap(1) / of({})).toBeCloseTo(1.5, 9);
    expect(lap(0.5) / of({})).toBeCloseTo(Math.sqrt(2), 9);
    expect(lap(0.2) / of({})).toBeCloseTo(1, 9);
  });
  it('an end support by hand: FE = 188 x 393 / 420 = 175.9 kN (det-03 without N); bent only where straight is too long', () => {
    const q = {
      ...bar({}),
      V: 188e3,
      centreV: 188e3,
      shift: 393,
      z: 420,
      d: 467,
      area: 942,
      spanArea: 1885,
      moment: 0,
      width: 300,
      leg: 400,
      isContinuous: false,
    };
    const short = en.endSupport(silent, { ...q, available: 150 }, recommended);
    const long = en.endSupport(silent, { ...q, available: 400 }, recommended);
    const stress = (188e3 * 393) / 420 / 942;
    expect(long.needed).toBeCloseTo(of({ use: stress / (500 / 1.15) }), 6);
    expect([short.isBent, long.isBent]).toEqual([true, false]);
    expect(short.available).toBe(150 + 400);
    expect(en.endSupport(silent, { ...q, available: 150, isContinuous: true }, recommended).needed).toBe(200);
    expect(long.leastBars).toBeCloseTo((0.25 * 1885) / 942, 9);
  });
});

describe('the force to be anchored at an end', () => {
  it('det-03: the shifted shear and the tension of the beam', () => {
    // (9.3) without N: 188 x 393 / 420 = 175.9; the case adds 22 kN of tension, which beams here do not have at their ends
    expectCase(referenceCases('en1992').get('det-03')!, { FE_kN: en.F.force.evaluate({ V_Ed: 188e3, a_l: 393, z: 420 }) / 1e3 + 22 });
  });
});

describe('development to ACI 318', () => {
  it('DET-01: with confinement by stirrups, a top bar; class B splice', () => {
    const q = bar({
      diameter: 25.4,
      isTop: true,
      h: 600,
      cover: 52,
      clear: 71,
      materials: materials(31, 420),
      transverse: { area: 142, spacing: 175, bars: 4 },
    });
    expectCase(us.get('DET-01')!, { ld_mm: aci.length(silent, q, 'SI'), lap_B_mm: aci.lap(silent, q, 'SI') }, ['confinement']);
  });
  it('DET-03: grade 80, coated, in inches', () => {
    const q = bar({
      diameter: 1.128 * IN,
      isTop: true,
      h: 30 * IN,
      cover: 2 * IN,
      clear: 3.4 * IN,
      materials: materials(5200 * PSI, 80_000 * PSI),
    });
    expectCase(us.get('DET-03')!, { ld_in: aci.length(silent, q, 'US', 1.5) / IN }, ['psi_t_psi_e', 'psi_g', 'ld_simplified_in']);
  });
  it('DET-04 and DET-05: hooks', () => {
    const si = bar({ diameter: 22.2, isBent: true, cover: 70, materials: materials(30, 420) });
    expectCase(us.get('DET-04')!, { ldh_mm: aci.length(silent, si, 'SI') }, ['psi_c']);
    const confined = { area: 1000, spacing: 100, bars: 1 };
    const inch = bar({ diameter: IN, isBent: true, cover: 2.2 * IN, materials: materials(4500 * PSI, 60_000 * PSI), transverse: confined });
    expectCase(us.get('DET-05')!, { ldh_in: aci.length(silent, inch, 'US') / IN }, ['psi_o']);
  });
  it('DET-13 and DET-14: bends and hooks', () => {
    const main = aci.bend(32.3, false, 'SI');
    expectCase(us.get('DET-13')!, { bend_diameter_mm: main.mandrel.value, ext_90_mm: main.straight90 }, ['ext_180_mm']);
    const link = aci.bend(0.5 * IN, true, 'US');
    expectCase(us.get('DET-14')!, {
      bend_diameter_in: link.mandrel.value / IN,
      ext_90_in: link.straight90 / IN,
      ext_135_in: link.straight135 / IN,
    });
  });
  it('an end support: straight where 1.3 Mn/Vu + la is enough, otherwise a hook', () => {
    const q = {
      ...bar({ diameter: 25.4, materials: materials(28, 420), cover: 50, clear: 60 }),
      shift: 0,
      z: 0,
      d: 500,
      area: 1500,
      spanArea: 3000,
      width: 300,
      leg: 400,
    };
    const easy = aci.endSupport(silent, { ...q, V: 100e3, centreV: 100e3, moment: 300e6, available: 250, isContinuous: false }, 'SI');
    expect(easy).toMatchObject({ isBent: false, available: 1.3 * 3000 + 100 });
    const hard = aci.endSupport(silent, { ...q, V: 600e3, centreV: 600e3, moment: 100e6, available: 250, isContinuous: false }, 'SI');
    expect(hard).toMatchObject({ isBent: true, available: 250 });
    expect(hard.leastBars).toBeCloseTo(3000 / 3 / 1500, 9);
  });
});

describe('steel limits and shift of EN 1992-1-1', () => {
  const cases = referenceCases('en1992');
  it('det-01: least and most steel', () => {
    const { bt_mm, d_mm, Ac_mm2, fck_MPa } = cases.get('det-01')!.inputs as Record<'bt_mm' | 'd_mm' | 'Ac_mm2' | 'fck_MPa', number>;
    const s = { tensionWidth: bt_mm, grossArea: Ac_mm2 } as BendingSection;
    expectCase(cases.get('det-01')!, { As_min_mm2: minimumSteel(silent, s, d_mm, fck_MPa, 500), As_max_mm2: maximumSteel(silent, s) });
  });
  it('det-02: the shift of the moment line, half of z cot theta', () => {
    const { d_mm, cot_theta } = cases.get('det-02')!.inputs as Record<'d_mm' | 'cot_theta', number>;
    const code = makeCode({ id: 'en1992', variant: 'recommended', choices: { cotTheta: String(cot_theta) } });
    const links = { diameter: 8, area: 100, legs: 2, spacing: 200 };
    const section = { bw: 300, d: d_mm, h: d_mm + 45, tensionArea: 942, grossArea: 150_000 };
    expectCase(cases.get('det-02')!, { al_mm: code.shearResistance(silent, section, links, materials(30, 500)).shift });
  });
});
