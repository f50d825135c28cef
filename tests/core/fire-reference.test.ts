import { barStrength, F as fire } from '@/core/codes/en1992/fire';
import { axisFor, beamContinuous, beamSimple, columnTables, slabTwoWay, wallTables } from '@/core/codes/fire-tables';
import { FIRE_PERIODS } from '@/core/codes/fire-rules';
import { makeCode } from '@/core/codes/registry';
import { meanAxis } from '@/core/members/beam/fire';
import { silent } from '@/core/calc/calc';
import type { FrameColumn } from '@/core/codes/frame-columns';
import { getUnit } from '@/core/units/unit';
import { expectCase, referenceCases } from './reference';

const cases = referenceCases('en1992');
const aci = referenceCases('aci318');
const as = referenceCases('as3600');
const row = (minutes: number) => FIRE_PERIODS.findIndex((p) => p === minutes);
const is = (id: string, actual: Record<string, unknown>) => expectCase(cases.get(id)!, actual);

describe('fire cases of EN 1992-1-2', () => {
  it('fir-01, fir-02: columns by table 5.2a', () => {
    is('fir-01', { a_mm: axisFor(columnTables[0.5][row(90)]!, 340) });
    is('fir-02', { a_mm: axisFor(columnTables[0.7][row(120)]!, 410) });
  });

  it('fir-03: (5.7), its terms one by one', () => {
    const minute = getUnit('min').factor;
    const R_eta = fire.Reta.evaluate({ mu_fi: 0.58, omega_fi: 0.31, alpha_cc: 0.85 });
    const b = (2 * 330 * 410) / (330 + 410);
    const R_fi = fire.R.evaluate({
      R_eta,
      R_a: fire.Ra.evaluate({ a_fi: 47 }),
      R_l: fire.Rl.evaluate({ l_0fi: 2600 }),
      R_b: fire.Rb.evaluate({ b_fi: b }),
      R_n: 12 * minute,
    });
    is('fir-03', { R_min: R_fi / minute, b_dash_mm: b });
  });

  it('fir-04 to fir-07: walls, beams, slabs', () => {
    const [t, a] = wallTables[0.7].two[row(120)]![0]!;
    is('fir-04', { t_mm: t, a_mm: a });
    const simple = axisFor(beamSimple[row(90)]!, 265);
    is('fir-05', { a_mm: simple, asd_mm: simple + 10 });
    is('fir-06', { a_mm: axisFor(beamContinuous[row(120)]!, 260) });
    const [h, axis] = slabTwoWay[row(90)]![0]!;
    is('fir-07', { hs_mm: h, a_mm: axis });
  });

  it('fir-10: the mean axis distance of two layers, (5.5)', () => {
    const layers = [
      { area: 982, fromFace: 46 },
      { area: 628, fromFace: 97 },
    ];
    is('fir-10', { am_mm: meanAxis(layers) });
  });

  it('strength of bars falls from one to nothing', () => {
    expect([barStrength(20), barStrength(1200)]).toEqual([1, 0]);
  });
});

describe('cases of frame columns and of the form of beams', () => {
  it('DET-18: an intermediate column with bars of grade 550', () => {
    const code = makeCode({ id: 'aci318', variant: 'SI', choices: {} });
    const column: FrameColumn = {
      materials: { ...code.defaults, steelStrength: 550 },
      width: 410,
      depth: 520,
      isRound: false,
      clear: 3100,
      area: 410 * 520,
      smallestBar: 25.4,
      tie: 9.5,
      inset: 45,
      isSpiral: false,
      most: 0,
      least: 0,
    };
    const zone = code.frames.columns('intermediate')!.zone(silent, column, 200)!;
    expectCase(aci.get('DET-18')!, { lo_mm: zone.length.value, s_lo_max_mm: zone.spacing.value });
  });

  it('FLX-12: how far apart a beam of 300 x 1200 is held, AS 3600 8.9', () => {
    const { beamForm } = makeCode({ id: 'as3600', variant: '2018', choices: {} });
    expectCase(as.get('FLX-12')!, { L_max_mm: beamForm.lateral(silent, { b: 300, h: 1200, isCantilever: false }).value });
  });
});
