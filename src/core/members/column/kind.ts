import type { DesignCode } from '../../codes/design-code';
import type { Fact } from '../../document/blocks';
import { silhouettes } from '../../drawing/silhouettes';
import type { Kind } from '../kind';
import { codeOf, memberSchema } from '../member';
import { shapeLabel, sizeUnit } from '../parts/bar-labels';
import { codeChoices } from '../parts/choices';
import { withConcrete } from '../parts/settings';
import { uprightFacts, uprightFigures, uprightInputs } from './content';
import { emptyModel } from '../../model/member-model';
import { columnFaults } from './faults';
import { frameFacts } from './frame/facts';
import { columnInSpace } from './model';
import { columnModel } from './section';
import type { ColumnMember } from './input';
import { columnBarsLabel, columnLabels, tieLabel } from './labels';
import { emptyColumnResult, type ColumnResult } from './result';
import { columnFields } from './schema';
import { withAbove } from './load-sets';
import { columnToJson } from './to-json';

const NONE = 'Nothing among the usual bars holds: try a larger size, or another concrete.';

/** Columns of any section. */
export const columnKind: Kind<ColumnMember, ColumnResult> = {
  type: 'column',
  word: 'column',
  element: 'column',
  starts: [
    {
      id: 'column',
      title: 'column',
      mark: 'C',
      // Braced, with one load set; its sustained part is left open, so that it is asked for.
      fields: ({ display }) => {
        const isUS = display === 'US';
        return {
          title: 'Column',
          shape: isUS ? { kind: 'rectangle', b: '16 in', h: '16 in' } : { kind: 'rectangle', b: 350, h: 350 },
          height: isUS ? '12 ft' : 3500,
          cover: isUS ? '1.5 in' : 30,
          ties: { spacing: isUS ? '8 in' : 200 },
          sets: [{ name: 'L1', N: isUS ? '250 kip' : 1000, mxTop: isUS ? '60 kip-ft' : 60, mxBottom: isUS ? '-30 kip-ft' : -30 }],
        };
      },
    },
    {
      id: 'section',
      title: 'section under N, Mx and My',
      verb: 'check',
      mark: 'X',
      // One set with moments about both axes and shears both ways.
      fields: ({ display }) => {
        const isUS = display === 'US';
        return {
          title: 'Section',
          isSection: true,
          shape: isUS ? { kind: 'rectangle', b: '16 in', h: '16 in' } : { kind: 'rectangle', b: 350, h: 350 },
          height: isUS ? '3 ft' : 1000,
          cover: isUS ? '1.5 in' : 30,
          ties: { spacing: isUS ? '8 in' : 200 },
          sets: [
            {
              name: 'L1',
              N: isUS ? '150 kip' : 600,
              mxTop: isUS ? '50 kip-ft' : 70,
              myTop: isUS ? '30 kip-ft' : 40,
              vy: isUS ? '12 kip' : 50,
            },
          ],
        };
      },
    },
  ],
  schema: (d) => memberSchema('column', columnFields, d),
  faults: columnFaults,
  empty: (faults) => emptyColumnResult('column', faults),
  choices: codeChoices('beams', 'strips'),
  follows: {
    of: ({ from }) => from && { member: from.member, part: from.column, as: 'below' },
    fields: ['shape', 'mode', 'sets'],
    adds: ({ from }, given) => ({ ...given, sets: withAbove((given as ColumnMember).sets, from!.above) }),
    letGo: () => ({ from: null }),
  },
  withSettings: (column, s) => ({
    ...withConcrete(column, s),
    ...(s.crackWidth === null ? {} : { crackLimit: s.crackWidth }),
    ...(s.frame ? { frame: s.frame } : {}),
  }),
  withSide: ({ shape }, side, value) => (side in shape ? { shape: { ...shape, [side]: value } } : undefined),
  searches: [
    { id: 'steps', title: 'single changes', none: NONE },
    { id: 'bars', title: 'bars for this size', none: NONE },
    { id: 'square', title: 'least square', none: NONE },
    { id: 'rectangle', title: 'least rectangle', none: NONE },
    { id: 'circle', title: 'least circle', none: NONE },
  ],
  sizeLabel: ({ shape }, units) => `${shapeLabel(shape, units)}${sizeUnit(units)}`,
  steelLabel: (column, result, project) =>
    result && result.bars.length > 0 ? `${columnBarsLabel(project, result.bars)}, ${tieLabel(project, column)}` : '',
  silhouette: ({ shape }) => (shape.kind === 'L' ? silhouettes.cornerL : silhouettes[shape.kind]),
  facts: (column, result, project) => {
    const words = {
      size: `${shapeLabel(column.shape, project.display)}${sizeUnit(project.display)}`,
      cover: 'Cover to ties',
      edges: '',
      ends: 'beams and columns',
      isSection: column.isSection,
      bars: columnBarsLabel(project, result.bars),
      ties: tieLabel(project, column),
    };
    const from: Fact[] = column.from
      ? [['Shape and forces', `those of the slab that it follows, at its column ${column.from.column}`]]
      : [];
    return [...uprightFacts(column, words, result, project), ...frameFacts(column, codeOf(project, column)), ...from];
  },
  inputTables: (column, result, _project, level) => uprightInputs(column, result, level),
  figures: (column, result, project) => {
    const code: DesignCode = codeOf(project, column);
    return uprightFigures(column, code, result, project.display, (bars) => columnLabels(project, column, bars));
  },
  model: (column, code, { faults }) => (faults.length > 0 ? emptyModel : columnInSpace(column, code, columnModel(column, code))),
  toJson: columnToJson,
};
