import { silent, type Calc } from '../../calc/calc';
import type { ColumnRules, ColumnShear } from '../column-rules';
import type { Choice, Materials } from '../design-code';
import { recordResistance, ultimateBasis } from './axial';
import * as columns from './columns';
import { columnLap, type LapShare } from './column-laps';
import { INCH } from './materials';
import * as shear from './shear';
import { effectiveLength, slendernessRule } from './slenderness';
import type { Form } from './symbols';
import { wallFactor, wallSteel } from './walls';

/** What ACI 318-19 leaves open for columns and walls. */
export const columnChoices: readonly Choice[] = [
  {
    key: 'measure',
    title: 'Utilisation under P and M',
    clause: '22.4 (practice)',
    topic: 'columns',
    options: { moment: 'moment at the same P, true direction', ray: 'P and M growing together' },
  },
  {
    key: 'stiffness',
    title: 'Effective stiffness (EI)eff',
    clause: '6.6.4.4.4',
    topic: 'columns',
    options: { a: '(a) 0.4 Ec Ig', b: '(b) 0.2 Ec Ig + Es Ise', c: '(c) Ec I of table 6.6.3.1.1(b)' },
  },
  {
    key: 'cmWhenLeast',
    title: 'Cm where the minimum moment governs',
    clause: '6.6.4.5.4',
    topic: 'columns',
    options: { ratio: 'from the end moments', one: '1.0' },
  },
  {
    key: 'cmWithout',
    title: 'Cm where both end moments are zero',
    clause: '6.6.4.5.3, 6.6.4.5.4',
    topic: 'columns',
    options: { one: '1.0', ratio: '0.6: M1 / M2 taken as zero' },
  },
  {
    key: 'lapsTogether',
    title: 'Bars that lap at one level',
    clause: '10.7.5.2.2',
    topic: 'columns',
    options: { all: 'all of them', half: 'half of them, the others at least ld away' },
  },
  {
    key: 'accidental',
    title: 'Minimum moments M2,min',
    clause: '6.6.4.5.4',
    topic: 'columns',
    options: { worse: 'about the worse axis, one at a time', both: 'about both axes at once' },
  },
];

/** The rules of ACI 318-19 for columns and walls. */
export function columnRules(form: Form, choose: (key: string) => string, shearBasis: (m: Materials) => shear.ShearBasis): ColumnRules {
  const basisOf: ColumnRules['ultimateBasis'] = (c, m, transverse) =>
    ultimateBasis(c, m, form, {
      isSpiral: transverse === 'spiral',
      deductsDisplaced: choose('displaced') === 'deduct',
      roundsYieldStrain: choose('yieldStrain') === 'rounded',
    });
  return {
    ultimateBasis: basisOf,
    nominal: (m, transverse) => ({
      basis: { ...basisOf(silent, m, transverse), reduction: null, axialCap: null },
      name: 'nominal strength',
    }),
    recordResistance,
    effectiveLength,
    slenderness: (axis) =>
      slendernessRule(axis, {
        form,
        stiffness: choose('stiffness') as 'a' | 'b' | 'c',
        cmWhenLeast: choose('cmWhenLeast') as 'ratio' | 'one',
        cmWithout: choose('cmWithout') as 'ratio' | 'one',
      }),
    sustainedBy: 'axial',
    sustainedMeaning: 'sustained over total factored axial force, βdns (6.6.4.4.4)',
    splitsSway: true,
    storey: {
      text: 'Only for unbraced columns: the stability index Q, or the sums of the storey.',
      fields: { Q: 'Stability index Q', sumP: 'ΣPu', sumPc: 'ΣPc' },
    },
    accidentalTogether: choose('accidental') === 'both',
    measure: choose('measure') as 'moment' | 'ray',
    leastSteel: (c, _N, area) => columns.leastSteel(c, area),
    mostSteel: columns.mostSteel,
    mostAtLaps: { value: 0.08, clause: '10.6.1.1' },
    leastBars: { rectangular: 4, circular: 4, spiral: 6, clause: '10.7.3.1' },
    // No least size is set; the smallest deformed bar.
    leastBarDiameter: { value: form === 'SI' ? 9.5 : 0.375 * INCH, clause: '20.2.1' },
    clearSpacing: (diameter, aggregate, c) => columns.clearSpacing(diameter, aggregate, form, c),
    spiral: columns.spiralRatio,
    ties: (c, q) => columns.tieRules(c, q, form),
    shear: (c, q) => columnShear(c, q, shearBasis(q.materials)),
    lap: (c, q, stress) => columnLap(c, q, stress, choose('lapsTogether') as LapShare, form),
    joinShear: (x, y, c) => ({ utilisation: shear.biaxialUtilisation(x, y, c), clause: '22.5.1.11' }),
    wallFactor,
    wallLinks: { value: 0.01, clause: '11.7.4.1' },
    wallSteel: (c, area, vertical, thickness) => wallSteel(c, area, vertical, thickness, form),
    clauses: { axial: '22.4', squash: '22.4.2', slenderness: '6.2.5', shear: '22.5', growth: '6.2.5.3', bars: '10.7.3.1' },
    mostGrowth: 1.4,
  };
}

/** Design shear strength of a column (N), 22.5, with the axial force in Vc. */
function columnShear(c: Calc, q: ColumnShear, basis: shear.ShearBasis): number {
  // A round section counts with its diameter and 0.8 of it (22.5.2.2).
  const [bw, d] = q.isRound ? [q.h, 0.8 * q.h] : [q.bw, q.d];
  const section = { bw, d, h: q.h, tensionArea: q.tensionSteel, grossArea: q.area };
  const links = { diameter: 0, area: q.tieArea, legs: 2, spacing: q.tieSpacing };
  return shear.shearResistance(c, section, links, basis, q.N).force;
}
