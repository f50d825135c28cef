import { codeChoices } from '../parts/choices';
import { uprightFacts, uprightFigures, uprightInputs } from '../column/content';
import { emptyColumnResult, type ColumnResult } from '../column/result';
import { columnToJson } from '../column/to-json';
import type { Kind } from '../kind';
import { codeOf, memberSchema } from '../member';
import { withConcrete } from '../parts/settings';
import { wallAsColumn } from './as-column';
import { emptyModel } from '../../model/member-model';
import { wallFaults } from './faults';
import { wallInSpace } from './model';
import type { WallMember } from './input';
import { edgesHeld, wallBarsLabel, wallLabels, wallSize } from './labels';
import { wallFields } from './schema';

/** Walls: a metre, or a whole one. */
export const wallKind: Kind<WallMember, ColumnResult> = {
  type: 'wall',
  word: 'wall',
  element: 'wall',
  starts: [
    {
      id: 'wall',
      title: 'wall',
      mark: 'W',
      // A metre of a braced wall with one load set.
      fields: ({ display }) => {
        const isUS = display === 'US';
        return {
          title: 'Wall',
          thickness: isUS ? '8 in' : 200,
          height: isUS ? '10 ft' : 3000,
          cover: isUS ? '1 in' : 25,
          vertical: isUS ? { spacing: '10 in' } : {},
          horizontal: isUS ? { spacing: '10 in' } : {},
          restraint: 'twoSides',
          sets: [{ name: 'L1', N: isUS ? '25 kip' : 400, mxTop: isUS ? '3 kip-ft' : 12, mxBottom: 0 }],
        };
      },
    },
  ],
  schema: (d) => memberSchema('wall', wallFields, d),
  faults: wallFaults,
  empty: (faults) => emptyColumnResult('wall', faults),
  choices: codeChoices('beams', 'strips', 'frames'),
  withSettings: (wall, s) => ({ ...withConcrete(wall, s), ...(s.crackWidth === null ? {} : { crackLimit: s.crackWidth }) }),
  withSide: (_wall, side, thickness) => (side === 'h' ? { thickness } : undefined),
  searches: [{ id: 'changes', title: 'single changes', none: 'No single change of these is possible.' }],
  sizeLabel: wallSize,
  steelLabel: (wall, result, project) => (result ? wallBarsLabel(project, wall) : ''),
  silhouette: () => 'M1 5h14v4H1z',
  facts: (wall, result, project) => {
    const words = {
      size: wallSize(wall, project.display),
      cover: 'Cover to the outer bars',
      bars: wallBarsLabel(project, wall),
      ties: '',
      edges: wall.restraint === 'given' ? '' : edgesHeld[wall.restraint],
      ends: 'floors and walls',
      isSection: false,
    };
    return uprightFacts(wall, words, result, project);
  },
  inputTables: (wall, result, _project, level) => uprightInputs(wall, result, level),
  figures: (wall, result, project) => {
    const code = codeOf(project, wall);
    return uprightFigures(wallAsColumn(wall, code), code, result, project.display, () => wallLabels(project, wall));
  },
  model: (wall, _code, { faults, bars }) => (faults.length > 0 ? emptyModel : wallInSpace(wall, { bars })),
  toJson: columnToJson,
};
