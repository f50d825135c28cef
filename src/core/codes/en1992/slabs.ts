import { silent, type Calc } from '../../calc/calc';
import type { Formula } from '../../calc/formula';
import type { Limit, Materials, ShearSection } from '../design-code';
import type { SlabPlace, SlabRules } from '../slab-rules';
import { F as materials } from './materials';
import { minimumSteel } from './flexure';
import type { NationalAnnex } from './national';
import { spanDepth } from './service';
import { concreteAlone, shearStrength } from './shear';
import { formula } from './symbols';

export const F = {
  nu: formula('nu', '0.6 * (1 - f_ck/250)', '(6.6N)', { empirical: 'SI' }),
  crushing: formula('V_Rd_max', '0.5 * b_w * d * nu * f_cd', '(6.5)'),
  alongPeak: formula('s_slab', 'min(2 * h, 250)', '9.3.1.1(3)', { empirical: 'SI' }),
  along: formula('s_slab', 'min(3 * h, 400)', '9.3.1.1(3)', { empirical: 'SI' }),
  acrossFar: formula('s_slab', 'min(3.5 * h, 450)', '9.3.1.1(3)', { empirical: 'SI' }),
  across: formula('A_s_across', '0.2 * A_s', '9.3.1.1(2)'),
};

/** What struts carry at the face of a support where loads stand near it (N), 6.2.2(6). */
export function strutLimit(c: Calc, s: ShearSection, m: Materials, annex: NationalAnnex): number {
  const f_ck = shearStrength(m.concreteStrength, annex);
  const f_cd = c.let(materials.fcd, { alpha_cc: annex.alphaCCShear, f_ck, gamma_C: annex.gammaC });
  return c.let(F.crushing, { b_w: s.bw, d: s.d, nu: c.let(F.nu, { f_ck }), f_cd });
}

/** 9.3.1.1(3): 3 h and 400 mm along the span, 3.5 h and 450 mm across; where moments are largest 2 h and 250 mm, 3 h and 400 mm. */
const spacingBy =
  (peak: Formula, elsewhere: Formula) =>
  (h: number, place: SlabPlace, c: Calc = silent): Limit => ({
    value: c.let(place === 'peak' ? peak : elsewhere, { h }),
    clause: '9.3.1.1(3)',
  });

/** One-way slabs to EN 1992-1-1: 6.2.2, 7.3.3(1), 9.3. `isHeld` counts the unintended fixity of ends, `skipsCracks` takes 7.3.3(1). */
export function slabRules(annex: NationalAnnex, isHeld: boolean, skipsCracks: boolean): SlabRules {
  return {
    plainShear: (c, s, m) => ({
      force: concreteAlone(c, s, m, annex),
      limit: strutLimit(silent, s, m, annex),
      // 6.2.2(5), 9.2.1.3(2): without links the moment line is moved by d.
      shift: s.d,
    }),
    shearOver: 'place',
    leastSteel: (c, s, d, m) => minimumSteel(c, s, d, m.concreteStrength, m.steelStrength),
    spacing: spacingBy(F.alongPeak, F.along),
    acrossSpacing: spacingBy(F.along, F.acrossFar),
    // 9.3.1.1(3) goes by the direction of the main bars, and a slab that spans two ways has main bars both ways.
    twoWaySpacing: spacingBy(F.alongPeak, F.along),
    oneWayCracks: null,
    leastAcross: (c, main) => c.let(F.across, { A_s: main }),
    shareToSupport: () => 0.5,
    heldEnd: isHeld ? { moment: 0.15, reach: 0.2, clause: '9.3.1.2(2)' } : null,
    crackFreeDepth: skipsCracks ? { h: 200, clause: '7.3.3(1)' } : null,
    panelSpan: (length) => length,
    usesBeamStiffness: false,
    yieldLineClause: 'EN 1992-1-1 5.6.2(2)',
    twoWayDepth: spanDepth,
    // Steel of class B or C is asked for beside it.
    plasticDepth: (m) => ({
      value: m.concreteStrength <= 50 ? 0.25 : 0.15,
      clause: '5.6.2(2)',
      ...(m.ductility === 'A' ? { refusal: 'Analysis at collapse asks for steel of class B or C.' } : {}),
    }),
    corners: {
      text: 'suitable bars, here as those of the middle, above and below both ways over a fifth of the longer side',
      clause: '9.3.1.3',
    },
    clauses: { shear: '6.2.2(1)', crushing: '6.2.2(6)', least: '9.3.1.1(1)', across: '9.3.1.1(2)', toSupport: '9.3.1.2(1)' },
  };
}
