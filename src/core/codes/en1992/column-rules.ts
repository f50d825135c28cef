import { silent, type Calc } from '../../calc/calc';
import type { ColumnRules, ColumnShear } from '../column-rules';
import type { Choice } from '../design-code';
import { recordResistance, ultimateBasis, type Diagram } from './axial';
import * as columns from './columns';
import { clearSpacing } from './detailing';
import { effectiveLength } from './effective-length';
import { designStrength } from './materials';
import type { NationalAnnex } from './national';
import * as shear from './shear';
import { slendernessRule, type SlendernessOptions } from './slenderness';
import { wallFactor, wallSteel } from './walls';
import { formula } from './symbols';

export const F = { sigma: formula('sigma_cp', 'min(N_Ed / A_c, 0.2 * f_cd)', '6.2.2(1)') };

/** What EN 1992-1-1 leaves open for columns and walls. */
export const columnChoices: readonly Choice[] = [
  {
    key: 'columnDiagram',
    title: 'Stress of concrete under N and M',
    clause: '3.1.7',
    topic: 'columns',
    options: { parabola: 'parabola and rectangle', bilinear: 'bilinear', block: 'rectangular block' },
  },
  {
    key: 'columnDisplaced',
    title: 'Concrete displaced by bars',
    clause: '6.1',
    topic: 'columns',
    options: { keep: 'not deducted', deduct: 'deducted' },
  },
  {
    key: 'measure',
    title: 'Utilisation under N and M',
    clause: '6.1 (practice)',
    topic: 'columns',
    options: { moment: 'moment at the same N, true direction', ray: 'N and M growing together' },
  },
  {
    key: 'secondOrder',
    title: 'Second-order moments',
    clause: '5.8.5',
    topic: 'columns',
    options: {
      curvature: 'nominal curvature (5.8.8)',
      stiffness: 'nominal stiffness (5.8.7), factors of (5.22)',
      simpleStiffness: 'nominal stiffness, simple factors (5.26)',
    },
  },
  {
    key: 'curvatureShape',
    title: 'c of the curvature (10: sine; 8: constant)',
    clause: '5.8.8.2(4)',
    topic: 'columns',
    options: { min: 8, max: 12, usual: 10 },
  },
  {
    key: 'momentShape',
    title: 'c0 of the first-order moment (8: constant)',
    clause: '5.8.7.3(2)',
    topic: 'columns',
    options: { min: 8, max: 12, usual: 8 },
  },
  {
    key: 'accidental',
    title: 'Imperfections and minimum eccentricity',
    clause: '5.8.9(2), 6.1(4)',
    topic: 'columns',
    options: { worse: 'about the worse axis, one at a time', both: 'about both axes at once' },
  },
  { key: 'leaning', title: 'Members that lean together (m)', clause: '5.2(5)', topic: 'columns', options: { min: 1, max: 1000, usual: 1 } },
  {
    key: 'beamStiffness',
    title: 'Part of the stiffness of beams, for cracking',
    clause: '5.8.3.2(5)',
    topic: 'columns',
    options: { min: 0.2, max: 1, usual: 0.5 },
  },
  {
    key: 'creep',
    title: 'Creep of stocky columns',
    clause: '5.8.4(4)',
    topic: 'columns',
    options: { count: 'always counted', neglect: 'left out where allowed' },
  },
];

/** The rules of EN 1992-1-1 for columns and walls. */
export function columnRules(annex: NationalAnnex, choose: (key: string) => string, shearBasis: shear.ShearBasis): ColumnRules {
  const options: SlendernessOptions = {
    annex,
    method: choose('secondOrder') as SlendernessOptions['method'],
    curvatureShape: Number(choose('curvatureShape')),
    momentShape: Number(choose('momentShape')),
    members: Number(choose('leaning')),
    neglectsCreep: choose('creep') === 'neglect',
  };
  return {
    ultimateBasis: (c, m) => ultimateBasis(c, m, annex, choose('columnDiagram') as Diagram, choose('columnDisplaced') === 'deduct'),
    nominal: (m) => ({
      basis: ultimateBasis(
        silent,
        m,
        { ...annex, alphaCC: 1, gammaC: 1, gammaS: 1 },
        choose('columnDiagram') as Diagram,
        choose('columnDisplaced') === 'deduct',
      ),
      name: 'characteristic strengths',
    }),
    recordResistance,
    effectiveLength: (c, input) => effectiveLength(c, input, Number(choose('beamStiffness'))),
    slenderness: (axis) => slendernessRule(axis, options),
    sustainedBy: 'moment',
    sustainedMeaning: 'quasi-permanent over design first-order moment, M0Eqp / M0Ed (5.8.4)',
    splitsSway: false,
    storey: null,
    accidentalTogether: choose('accidental') === 'both',
    measure: choose('measure') as 'moment' | 'ray',
    biaxialRule: columns.biaxialRule,
    leastSteel: (c, N, area, m) => columns.leastSteel(c, N, area, m, annex),
    mostSteel: columns.mostSteel,
    mostAtLaps: { value: columns.MOST_AT_LAPS, clause: '9.5.2(3)' },
    leastBars: { rectangular: 4, circular: 4, spiral: 4, clause: '9.5.2(4)' },
    leastBarDiameter: { value: annex.columnBar, clause: '9.5.2(1)' },
    clearSpacing,
    ties: columns.tieRules,
    shear: (c, q) => columnShear(c, q, annex, shearBasis),
    wallSteel,
    wallFactor,
    wallLinks: { value: 0.02, clause: '9.6.4(1)' },
    clauses: { axial: '6.1', squash: '6.1', slenderness: '5.8.3', shear: '6.2', growth: '5.8.7.3', bars: '9.5.2' },
    mostGrowth: null,
  };
}

/** Shear resistance of a column (N): of the concrete with its compression, or of links and struts, whichever is more. */
function columnShear(c: Calc, q: ColumnShear, annex: NationalAnnex, basis: shear.ShearBasis): number {
  const { materials: m } = q;
  const section = { bw: q.bw, d: q.d, h: q.h, tensionArea: q.tensionSteel, grossArea: q.area };
  const f_cd = designStrength(c, m.concreteStrength, annex.alphaCC, annex.gammaC);
  const sigma = c.let(F.sigma, { N_Ed: q.N, A_c: q.area, f_cd });
  const alone = Math.max(0, shear.resistanceWithoutLinks(c, section, m.concreteStrength, annex, sigma));
  if (q.tieArea === 0) return alone;
  const links = { diameter: 0, area: q.tieArea, legs: 2, spacing: q.tieSpacing };
  return Math.max(alone, shear.resistanceWithLinks(c, section, links, m, basis).force);
}
