import type { DesignCode } from '../../../codes/design-code';
import type { BeamAnalysis } from '../analysis';
import type { ShearPlace } from '../choose-links';
import {} from '../input';
import { sensesOf, type ResistanceMap } from '../resistance';
import { endsOf, frameRules, zoneOf } from './frame-ends';
import { yieldShear } from './yield-shear';
import type { PreparedBeam } from '../prepared';

/** What a ductile frame asks of the links of a span, place by place; nothing where the beam is in none. */
export function frameLinkPlaces(
  beam: PreparedBeam,
  code: DesignCode,
  analysis: BeamAnalysis,
  resistance: ResistanceMap,
  span: number,
): ShearPlace[] {
  const rules = frameRules(beam, code);
  const ends = rules ? endsOf(beam, analysis, span) : [];
  if (!rules || ends.length === 0) return [];
  const { stations, maxM, minM } = analysis.envelope;
  const start = beam.starts[span]!;
  const [from, to] = [analysis.faces[span]!.right, analysis.faces[span + 1]!.left];
  const shear = yieldShear(beam, rules, analysis, resistance, span);
  const zones = ends.map((e) => ({ ...e, zone: zoneOf(beam, rules, resistance, e) }));
  const sectionAt = (x: number, i: number) => resistance.shearSection(span, x, sensesOf(maxM[i]!, minM[i]!));
  const along = stations.flatMap((st, i): ShearPlace[] => {
    if (st.span !== span || st.x < from - 0.01 || st.x > to + 0.01) return [];
    const section = sectionAt(st.x, i);
    const near = zones.find((z) => z.zone && Math.abs(st.x - z.x) <= z.zone.length);
    const demand = shear?.at(i);
    const withConcrete = !near || !demand || rules.countsConcrete(demand.sway, demand.force);
    const areaPerLength = demand ? rules.linkArea(demand.force, section, beam.materials, withConcrete) : 0;
    const maxAlong = near?.zone?.spacing ?? rules.beyond(section.d)?.value ?? Infinity;
    return [{ at: st.x - start, force: 0, section, least: { areaPerLength, maxAlong } }];
  });
  // The close links reach to the end of their stretch, which is between two stations.
  const edges = zones.flatMap(({ zone, x, isLeft }): ShearPlace[] => {
    const at = zone ? (isLeft ? Math.min(to, x + zone.length) : Math.max(from, x - zone.length)) : x;
    const i = stations.findIndex((st) => st.span === span && st.x >= at - 0.01);
    return zone ? [{ at: at - start, force: 0, section: sectionAt(at, i), least: { areaPerLength: 0, maxAlong: zone.spacing } }] : [];
  });
  return [...along, ...edges];
}
