import { CalcError, silent } from '../../calc/calc';
import type { DesignCode } from '../../codes/design-code';
import type { SlabPlace } from '../../codes/slab-rules';
import { layerOf, layingScore, slabOptions, type SlabBars } from '../../reinforcement/slab-bars';
import type { StripInput } from './input';
import { compressionFace, tensionFace, type Sense } from '../beam/sense';
import { type PreparedBeam, outlineOf, plainOf, pulledWeb } from '../beam/prepared';

/** A moment (N mm on the strip's width) that bars in one face of one span have to carry. */
export interface SlabTask {
  readonly span: number;
  readonly sense: Sense;
  readonly moment: number;
  readonly delta: number;
  readonly place: SlabPlace;
  /** Steel beside that for strength (mm2 on the width), as stiffness or cracks ask for it. */
  readonly least: number;
}

const NOMINAL = 6; // mm, half a thin bar

/** Area and need of one arrangement on the strip's width (mm2); `need` is Infinity where no steel would do. */
export function needOf(strip: StripInput, beam: PreparedBeam, code: DesignCode, task: SlabTask, bars: SlabBars, inset: number) {
  const { diameter, area } = layerOf(bars, strip.catalogue);
  const { b, h } = outlineOf(beam, task.span);
  const d = h - strip.cover[tensionFace(task.sense)] - inset - diameter / 2;
  const d2 = strip.cover[compressionFace(task.sense)] + NOMINAL;
  const section = plainOf(beam, task.span, task.sense);
  const bending = code.bendingSteel(silent, {
    moment: task.moment,
    section,
    d,
    d2,
    materials: strip.materials,
    delta: task.delta,
    singlyOnly: true,
  });
  const width = strip.service.crackWidth;
  const looksAtCracks = h > (code.slab.crackFreeDepth?.h ?? 0);
  const cracks = looksAtCracks
    ? (code.service.leastCrackSteel?.(silent, {
        materials: strip.materials,
        h,
        d,
        diameter,
        width,
        ...pulledWeb(beam, task.span, task.sense),
      }).value ?? 0)
    : 0;
  const least = task.moment > 0 ? Math.max(code.slab.leastSteel(silent, section, d, strip.materials), cracks) : 0;
  return { area: area * b, need: bending.refusal ? Infinity : Math.max(bending.tension, least, task.least) };
}

/** What a choice looks at. */
interface Choosing {
  readonly strip: StripInput;
  readonly beam: PreparedBeam;
  readonly code: DesignCode;
  /** From the cover to the bars along the span (mm). */
  readonly inset: number;
}

/** The lightest arrangement for all of some tasks, at one spacing if it is given; undefined where none that is allowed suffices. */
function lightest({ strip, beam, code, inset }: Choosing, tasks: readonly SlabTask[], spacing?: number): SlabBars | undefined {
  let best: { readonly bars: SlabBars; readonly score: number } | undefined;
  for (const bars of slabOptions(strip)) {
    if (spacing !== undefined && bars.spacing !== spacing) continue;
    const { diameter, area } = layerOf(bars, strip.catalogue);
    const now = layingScore(area, bars.spacing);
    if (best && now >= best.score) continue;
    if (bars.spacing - diameter < code.clearSpacing(diameter, strip.materials.aggregateSize).value) continue;
    const does = tasks.every((t) => {
      if (bars.spacing > code.slab.spacing(outlineOf(beam, t.span).h, t.place).value + 1e-6) return false;
      const { area: has, need } = needOf(strip, beam, code, t, bars, inset);
      return has >= need - 1e-6;
    });
    if (does) best = { bars, score: now };
  }
  return best?.bars;
}

const guarded = (run: () => SlabBars | undefined): SlabBars | undefined => {
  try {
    return run();
  } catch (error) {
    if (error instanceof CalcError) return undefined;
    throw error;
  }
};

/** The heaviest arrangement that is allowed: taken when nothing suffices, so that the check can say by how much. */
function heaviest(strip: StripInput, code: DesignCode): SlabBars {
  const fits = slabOptions(strip).filter((o) => {
    const { diameter } = layerOf(o, strip.catalogue);
    return o.spacing - diameter >= code.clearSpacing(diameter, strip.materials.aggregateSize).value;
  });
  const area = (o: SlabBars) => layerOf(o, strip.catalogue).area;
  return fits.reduce((a, b) => (area(b) > area(a) ? b : a));
}

/** Steel may weigh this much more for one arrangement in all places, or for one spacing. */
const WORTH_ONE_ARRANGEMENT = 1.12;
const WORTH_ONE_SPACING = 1.15;

/** Bars for several tasks of one face: the same everywhere, or at the same spacing, where that costs little more than the best of each. */
export function chooseSlabBars(q: Choosing, tasks: readonly SlabTask[]): SlabBars[] {
  const { strip, code } = q;
  if (tasks.length === 0) return [];
  const total = (list: readonly SlabBars[]) => list.reduce((sum, b) => sum + layerOf(b, strip.catalogue).area, 0);
  const each = tasks.map((t) => guarded(() => lightest(q, [t])) ?? heaviest(strip, code));
  const one = guarded(() => lightest(q, tasks));
  if (one && total(tasks.map(() => one)) <= WORTH_ONE_ARRANGEMENT * total(each)) return tasks.map(() => one);
  const spacings = [...new Set(slabOptions(strip).map((o) => o.spacing))];
  const rows = spacings.flatMap((spacing) => {
    const row = tasks.map((t) => guarded(() => lightest(q, [t], spacing)));
    return row.every((b) => b !== undefined) ? [row as SlabBars[]] : [];
  });
  const best = rows.reduce<SlabBars[] | undefined>((x, y) => (!x || total(y) < total(x) ? y : x), undefined);
  return best && total(best) <= WORTH_ONE_SPACING * total(each) ? best : each;
}
