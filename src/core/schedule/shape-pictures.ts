import { pathThrough, textAt, type Drawing, type Point, type Shape } from '../drawing/shapes';
import type { BendType } from '../model/bar-set';
import type { ScheduleItem } from './bar-schedule';

/** A shape as it is drawn beside its letters: corners in a cell, and where the letter of each dimension stands. */
interface ShapePicture {
  readonly line: readonly Point[];
  readonly letters: readonly Point[];
}

const [WIDTH, HEIGHT] = [118, 84];
const arc = Array.from({ length: 13 }, (_, i): Point => {
  const a = ((30 + 10 * i) * Math.PI) / 180;
  return [59 + 46 * Math.cos(a), 66 - 46 * Math.sin(a)];
});
const rounded: Point[] = [
  [44, 14],
  [74, 14],
  [88, 26],
  [88, 46],
  [74, 58],
  [44, 58],
  [30, 46],
  [30, 26],
  [44, 14],
];

const pictures: Readonly<Record<BendType, ShapePicture>> = {
  straight: {
    line: [
      [20, 40],
      [98, 40],
    ],
    letters: [[59, 34]],
  },
  L: {
    line: [
      [20, 52],
      [98, 52],
      [98, 26],
    ],
    letters: [
      [59, 46],
      [106, 42],
    ],
  },
  U: {
    line: [
      [28, 26],
      [28, 52],
      [90, 52],
      [90, 26],
    ],
    letters: [
      [20, 42],
      [59, 46],
      [98, 42],
    ],
  },
  arc: {
    line: arc,
    letters: [
      [59, 14],
      [59, 48],
    ],
  },
  link: {
    line: [
      [46, 30],
      [34, 18],
      [84, 18],
      [84, 58],
      [34, 58],
      [34, 18],
      [50, 27],
    ],
    letters: [
      [59, 52],
      [98, 42],
      [60, 36],
    ],
  },
  leg: {
    line: [
      [36, 32],
      [24, 44],
      [94, 44],
      [82, 32],
    ],
    letters: [
      [59, 56],
      [22, 32],
    ],
  },
  other: {
    line: [[54, 28], ...rounded, [60, 25]],
    letters: [
      [59, 54],
      [98, 40],
      [70, 34],
      [20, 40],
    ],
  },
};

/** The shapes of a schedule with the letters of their dimensions and the name of each; not to scale. */
export function shapePictures(items: readonly ScheduleItem[]): Drawing {
  const shown = items.filter((k, i) => items.findIndex((o) => o.shape === k.shape) === i);
  const shapes = shown.flatMap(({ shape, shapeCode, letters, dimensions }, i): Shape<never>[] => {
    const { line, letters: places } = pictures[shape];
    const at = ([x, y]: Point): Point => [x + i * WIDTH, y];
    return [
      pathThrough({ line: 'barHeavy' }, ...line.map(at)),
      ...dimensions.flatMap((_, k) => (places[k] ? [textAt(at(places[k]), letters[k] ?? '', 'small', { anchor: 'middle' })] : [])),
      textAt(at([59, 78]), shapeCode, 'strong', { anchor: 'middle' }),
    ];
  });
  return { width: Math.max(1, shown.length) * WIDTH, height: HEIGHT, title: 'Shapes of the bars', shapes };
}
