import { silhouettes } from '../../drawing/silhouettes';
import { codeChoices } from '../parts/choices';
import { memberSchema } from '../member';
import type { Kind } from '../kind';
import { sizeNumber, sizeUnit } from '../parts/bar-labels';
import { completeBeam } from './complete';
import { beamFacts, beamFigures, beamInputs } from './content';
import { beamFaults } from './faults';
import { emptyModel } from '../../model/member-model';
import { beamInSpace } from './model';
import type { BeamMember } from './input';
import { beamSteelLabel } from './labels';
import { emptyBeamResult, type BeamResult } from './result';
import { beamMemberFields } from './schema';
import { withBeamSettings } from './settings';
import { beamStarts } from './starts';
import { beamToJson } from './to-json';

/** Continuous beams, and sections whose design forces are known. */
export const beamKind: Kind<BeamMember, BeamResult> = {
  type: 'beam',
  word: 'beam',
  element: 'beam',
  starts: beamStarts,
  schema: (d) => memberSchema('beam', beamMemberFields, d),
  complete: completeBeam,
  faults: beamFaults,
  empty: emptyBeamResult,
  choices: codeChoices('columns', 'strips'),
  group: {
    nameOf: (beam) => (beam.mode === 'forces' ? '' : beam.group),
    shared: ['section', 'slab', 'cover', 'materials', 'catalogue', 'unitWeight', 'barRules'],
    sharedIfAlike: ['bars'],
    areAlike: (a, b) => a.spans.length === b.spans.length,
  },
  withSettings: withBeamSettings,
  withSide: ({ section }, side, value) => ({ section: { ...section, [side]: value } }),
  searches: [
    { id: 'changes', title: 'single changes', none: 'No single change of these is possible.' },
    {
      id: 'arrangements',
      title: 'arrangements of bars',
      none: 'No arrangement of the allowed sizes holds: look at single changes.',
      isWeighed: true,
    },
  ],
  sizeLabel: ({ section }, units) =>
    section.shape === 'free'
      ? `outline, ${sizeNumber(section.h, units)}${sizeUnit(units)} deep`
      : `${sizeNumber(section.b, units)} × ${sizeNumber(section.h, units)}${sizeUnit(units)}`,
  steelLabel: (_beam, result, project) => (result?.steel ? beamSteelLabel(project, result.steel) : ''),
  silhouette: ({ section }) => silhouettes[section.shape],
  facts: beamFacts,
  inputTables: beamInputs,
  figures: beamFigures,
  model: (beam, code, result) => (beam.mode === 'forces' ? emptyModel : beamInSpace(beam, code, result)),
  toJson: beamToJson,
};
