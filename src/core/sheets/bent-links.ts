import { dimensionsOf, type BarSet } from '../model/bar-set';
import type { MemberModel } from '../model/member-model';
import { cutWords, lengthWords, linkWords, type SheetNames } from './bar-words';
import { alongX, fromAbove, linesSeen } from './projection';
import { TEXT, type Entity, type View } from './sheet';

/** Links and legs as they are bent, each mark once, with their out-to-out dimensions and length. */
export function bentLinks(model: MemberModel, scale: number, names: SheetNames): View[] {
  const marks = new Map<string, BarSet>();
  for (const set of model.bars) if (set.role === 'link' && !marks.has(set.mark)) marks.set(set.mark, set);
  if (marks.size === 0) return [];
  const seen = model.concrete[0]?.along === 'x' ? alongX : fromAbove;
  let x = 0;
  const entities = [...marks.values()].flatMap((set): Entity[] => {
    const [line] = linesSeen({ ...set, shifts: set.shifts.slice(0, 1) }, seen);
    if (!line) return [];
    const [us, vs] = [line.map((p) => p[0]), line.map((p) => p[1])];
    const [left, low, right] = [Math.min(...us), Math.min(...vs), Math.max(...us)];
    const words = [
      linkWords({ ...set, spacing: null }, names),
      dimensionsOf(set)
        .map((d) => lengthWords(d, names))
        .join(' / '),
      `L = ${cutWords(set, names)}`,
    ];
    const at = x;
    x += Math.max(right - left, Math.max(...words.map((w) => w.length)) * TEXT * 0.62 * scale) + 6 * scale;
    return [
      {
        kind: 'block',
        name: `bar ${set.mark}`,
        at: [at, 0],
        entities: [{ kind: 'path', layer: 'links', points: line.map(([u, v]) => [u - left, v - low] as const) }],
      },
      ...words.map((text, i): Entity => ({ kind: 'text', layer: 'marks', at: [at, -(4 + 4 * i) * scale], text, height: TEXT })),
    ];
  });
  return [{ title: 'Links, as bent', scale, entities }];
}
