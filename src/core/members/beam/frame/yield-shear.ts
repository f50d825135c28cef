import { silent } from '../../../calc/calc';
import type { CaseResponse } from '../../../analysis/envelope';
import { momentAt, shearAt } from '../../../analysis/line-beam';
import type { FrameRules } from '../../../codes/frame-rules';
import type { BeamAnalysis } from '../analysis';
import type { ResistanceMap } from '../resistance';
import { sectionAt } from '../section-at';
import { endsOf } from './frame-ends';
import type { Sense } from '../sense';
import type { PreparedBeam } from '../prepared';

/** Shear along a span while its ends yield, whichever way the frame sways (N). */
export interface YieldShear {
  /** What the ends bring, by the way of swaying: left end hogging and right end sagging, and the other way round. */
  readonly sway: readonly [number, number];
  readonly clearSpan: number;
  /** Shear at a station of the span, and the sway's part in it. */
  at(station: number): { readonly force: number; readonly gravity: number; readonly sway: number };
}

/** The shear of a span by capacity; null where the class does not ask for it, or no end can yield. */
export function yieldShear(
  beam: PreparedBeam,
  rules: FrameRules,
  analysis: BeamAnalysis,
  resistance: ResistanceMap,
  span: number,
): YieldShear | null {
  const { endMoment } = rules;
  const ends = endsOf(beam, analysis, span);
  if (!endMoment || ends.length === 0) return null;
  const moment = (isLeft: boolean, sense: Sense) => {
    const end = ends.find((e) => e.isLeft === isLeft);
    return end ? endMoment(silent, sectionAt(beam, resistance.map, span, end.x, sense).section, beam.materials) : 0;
  };
  const clearSpan = analysis.faces[span + 1]!.left - analysis.faces[span]!.right;
  const sway = [
    (moment(true, 'hogging') + moment(false, 'sagging')) / clearSpan,
    (moment(true, 'sagging') + moment(false, 'hogging')) / clearSpan,
  ] as const;
  return {
    sway,
    clearSpan,
    at: (station) => {
      const gravity = gravityShear(rules, analysis, span, station);
      const [down, up] = [Math.abs(gravity + sway[0]), Math.abs(gravity - sway[1])];
      return down >= up ? { force: down, gravity, sway: sway[0] } : { force: up, gravity, sway: sway[1] };
    },
  };
}

/** Shear of the span by itself under the loads that are there meanwhile: that of the beam less what its end moments bring. */
function gravityShear(rules: FrameRules, analysis: BeamAnalysis, span: number, station: number): number {
  const { element, s } = analysis.envelope.stations[station]!;
  return analysis.elastic.reduce((sum, k) => {
    const factor = k.loadCase.nature === 'settlement' ? 0 : rules.gravityFactor(k.loadCase);
    return factor === 0 ? sum : sum + factor * simpleShear(k, analysis, span, element, s);
  }, 0);
}

function simpleShear({ parts }: CaseResponse, { mesh }: BeamAnalysis, span: number, element: number, s: number): number {
  const first = mesh.supportNode[span]!;
  const last = mesh.supportNode[span + 1]! - 1;
  const L = mesh.x[last + 1]! - mesh.x[first]!;
  return parts.reduce((sum, { response: { elements } }) => {
    const fromEnds = (momentAt(elements, last, mesh.x[last + 1]! - mesh.x[last]!) - momentAt(elements, first, 0)) / L;
    return sum + shearAt(elements, element, s) - fromEnds;
  }, 0);
}
