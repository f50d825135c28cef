import type { Kind } from '../kind';
import { memberSchema } from '../member';
import { shapeLabel, sizeNumber, sizeUnit } from '../parts/bar-labels';
import { withConcrete } from '../parts/settings';
import { makeCode } from '../../codes/registry';
import { punchingFacts, punchingFigures, punchingInputs } from './content';
import { emptyModel } from '../../model/member-model';
import { punchingFaults } from './faults';
import { punchingModel } from './model';
import { stagesOf } from './stage';
import type { PunchingMember } from './input';
import { punchingLabel } from './labels';
import { emptyPunchingResult, type PunchingResult } from './result';
import { punchingFields } from './schema';
import { punchingToJson } from './to-json';

/** Slabs and footings at columns. */
export const punchingKind: Kind<PunchingMember, PunchingResult> = {
  type: 'punching',
  word: 'slab',
  element: 'slab',
  starts: [
    {
      id: 'punching',
      title: 'punching',
      isUncounted: true,
      mark: 'P',
      // A flat slab at an inner column with one set of forces.
      fields: ({ code, display }) => {
        const isUS = display === 'US';
        return {
          title: 'Slab at a column',
          h: isUS ? '10 in' : 250,
          cover: isUS ? '1 in' : 25,
          column: isUS ? { kind: 'rectangle', b: '16 in', h: '16 in' } : { kind: 'rectangle', b: 350, h: 350 },
          barsX: isUS ? { spacing: '6 in' } : {},
          barsY: isUS ? { spacing: '6 in' } : {},
          sets: [{ name: 'U1', V: isUS ? '110 kip' : 450 }],
          momentsBy: makeCode(code).punching.usualMomentsBy,
        };
      },
    },
  ],
  schema: (d) => memberSchema('punching', punchingFields, d),
  faults: punchingFaults,
  empty: emptyPunchingResult,
  choices: (code) => code.punching.choices,
  follows: {
    of: ({ from }) => from && { member: from.member, part: from.column, as: 'around' },
    fields: [
      'materials',
      'catalogue',
      'h',
      'cover',
      'outer',
      'barsX',
      'barsY',
      'column',
      'edges',
      'corner',
      'drop',
      'base',
      'openings',
      'sets',
    ],
    letGo: () => ({ from: null }),
  },
  withSettings: withConcrete,
  withSide: (_place, side, h) => (side === 'h' ? { h } : undefined),
  searches: [{ id: 'changes', title: 'single changes', none: 'No single change of these is possible.' }],
  sizeLabel: ({ column, base, h }, units) =>
    `${shapeLabel(column, units)}${sizeUnit(units)} ${base ? 'on' : 'in'} ${sizeNumber(h, units)}${sizeUnit(units)}`,
  steelLabel: (place, _result, project) => punchingLabel(project, place),
  silhouette: () => 'M1 2h14v3h-4l-1.500 2.500V13h-3V7.500L5 5H1z',
  facts: (place, _result, project) => punchingFacts(place, project),
  inputTables: punchingInputs,
  figures: punchingFigures,
  model: (place, code, { faults }) => (faults.length > 0 ? emptyModel : punchingModel(place, code, stagesOf(place, code)[0]!)),
  toJson: punchingToJson,
};
