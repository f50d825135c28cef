import type { DesignCode } from '../../codes/design-code';
import { designWall } from './design-wall';
import type { WallInput, WallMesh } from './input';
import { roundDown, roundUp, usualSizes } from '../../reinforcement/usual-sizes';
import { nextSize } from '../column/changes';
import { decisiveSets } from '../column/proposals';
import { usualRates, type ProjectRates } from '../../advice/rates';
import { fromTo, lengthTitle, otherConcretes, singleChanges, trialOf, type Candidate, type Change } from '../../advice/single-changes';

export type WallStep = Change<Partial<WallInput>>;

/** A mesh with the next size or the next spacing that the office uses, each way. */
function otherMeshes(wall: WallInput, key: 'vertical' | 'horizontal'): Candidate<Partial<WallInput>>[] {
  const { size, spacing } = wall[key];
  const { spacings } = usualSizes[wall.catalogue].slab;
  const make = (mesh: WallMesh) => ({
    title: `${key === 'vertical' ? 'up' : 'across'} ${mesh.size} @ ${lengthTitle(mesh.spacing, wall.catalogue)}`,
    about: key,
    change: { [key]: mesh } as Partial<WallInput>,
  });
  const sizes = ([1, -1] as const).flatMap((by) => nextSize(size, wall.catalogue, by) ?? []);
  const closer = spacings.filter((s) => s < spacing - 1).at(-1);
  const wider = spacings.find((s) => s > spacing + 1);
  return [
    ...sizes.map((next) => make({ size: next, spacing })),
    ...[closer, wider].flatMap((next) => (next === undefined ? [] : [make({ size, spacing: next })])),
  ];
}

function candidates(wall: WallInput, code: DesignCode): Candidate<Partial<WallInput>>[] {
  const { thickness, catalogue, materials } = wall;
  const step = catalogue === 'us' ? 25.4 : 25;
  return [
    ...otherMeshes(wall, 'vertical'),
    ...otherMeshes(wall, 'horizontal'),
    ...[roundDown(thickness, step) + step, roundDown(thickness, step) + 2 * step, roundUp(thickness, step) - step]
      .filter((t) => t >= 125)
      .map((t) => ({ title: fromTo('thick', thickness, t, catalogue), about: 'thickness', change: { thickness: t } })),
    ...otherConcretes(materials, code).map(({ change, ...c }) => ({
      ...c,
      change: { materials: { ...materials, concreteStrength: change } },
    })),
  ];
}

/** How easily the meshes are placed: by the closest spacing, and by how few sizes there are. */
const buildability = ({ vertical, horizontal }: WallInput): number =>
  0.7 * Math.max(0, Math.min(1, (Math.min(vertical.spacing, horizontal.spacing) - 75) / 125)) +
  (vertical.size === horizontal.size ? 0.3 : 0.15);

/** Single changes of a wall, each designed in full for the sets that may govern, those that hold first. Empty with faults. */
export function proposeWallSteps(wall: WallInput, code: DesignCode, rates: ProjectRates = usualRates, most = 10): WallStep[] {
  const design = (w: WallInput) => designWall(w, code, { derive: [], units: 'SI' });
  const result = design(wall);
  if (result.faults.length > 0) return [];
  return singleChanges(
    trialOf(decisiveSets(wall, result), rates, design, (_result, w) => buildability(w)),
    (w) => candidates(w, code),
  ).slice(0, most);
}
