import type { ProjectRates } from '../../advice/rates';
import {
  keepingOrAnew,
  lengthTitle,
  otherConcretes,
  singleChanges,
  trialOf,
  type Candidate,
  type Change,
} from '../../advice/single-changes';
import type { DesignCode } from '../../codes/design-code';
import { atOnce } from '../../job';
import { designPlate } from './design-plate';
import type { PlateInput } from './input';
import type { PlateResult } from './result';

const chosen: PlateInput['bars'] = { bottom: { x: null, y: null }, top: { x: null, y: null }, extra: null };

/** Other depths and concretes; bars set by hand stay, or are let go of apart. */
function candidates(plate: PlateInput, code: DesignCode): Candidate<Partial<PlateInput>>[] {
  const { h, materials, catalogue, bars } = plate;
  const step = catalogue === 'us' ? 25.4 : 25;
  const list: Candidate<Partial<PlateInput>>[] = [
    ...[1, 2, -1]
      .map((k) => h + k * step)
      .filter((depth) => depth >= 100)
      .map((depth) => ({ title: `depth ${lengthTitle(depth, catalogue)}`, about: 'depth', change: { h: depth } })),
    ...otherConcretes(materials, code).map(({ change: concreteStrength, ...c }) => ({
      ...c,
      change: { materials: { ...materials, concreteStrength } },
    })),
  ];
  return keepingOrAnew(list, { ...bars.bottom, topX: bars.top.x, topY: bars.top.y, extra: bars.extra }, { bars: chosen });
}

/** How easily the bars are laid: by how few kinds there are, and the closest spacing. */
function buildability({ steel }: PlateResult): number {
  const all = [...steel.meshes.flatMap((m) => m.bars ?? []), ...steel.extra.map((e) => e.bars)];
  const kinds = new Set(all.map((b) => `${b.size} ${b.spacing}`)).size;
  const within = (v: number) => Math.max(0, Math.min(1, v));
  return 0.5 * within((5 - kinds) / 4) + 0.5 * within((Math.min(...all.map((b) => b.spacing)) - 75) / 125);
}

/** Single changes of a slab, each designed in full, those that hold first. Empty with faults. */
export function proposePlate(plate: PlateInput, code: DesignCode, rates: ProjectRates): Change<Partial<PlateInput>>[] {
  return singleChanges(
    trialOf(plate, rates, (p: PlateInput) => atOnce(designPlate(p, code, { derive: [], units: 'SI' })), buildability),
    (p) => candidates(p, code),
  );
}
