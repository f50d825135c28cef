import { codeChoices } from '../parts/choices';
import type { Kind } from '../kind';
import { memberSchema } from '../member';
import { layerLabel } from '../parts/bar-labels';
import { withConcrete, withSlabSizes } from '../parts/settings';
import { usualCases } from '../parts/usual-cases';
import { panelFacts, panelFigures, panelInputs } from './content';
import { panelFaults } from './faults';
import { emptyModel } from '../../model/member-model';
import { panelModel } from './model';
import type { PanelMember } from './input';
import { panelSize } from './labels';
import { emptyPanelResult, type PanelResult } from './result';
import { panelFields } from './schema';
import { panelToJson } from './to-json';

/** Rectangular slabs on beams or walls along all four edges. */
export const panelKind: Kind<PanelMember, PanelResult> = {
  type: 'panel',
  word: 'panel',
  element: 'slab',
  starts: [
    {
      id: 'panel',
      title: 'panel',
      mark: 'SP',
      // It goes on over two of its edges.
      fields: ({ display, code }) => {
        const isUS = display === 'US';
        const { cases, dead, live } = usualCases({ code });
        return {
          title: 'Slab panel',
          lx: isUS ? '16 ft' : 5000,
          ly: isUS ? '20 ft' : 6000,
          h: isUS ? '7 in' : 180,
          supportWidth: isUS ? '12 in' : 250,
          cover: isUS ? { top: '0.75 in', bottom: '0.75 in' } : {},
          edges: { right: 'continuous', top: 'continuous' },
          cases,
          loads: [
            { case: dead, value: isUS ? '25 psf' : 1.5 },
            { case: live, value: isUS ? '60 psf' : 3 },
          ],
        };
      },
    },
  ],
  schema: (d) => memberSchema('panel', panelFields, d),
  faults: panelFaults,
  empty: emptyPanelResult,
  choices: codeChoices('columns', 'frames'),
  withSettings: (panel, s) => ({
    ...withConcrete(panel, s),
    ...withSlabSizes(panel, s),
    ...(s.hasPartitions === null ? {} : { hasPartitions: s.hasPartitions }),
  }),
  withSide: (_panel, side, h) => (side === 'h' ? { h } : undefined),
  searches: [{ id: 'changes', title: 'single changes', none: 'No single change of these is possible.' }],
  sizeLabel: panelSize,
  steelLabel: (_panel, result, project) =>
    (result?.sections ?? [])
      .filter((s) => s.place === 'x' || s.place === 'y')
      .map((s) => `${s.place} ${layerLabel(s.bars, project)}`)
      .join(', '),
  silhouette: () => 'M1 1h14v12H1zM3 3v8h10V3z',
  facts: panelFacts,
  inputTables: panelInputs,
  figures: panelFigures,
  model: (panel, _code, { sections }) => (sections.length > 0 ? panelModel(panel, sections) : emptyModel),
  toJson: panelToJson,
};
