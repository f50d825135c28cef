import { silent } from '../../calc/calc';
import type { BendingResistance, DesignCode } from '../../codes/design-code';
import type { TorsionWall } from '../../codes/torsion-rules';
import type { BeamOutline } from '../../geometry/beam-outline';
import { barOf, type BarGroup } from '../../reinforcement/bar-groups';
import { catalogues } from '../../materials/bars';
import type { BeamInput, LinkZone } from './input';
import { anchorageLengths } from './resistance';
import { sectionAt } from './section-at';
import { SteelMap, type BeamSteel } from './steel';
import { cornerBars, torsionWall } from './torsion';
import type { Sense } from './sense';
import { outlineOf, prepareBeam } from './prepared';

/** One cut through a beam with its bars and its ultimate state. */
export interface SectionState {
  readonly span: number;
  readonly sense: Sense;
  readonly outline: BeamOutline;
  readonly topGroups: readonly BarGroup[];
  readonly bottomGroups: readonly BarGroup[];
  /** The support whose bars stand at the top; null for those of the span. */
  readonly over: number | null;
  readonly zone: LinkZone;
  readonly linkDiameter: number;
  /** The wall that carries torques; null where there are none. */
  readonly torsionWall: TorsionWall | null;
  readonly resistance: BendingResistance | null;
  /** Strain of the compressed edge, and depth of the stress block over x (1 for a parabola). */
  readonly edgeStrain: number;
  readonly blockFactor: number;
  readonly blockStress: number;
}

/** Cuts the beam at x (mm) for a sense of bending. */
export function sectionState(given: BeamInput, code: DesignCode, steel: BeamSteel, x: number, sense: Sense): SectionState {
  const beam = prepareBeam(given, code);
  const { starts } = beam;
  const span = Math.max(
    0,
    Math.min(beam.spans.length - 1, starts.findIndex((s) => s > x) - 1 >= 0 ? starts.findIndex((s) => s > x) - 1 : beam.spans.length - 1),
  );
  const map = new SteelMap(beam, steel, code, anchorageLengths(beam, code, { catalogue: catalogues[beam.catalogue] }));
  const here = sectionAt(beam, map, span, x, sense);
  const top = map.barsAt('top', span, x);
  const bottom = map.barsAt('bottom', span, x);
  const zone = map.linkZoneAt(span, x);
  const linkDiameter = barOf({ count: 1, size: zone.size }, map.catalogue).diameter;
  const law = code.concreteLaw(silent, beam.materials);
  return {
    span,
    sense,
    outline: outlineOf(beam, span),
    topGroups: top.groups,
    bottomGroups: bottom.groups,
    over: top.over,
    zone,
    linkDiameter,
    torsionWall: torsionWall(beam, code, span, linkDiameter, cornerBars(map, span, x)),
    resistance: code.bendingResistance(silent, here.section, beam.materials) ?? null,
    edgeStrain: law.ultimateStrain,
    blockFactor: law.kind === 'block' ? law.depthFactor : 1,
    blockStress: law.stress,
  };
}
