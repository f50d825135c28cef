import { emptyModel } from '../../model/member-model';
import type { Kind } from '../kind';
import { memberSchema } from '../member';
import { layerLabel } from '../parts/bar-labels';
import { codeChoices } from '../parts/choices';
import { withConcrete, withSlabSizes } from '../parts/settings';
import { usualCases } from '../parts/usual-cases';
import { plateFacts, plateFigures, plateInputs } from './content';
import { plateFaults } from './faults';
import type { PlateMember } from './input';
import { plateSize } from './labels';
import { shortWords } from './bar-axes';
import { plateModelOf } from './model';
import { emptyPlateResult, type PlateResult } from './result';
import { plateFields } from './schema';
import { plateToJson } from './to-json';

/** Slabs of any outline on edges and walls, worked out as elastic plates. */
export const plateKind: Kind<PlateMember, PlateResult> = {
  type: 'plate',
  word: 'plate',
  element: 'slab',
  starts: [
    {
      id: 'plate',
      title: 'plate',
      mark: 'PL',
      fields: ({ display, code }) => {
        const isUS = display === 'US';
        const { cases, dead, live } = usualCases({ code });
        const [a, b] = isUS ? ['20 ft', '16 ft'] : [6000, 5000];
        return {
          title: 'Floor slab',
          outline: [
            { x: 0, y: 0 },
            { x: a, y: 0 },
            { x: a, y: b },
            { x: 0, y: b },
          ],
          h: isUS ? '8 in' : 200,
          cover: isUS ? { top: '0.75 in', bottom: '0.75 in' } : {},
          cases,
          loads: [
            { type: 'uniform', case: dead, value: isUS ? '25 psf' : 1.5 },
            { type: 'uniform', case: live, value: isUS ? '60 psf' : 3 },
          ],
        };
      },
    },
  ],
  schema: (d) => memberSchema('plate', plateFields, d),
  faults: plateFaults,
  empty: emptyPlateResult,
  choices: codeChoices('columns', 'frames'),
  withSettings: (plate, s) => ({ ...withConcrete(plate, s), ...withSlabSizes(plate, s) }),
  withSide: (_plate, side, h) => (side === 'h' ? { h } : undefined),
  searches: [
    { id: 'changes', title: 'single changes', none: 'No single change of these is possible.' },
    { id: 'bars', title: 'plans of bars', none: 'No other plan of bars is possible.' },
    { id: 'choices', title: 'choices of the analysis', none: 'There is no result to compare with.' },
  ],
  sizeLabel: plateSize,
  steelLabel: (plate, result, project) =>
    (result?.steel.meshes ?? [])
      .flatMap((m) => (m.face === 'bottom' && m.bars ? [`${shortWords(plate, m.along)} ${layerLabel(m.bars, project)}`] : []))
      .join(', '),
  silhouette: () => 'M1 2h14v7h-4v4H1z',
  facts: plateFacts,
  inputTables: plateInputs,
  figures: plateFigures,
  model: (plate, code, { sections, steel }) => (sections.length > 0 ? plateModelOf(plate, code, steel) : emptyModel),
  toJson: plateToJson,
};
