import type { DesignCode } from '../../codes/design-code';
import { beside } from '../../drawing/frame';
import type { ColumnBar } from '../../reinforcement/column-bars';
import { formatQuantity, formatUtilisation, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import { amount, type Block, type Cell, type Column, type Fact } from '../../document/blocks';
import type { Figure } from '../kind';
import { codeOf, type MemberBase, type ProjectBasis, type ReportDetail } from '../member';
import { fireFacts, byHand, combinationFacts, inputTable, materialFacts } from '../parts/facts';
import { contourOf, curvatureOf, momentsOf, sectionOf, sliceOf, type ColumnView } from './drawing/views';
import type { ColumnAxis, ColumnForces, ColumnInput } from './input';
import { columnPicture } from './picture';
import type { ColumnResult } from './result';

/** What columns and walls are called by their own names. */
export interface UprightWords {
  readonly size: string;
  /** What the cover is measured to. */
  readonly cover: string;
  readonly bars: string;
  /** Empty where there are none of their own. */
  readonly ties: string;
  /** How the edges give the effective length about x; empty where it is given or found from the ends. */
  readonly edges: string;
  readonly ends: string;
  /** A section by itself has no height. */
  readonly isSection: boolean;
}

type UprightShared = Pick<
  ColumnInput,
  | 'height'
  | 'selfWeight'
  | 'weightFactor'
  | 'cover'
  | 'axes'
  | 'mode'
  | 'materials'
  | 'sets'
  | 'cases'
  | 'caseForces'
  | 'crackLimit'
  | 'fire'
  | 'sustained'
> &
  Pick<MemberBase, 'choices'>;

const FORCES: readonly Column[] = [
  { title: 'N', kind: 'force', isNumber: true },
  { title: 'Mx top', kind: 'moment', isNumber: true },
  { title: 'Mx foot', kind: 'moment', isNumber: true },
  { title: 'My top', kind: 'moment', isNumber: true },
  { title: 'My foot', kind: 'moment', isNumber: true },
  { title: 'Vx', kind: 'force', isNumber: true },
  { title: 'Vy', kind: 'force', isNumber: true },
];
const forceCells = (f: ColumnForces): Cell[] => [
  amount(f.N, 'force'),
  ...[f.mxTop, f.mxBottom, f.myTop, f.myBottom].map((v) => amount(v, 'moment')),
  amount(f.vx, 'force'),
  amount(f.vy, 'force'),
];

const GOVERNING_SETS = 6;

/** All load sets as typed, or the forces by case; on one page the sets that use the section most. */
export function uprightInputs(member: UprightShared, { summaries, sets }: ColumnResult, level: ReportDetail): Block[] {
  if (level === 'summary') {
    const worst = [...summaries].sort((a, b) => (b.utilisation ?? 99) - (a.utilisation ?? 99)).slice(0, GOVERNING_SETS);
    return [
      {
        kind: 'table',
        title: 'Governing load sets',
        columns: [{ title: 'Set' }, ...FORCES, { title: 'Uses', isNumber: true }],
        rows: worst.map((s) => [sets[s.index]!.name, ...forceCells(sets[s.index]!), formatUtilisation(s.utilisation)]),
        ...(sets.length > worst.length ? { foot: `Of ${sets.length} load sets; all of them in the working.` } : {}),
      },
    ];
  }
  return member.mode === 'cases'
    ? inputTable('Forces by load case', [{ title: 'Case' }, ...FORCES], member.caseForces, (f) => [f.case, ...forceCells(f)], level)
    : inputTable(
        'Load sets',
        [{ title: 'Set' }, { title: 'Kind' }, ...FORCES],
        member.sets,
        (s) => [s.name, s.kind, ...forceCells(s)],
        level,
      );
}

const weightText = ({ selfWeight, weightFactor, mode }: UprightShared): string => {
  if (!selfWeight) return 'not added';
  return mode === 'sets'
    ? `added towards the foot, with a factor of ${weightFactor} in factored sets`
    : 'added towards the foot, as a permanent case';
};

/** What a report says of a column or a wall; what its cover is to, its bars and its ties come from the kind. */
export function uprightFacts(member: UprightShared, words: UprightWords, result: ColumnResult, project: ProjectBasis): Fact[] {
  const units = project.display;
  const code = codeOf(project, member);
  const length = (v: number) => formatQuantity(v, 'station', units);
  const axis = (key: 'x' | 'y', a: ColumnAxis): Fact => {
    const s = result.slenderness[key];
    const how =
      (key === 'x' && words.edges) ||
      { factor: 'factor given', length: 'length given', ends: `from the ${words.ends} at both ends` }[a.mode];
    const slender = s
      ? `, slenderness ${s.value.toFixed(1)} against ${s.limit.toFixed(1)}: ${s.isSlender ? 'slender' : 'not slender'}`
      : '';
    return [`Bending about ${key}`, `${a.isBraced ? 'braced' : 'unbraced'}, effective length ${s ? length(s.l0) : '–'} (${how})${slender}`];
  };
  return [
    ['Section', words.size],
    ...(words.isSection ? [] : [['Clear height', amount(member.height, 'station')] as Fact]),
    ...materialFacts(member.materials, code, words.ties ? code.linkTitles.column : code.linkTitles.beam),
    [words.cover, amount(member.cover, 'smallLength')],
    ['Bars', `${words.bars}, ${(100 * result.steelRatio).toFixed(2)} %`],
    ...(words.ties ? [['Ties', words.ties] as Fact] : []),
    ...(words.isSection ? [] : [axis('x', member.axes.x), axis('y', member.axes.y)]),
    ...(words.isSection ? [] : [['Own weight', weightText(member)] as Fact]),
    ['Crack width allowed', amount(member.crackLimit, 'crack')],
    ...fireFacts(member.fire),
    ...(member.sustained === null ? [] : [['Sustained part of the load', amount(member.sustained, 'ratio')] as Fact]),
    ['Load sets', `${result.sets.length}, ${member.mode === 'cases' ? 'combined by the code' : 'as given'}`],
    ...(member.mode === 'cases' ? [['Combinations', combinationFacts(result)] as Fact] : []),
    ...byHand(result, units),
  ];
}
/** Section, moments about both axes, all directions and interaction, for the load set that governs. */
export function uprightFigures(
  column: ColumnInput,
  code: DesignCode,
  result: ColumnResult,
  units: UnitSystem,
  labels: (bars: readonly ColumnBar[]) => ColumnView['labels'],
): Figure[] {
  if (result.summaries.length === 0) return [];
  const { index } = result.summaries.reduce((a, b) => ((b.utilisation ?? 99) > (a.utilisation ?? 99) ? b : a));
  const picture = columnPicture(column, code, result, index, null);
  if (!picture) return [];
  const { set } = picture.strength;
  const view: ColumnView = { column, result, picture, index, units, labels: labels(picture.model.bars) };
  const at = `load set ${[set.name, set.title].filter(Boolean).join(', ')}`;
  const moments = column.isSection ? [] : (['x', 'y'] as const).map((axis) => momentsOf(view, axis, 190, 250));
  const along = `; moments about x (${curvatureOf(view, 'x')}) and y (${curvatureOf(view, 'y')}), ${unitLabel('moment', units)}`;
  return [
    {
      caption: `Section with the neutral axis of ${at}${column.isSection ? '' : along}`,
      drawing: beside('Section and moments', [sectionOf(view, 380, 250), ...moments]),
    },
    {
      caption: `Interaction in the direction of ${at}, other sets turned into it at their utilisation; all directions at its axial force`,
      drawing: beside('Interaction', [sliceOf(view, 470, 260), contourOf(view, 290, 260)]),
    },
  ];
}
