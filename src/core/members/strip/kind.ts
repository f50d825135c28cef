import { codeChoices } from '../parts/choices';
import type { Kind } from '../kind';
import { memberSchema } from '../member';
import { sizeNumber, sizeUnit } from '../parts/bar-labels';
import { withConcrete, withLineService, withSlabSizes } from '../parts/settings';
import { usualCases } from '../parts/usual-cases';
import { completeStrip } from './complete';
import { stripFacts, stripFigures, stripInputs } from './content';
import { stripFaults } from './faults';
import { emptyModel } from '../../model/member-model';
import { stripModel } from './model';
import type { StripMember } from './input';
import { stripSteelLabel } from './labels';
import { emptyStripResult, type StripResult } from './result';
import { stripFields } from './schema';
import { stripToJson } from './to-json';

/** Slabs that span one way. */
export const stripKind: Kind<StripMember, StripResult> = {
  type: 'strip',
  word: 'slab',
  element: 'slab',
  starts: [
    {
      id: 'strip',
      title: 'slab',
      mark: 'S',
      fields: ({ display, code }) => {
        const isUS = display === 'US';
        const { cases, dead, live } = usualCases({ code });
        const support = { width: isUS ? '8 in' : 200 };
        return {
          title: 'Slab',
          h: isUS ? '8 in' : 200,
          breadth: isUS ? '20 ft' : 6000,
          cover: isUS ? { top: '0.75 in', bottom: '0.75 in' } : {},
          spans: [{ length: isUS ? '15 ft' : 4500 }, { length: isUS ? '15 ft' : 4500 }],
          supports: [support, support, support],
          cases,
          loads: [
            { type: 'uniform', case: dead, value: isUS ? '25 psf' : 1.5 },
            { type: 'uniform', case: live, value: isUS ? '60 psf' : 3 },
          ],
        };
      },
    },
  ],
  schema: (d) => memberSchema('strip', stripFields, d),
  complete: completeStrip,
  faults: stripFaults,
  empty: emptyStripResult,
  choices: codeChoices('columns', 'frames'),
  withSettings: (strip, s) => ({ ...withConcrete(strip, s), ...withLineService(strip, s), ...withSlabSizes(strip, s) }),
  withSide: (_strip, side, h) => (side === 'h' ? { h } : undefined),
  searches: [
    { id: 'changes', title: 'single changes', none: 'No single change of these is possible.' },
    { id: 'arrangements', title: 'spacings of bars', none: 'With none of the allowed spacings the slab holds: look at single changes.' },
  ],
  sizeLabel: ({ h }, units) => `${sizeNumber(h, units)}${sizeUnit(units)} deep`,
  steelLabel: (_strip, result, project) => (result?.steel ? stripSteelLabel(project, result.steel) : ''),
  silhouette: () => 'M1 4h14v4H1zM2 8h2v4H2zM12 8h2v4h-2z',
  facts: stripFacts,
  inputTables: stripInputs,
  figures: stripFigures,
  model: (strip, code, { steel, bent }) => (steel ? stripModel(strip, code, steel, bent) : emptyModel),
  toJson: stripToJson,
};
