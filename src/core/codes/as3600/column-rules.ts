import { silent, type Calc } from '../../calc/calc';
import type { ColumnRules, ColumnShear } from '../column-rules';
import type { Choice, ShearSection } from '../design-code';
import { nominalBasis, recordResistance, ultimateBasis, type Narrowing } from './axial';
import { columnLap } from './column-laps';
import * as columns from './columns';
import { confinement } from './confinement';
import { clearSpacing } from './detailing';
import { effectiveLength } from './effective-length';
import { shearResistance, type ShearMethod } from './shear-rules';
import { slendernessRule } from './slenderness-rule';
import { simpleWall, wallFactor, wallSteel } from './walls';

/** What AS 3600 leaves open for columns and walls. */
export const columnChoices: readonly Choice[] = [
  {
    key: 'measure',
    title: 'Utilisation under N and M',
    clause: '10.6 (practice)',
    topic: 'columns',
    options: { moment: 'moment at the same N, true direction', ray: 'N and M growing together' },
  },
  {
    key: 'narrowing',
    title: 'α2 where the compressed width falls towards the edge (corners under biaxial bending), and in circles',
    clause: '8.1.3, 10.6.2.5',
    topic: 'columns',
    options: { reduce: 'less 10 %, in circles less 5 %', keep: 'not reduced' },
  },
  {
    key: 'accidental',
    title: 'Minimum moments 0.05 D N*',
    clause: '10.1.2',
    topic: 'columns',
    options: { both: 'about both axes at once', worse: 'about the worse axis, one at a time' },
  },
];

/** The rules of AS 3600 for columns and walls. */
export function columnRules(choose: (key: string) => string): ColumnRules {
  const narrowing = choose('narrowing') as Narrowing;
  const deducts = choose('displaced') === 'deduct';
  const method = choose('shearMethod') as ShearMethod;
  return {
    ultimateBasis: (c, m) => ultimateBasis(c, m, narrowing, deducts),
    nominal: (m) => ({ basis: nominalBasis(silent, m, narrowing, deducts), name: 'without φ' }),
    recordResistance,
    effectiveLength,
    slenderness: slendernessRule,
    sustainedBy: 'axial',
    sustainedMeaning: 'permanent over permanent and imposed axial force, G / (G + Q), βd (10.4.4)',
    splitsSway: false,
    storey: {
      text: 'Only for unbraced columns: the sums of axial forces and of buckling loads of the columns of the storey.',
      fields: { sumP: 'ΣN*', sumPc: 'ΣNc' },
    },
    accidentalTogether: choose('accidental') === 'both',
    measure: choose('measure') as 'moment' | 'ray',
    biaxialRule: columns.biaxialRule,
    leastSteel: (c, _N, area) => columns.leastSteel(c, area),
    mostSteel: columns.mostSteel,
    // Twice the 4 % of 10.7.1(b): where all bars lap they are there twice.
    mostAtLaps: { value: 0.08, clause: '10.7.1(b)' },
    leastBars: { rectangular: 4, circular: 4, spiral: 4, clause: '10.7.4' },
    // No least size is set; the smallest deformed bar.
    leastBarDiameter: { value: 10, clause: '3.2.1' },
    clearSpacing,
    ties: columns.tieRules,
    confinement,
    shear: (c, q) => columnShear(c, q, method),
    lap: columnLap,
    wallFactor,
    simpleWall,
    wallLinks: { value: 0.01, clause: '11.7.4' },
    wallSteel,
    clauses: { axial: '10.6', squash: '10.6.2.2', slenderness: '10.3.1', shear: '8.2', growth: '10.4', bars: '10.7.4' },
    mostGrowth: null,
  };
}

/** Design shear strength of a column in one direction (N), 8.2. A round section counts with its diameter and 0.8 of it. */
function columnShear(c: Calc, q: ColumnShear, method: ShearMethod): number {
  const [bw, d] = q.isRound ? [q.h, 0.8 * q.h] : [q.bw, q.d];
  const section: ShearSection = {
    bw,
    d,
    h: q.h,
    tensionArea: q.tensionSteel,
    grossArea: q.area,
    axial: q.N,
    ...(q.M === undefined ? {} : { actions: { M: q.M, V: Math.abs(q.V) } }),
  };
  const links = { diameter: 0, area: q.tieArea, legs: 2, spacing: q.tieSpacing };
  return shearResistance(c, section, q.tieArea > 0 ? links : null, q.materials, method).force;
}
