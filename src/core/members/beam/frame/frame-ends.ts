import { silent, type Calc } from '../../../calc/calc';
import type { DesignCode } from '../../../codes/design-code';
import type { FrameRules, FrameZone } from '../../../codes/frame-rules';
import { barOf } from '../../../reinforcement/bar-groups';
import type { BeamAnalysis } from '../analysis';
import { holdsMoment } from '../holds-moment';
import type { ResistanceMap } from '../resistance';
import { type PreparedBeam, outlineOf } from '../prepared';

/** An end of a span at the face of a support that can hold a moment there. */
export interface FrameEndPlace {
  readonly span: number;
  readonly support: number;
  /** The face, from the left end of the beam (mm). */
  readonly x: number;
  readonly isLeft: boolean;
}

/** The rules of the beam's frame class; null where it is in none. */
export const frameRules = (beam: PreparedBeam, code: DesignCode): FrameRules | null =>
  beam.mode === 'loads' ? code.frames.rules(beam.frame) : null;

/** The ends of a span that meet a column; cantilevers have none. */
export function endsOf(beam: PreparedBeam, analysis: BeamAnalysis, span: number): FrameEndPlace[] {
  if (beam.supports[span]!.type === 'free' || beam.supports[span + 1]!.type === 'free') return [];
  const left = { span, support: span, x: analysis.faces[span]!.right, isLeft: true };
  const right = { span, support: span + 1, x: analysis.faces[span + 1]!.left, isLeft: false };
  return [left, right].filter((e) => holdsMoment(beam, e.support));
}

export const allEnds = (beam: PreparedBeam, analysis: BeamAnalysis): FrameEndPlace[] =>
  beam.spans.flatMap((_, span) => endsOf(beam, analysis, span));

/** Thinnest longitudinal bar and the thickest links of a span (mm). */
function endBars({ map }: ResistanceMap, span: number) {
  const { steel, catalogue } = map;
  const groups = [steel.bottom[span]!.main, steel.top[span]!.main, steel.support[span]?.bars, steel.support[span + 1]?.bars];
  const diameters = groups.flatMap((g) => (g && g.count > 0 ? [barOf(g, catalogue).diameter] : []));
  return { smallestBar: Math.min(...diameters), link: map.linkDiameter(span) };
}

/** Close links next to an end; null where the class asks for none. */
export function zoneOf(
  beam: PreparedBeam,
  rules: FrameRules,
  resistance: ResistanceMap,
  place: FrameEndPlace,
  c: Calc = silent,
): FrameZone | null {
  const { h } = outlineOf(beam, place.span);
  const { d } = resistance.tensionSteel(place.span, place.x, 'hogging');
  return rules.zone(c, { materials: beam.materials, h, d, ...endBars(resistance, place.span) });
}
