import { silent } from '../../calc/calc';
import type { BendingResistance, DesignCode } from '../../codes/design-code';
import { catalogues } from '../../materials/bars';
import type { SlabBars } from '../../reinforcement/slab-bars';
import type { BarsHandle } from '../beam/drawing/handles';
import { anchorageLengths } from '../beam/resistance';
import { sectionAt } from '../beam/section-at';
import { stripAsBeam } from './as-beam';
import type { StripInput } from './input';
import { StripMap, type StripSteel } from './steel';
import type { Sense } from '../beam/sense';
import { outlineOf, prepareBeam } from '../beam/prepared';

/** Bars of a face at a cut, and which of the slab's they are. */
export interface LayerHere {
  readonly bars: SlabBars;
  readonly source: BarsHandle;
}

/** One cut through a strip of slab with its bars and its ultimate state. */
export interface StripCut {
  readonly span: number;
  readonly sense: Sense;
  readonly h: number;
  readonly top: readonly LayerHere[];
  readonly bottom: readonly LayerHere[];
  readonly resistance: BendingResistance | null;
  /** Depth of the stress block over x; 1 for a parabola. */
  readonly blockFactor: number;
}

/** Cuts the slab at x (mm) for a sense of bending. */
export function stripCut(strip: StripInput, code: DesignCode, steel: StripSteel, width: number, x: number, sense: Sense): StripCut {
  const beam = prepareBeam(stripAsBeam(strip, width), code);
  const { starts } = beam;
  const next = starts.findIndex((s) => s > x);
  const span = next < 0 ? beam.spans.length - 1 : Math.max(0, next - 1);
  const map = new StripMap(strip, steel, code, width, anchorageLengths(beam, code, { catalogue: catalogues[strip.catalogue] }));
  const here = sectionAt(beam, map, span, x, sense);
  const law = code.concreteLaw(silent, strip.materials);
  const reaches = (run: { readonly from: number; readonly to: number }) => x >= run.from && x <= run.to;
  const { main, extra } = steel.bottom[span]!;
  const through = steel.top[span]!.main;
  const runs = [span, span + 1].flatMap((j): LayerHere[] => {
    const run = steel.support[j];
    return run && reaches(run) ? [{ bars: run.bars, source: { of: 'over', support: j } }] : [];
  });
  const bottom: LayerHere[] = [{ bars: main, source: { of: 'bottom', span } }];
  if (extra && reaches(extra)) bottom.push({ bars: extra.bars, source: { of: 'extra', span } });
  return {
    span,
    sense,
    h: outlineOf(beam, span).h,
    top: runs.length > 0 ? runs.slice(0, 1) : through ? [{ bars: through, source: { of: 'top' as const, span } }] : [],
    bottom,
    resistance: code.bendingResistance(silent, here.section, strip.materials) ?? null,
    blockFactor: law.kind === 'block' ? law.depthFactor : 1,
  };
}
