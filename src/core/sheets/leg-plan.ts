import type { Point } from '../geometry/polygon';
import type { MemberModel } from '../model/member-model';
import { barWords, lengthWords, type SheetNames } from './bar-words';
import { TEXT, type Entity } from './sheet';

/** Legs about a column from above, with what stands beside them, and their setting-out along both axes from the middle of the column. */
export function legPlan({ bars, beside = [] }: MemberModel, scale: number, names: SheetNames): Entity[] {
  const places = bars.flatMap((set) => set.shifts.map(([dx, dy]): Point => [set.corners[0]!.at[0] + dx, set.corners[0]!.at[1] + dy]));
  const radius = Math.max(0, ...bars.map((s) => s.bar.diameter)) / 2;
  const top = Math.max(...places.map((p) => p[1]), ...beside.flatMap((o) => o.outer.map((p) => p[1])));
  return [
    ...beside.flatMap(({ outer, holes }) =>
      [outer, ...holes].map((points): Entity => ({ kind: 'path', layer: 'concrete', points, isClosed: true })),
    ),
    ...places.map((at): Entity => ({ kind: 'circle', layer: 'links', at, r: Math.max(radius, 0.5 * scale), isFilled: true })),
    ...settingOut(places, 0, scale, names),
    ...settingOut(places, 1, scale, names),
    ...bars.map((set, i): Entity => ({
      kind: 'text',
      layer: 'marks',
      at: [0, top + (4 + 4 * i) * scale],
      text: barWords([set], names),
      height: TEXT,
      anchor: 'middle',
    })),
  ];
}

/** From leg to leg along the row that is nearest to an axis, where there is one. */
function settingOut(places: readonly Point[], k: 0 | 1, scale: number, names: SheetNames): Entity[] {
  const other = k === 0 ? 1 : 0;
  const ahead = places.filter((p) => p[k] > 0);
  const off = Math.min(...ahead.map((p) => Math.abs(p[other])));
  const row = [...new Set(ahead.filter((p) => Math.abs(Math.abs(p[other]) - off) < 1).map((p) => Math.round(p[k])))].sort((a, b) => a - b);
  if (row.length === 0) return [];
  const low = Math.min(...places.map((p) => p[other]));
  const steps = [0, ...row];
  const at = (v: number): Point => (k === 0 ? [v, low] : [low, v]);
  return steps.slice(1).map((v, i): Entity => {
    const [a, b] = k === 0 ? [at(v), at(steps[i]!)] : [at(steps[i]!), at(v)];
    return { kind: 'dimension', a, b, beside: 7, text: lengthWords(v - steps[i]!, names) };
  });
}
