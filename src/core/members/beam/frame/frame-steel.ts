import { silent } from '../../../calc/calc';
import type { DesignCode } from '../../../codes/design-code';
import { catalogues } from '../../../materials/bars';
import { areaOf, type BarGroup } from '../../../reinforcement/bar-groups';
import { frameRules } from './frame-ends';
import { type PreparedBeam, outlineOf } from '../prepared';

/** Steel that a ductile frame, or the edge of a building, wants through a span, in both faces (mm2), once the bars over the supports are known. */
export function frameSteel(
  beam: PreparedBeam,
  code: DesignCode,
  span: number,
  support: readonly (BarGroup | null)[],
): { readonly bottom: number; readonly top: number } {
  const rules = frameRules(beam, code);
  const integrity = beam.isPerimeter ? code.beamForm.integrity : null;
  if (!rules && !integrity) return { bottom: 0, top: 0 };
  const over = [support[span], support[span + 1]].map((g) => (g ? areaOf([g], catalogues[beam.catalogue]) : 0));
  const most = Math.max(...over);
  const through = Math.max(leastFrameSteel(beam, code, span), (rules?.along?.value ?? 0) * most);
  return { bottom: Math.max(through, (rules?.atFace?.value ?? 0) * most), top: Math.max(through, (integrity?.top.value ?? 0) * most) };
}

/** Minimum reinforcement of a pulled face (mm2), with the effective depth taken as the whole depth. */
export function leastFrameSteel(beam: PreparedBeam, code: DesignCode, span: number): number {
  const ratio = frameRules(beam, code)?.leastRatio(silent, beam.materials)?.value ?? 0;
  const { b, h } = outlineOf(beam, span);
  return ratio * b * h;
}
