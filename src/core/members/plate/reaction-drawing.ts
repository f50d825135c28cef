import { areaOf, pathThrough, textAt, type Point, type Shape } from '../../drawing/shapes';
import { signedArea } from '../../geometry/polygon';
import type { PlateHandle, PlatePicture } from './picture';
import type { LineReaction } from './result';

type OnSheet = (p: Point) => Point;

/** The largest force per length is drawn so high (px). */
const HIGH = 30;
/** A line with less than this part of the largest resultant is not written at. */
const WORTH = 0.01;

/** What presses on edges, walls and columns under the largest ultimate load: forces per length beside each line, resultants, shears of columns. */
export function reactionShapes({ result, plate, map, labels }: PlatePicture, on: OnSheet): Shape<PlateHandle>[] {
  if (map !== 'reactions') return [];
  // Edges of an outline that runs the other way have their forces within it too.
  const sense = Math.sign(signedArea(plate.outline.map(({ x, y }): Point => [x, y]))) || 1;
  const most = Math.max(...result.reactions.flatMap((r) => r.perLength.map(Math.abs)), 1e-9);
  const worth = WORTH * Math.max(...result.reactions.map((r) => Math.abs(r.resultant)), 0);
  const written = result.reactions.filter((r) => Math.abs(r.resultant) > worth);
  return [
    ...result.reactions.flatMap((r) => ordinates(r, (sense * HIGH) / most, on)),
    ...written.flatMap((r) => figures(r, (sense * HIGH) / most, labels, on)),
    ...result.columns.flatMap(({ forces }, i): Shape<PlateHandle>[] => {
      const { x, y } = plate.columns[i]!;
      const [px, py] = on([x, y]);
      const V = forces.reduce((a, f) => Math.max(a, f.V), -Infinity);
      return Number.isFinite(V) ? [textAt([px, py + 20], labels.force(V), 'demand', { anchor: 'middle', halo: true })] : [];
    }),
  ];
}

/** The top of the force per length at each place of a line, to its left: within an outline that runs counterclockwise. */
function tops({ places, perLength }: LineReaction, scale: number, on: OnSheet): { readonly foot: Point; readonly top: Point }[] {
  const feet = places.map(on);
  return feet.map((foot, i) => {
    const [a, b] = [feet[Math.max(0, i - 1)]!, feet[Math.min(feet.length - 1, i + 1)]!];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const high = perLength[i]! * scale;
    return { foot, top: [foot[0] + (high * (b[1] - a[1])) / length, foot[1] - (high * (b[0] - a[0])) / length] };
  });
}

function ordinates(reaction: LineReaction, scale: number, on: OnSheet): Shape<PlateHandle>[] {
  const all = tops(reaction, scale, on);
  const over = all.map((t) => t.top);
  return [
    areaOf({ fill: 'demandWash' }, ...all.map((t) => t.foot), ...[...over].reverse()),
    pathThrough({ line: 'demand' }, all[0]!.foot, ...over, all.at(-1)!.foot),
  ];
}

/** The largest force per length where it is, and the resultant at a quarter of the line. */
function figures(reaction: LineReaction, scale: number, { value, force }: PlatePicture['labels'], on: OnSheet): Shape<PlateHandle>[] {
  const { perLength, resultant } = reaction;
  const all = tops(reaction, scale, on);
  const peak = perLength.reduce((best, v, i) => (Math.abs(v) > Math.abs(perLength[best]!) ? i : best), 0);
  const beyond = ({ foot, top }: (typeof all)[number], by: number): Point => {
    const length = Math.hypot(top[0] - foot[0], top[1] - foot[1]) || 1;
    return [top[0] + (by * (top[0] - foot[0])) / length, top[1] + (by * (top[1] - foot[1])) / length + 4];
  };
  const quarter = all[Math.floor(all.length / 4)]!;
  return [
    textAt(beyond(all[peak]!, 16), value(perLength[peak]!), 'strong', { anchor: 'middle', halo: true }),
    textAt(beyond(quarter, 18), force(resultant), 'demand', { anchor: 'middle', halo: true }),
  ];
}
