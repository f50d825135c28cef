import { line, pathThrough, textAt, type Drawing, type Point, type Shape } from '../../drawing/shapes';

/** Values along a line of the slab: from its beginning (mm), nothing off the slab. */
export type Profile = readonly { readonly s: number; readonly w: number | null }[];

interface ProfilePicture {
  readonly profile: Profile;
  readonly title: string;
  readonly value: (v: number) => string;
  readonly station: (v: number) => string;
  /** Downwards is more, as of a deflection. */
  readonly isDown: boolean;
}

const [LEFT, RIGHT, TOP, BOTTOM] = [84, 24, 26, 16];

/** A field of the slab along a line, with its largest and least value. */
export function profileDrawing({ profile, title, value, station, isDown }: ProfilePicture, width: number, height: number): Drawing {
  const known = profile.flatMap(({ s, w }) => (w === null ? [] : [{ s, w }]));
  const length = profile.at(-1)?.s ?? 1;
  const [low, high] = [Math.min(0, ...known.map((p) => p.w)), Math.max(0, ...known.map((p) => p.w))];
  const x = (s: number) => LEFT + (s / length) * (width - LEFT - RIGHT);
  const share = (w: number) => (w - low) / (high - low || 1);
  const y = (w: number) => TOP + (isDown ? share(w) : 1 - share(w)) * (height - TOP - BOTTOM);
  const pieces = runs(profile).map((run) => run.map(({ s, w }): Point => [x(s), y(w)]));
  const marks = [
    known.reduce((a, b) => (b.w > a.w ? b : a), known[0] ?? { s: 0, w: 0 }),
    known.reduce((a, b) => (b.w < a.w ? b : a), known[0] ?? { s: 0, w: 0 }),
  ];
  const shapes: Shape[] = [
    textAt([8, 16], title, 'strong'),
    line([LEFT, y(0)], [width - RIGHT, y(0)], 'rule'),
    textAt([LEFT, 14], station(0), 'small', { anchor: 'middle' }),
    textAt([width - RIGHT, 14], station(length), 'small', { anchor: 'end' }),
    ...pieces.map((points) => pathThrough({ line: 'demand' }, ...points)),
    ...[...new Map(marks.map((m) => [m.s, m])).values()]
      .filter((m) => Math.abs(m.w) > 1e-3 * Math.max(Math.abs(low), Math.abs(high)))
      .map((m) => textAt([x(m.s), y(m.w) + (isDown === m.w > 0 ? 12 : -5)], value(m.w), 'demand', { anchor: 'middle', halo: true })),
  ];
  return { width, height, title: `Along a line: ${title}`, shapes };
}

/** Stretches that lie on the slab. */
function runs(profile: Profile): { s: number; w: number }[][] {
  const found: { s: number; w: number }[][] = [[]];
  for (const { s, w } of profile) {
    if (w === null) found.push([]);
    else found.at(-1)!.push({ s, w });
  }
  return found.filter((run) => run.length > 1);
}
