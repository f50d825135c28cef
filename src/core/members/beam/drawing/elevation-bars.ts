import { supportName } from '../input';
import type { ElevationPicture, OnElevation } from './elevation-picture';
import { handle, line, type Point, type Shape } from '../../../drawing/shapes';

/** Narrower than this (on the sheet) a span has room for its bottom bars only. */
const WIDE = 120;

export function linkLines<B>({ steel }: ElevationPicture<B>, { toX, starts, top, depth }: OnElevation): Shape[] {
  return (steel?.links ?? []).flatMap((zones, i) => {
    let from = 0;
    return zones.flatMap((zone) => {
      const count = Math.max(1, Math.round((zone.to - from) / zone.spacing));
      const step = (zone.to - from) / count;
      const lines = Array.from({ length: count }, (_, k) => toX(starts[i]! + from + (k + 0.5) * step)).map((x) =>
        line([x, top + 5], [x, top + depth(i) - 5], 'link'),
      );
      from = zone.to;
      return lines;
    });
  });
}

/** All runs of bars with their names, and handles at the ends that can be moved. */
export function barRuns<B>(p: ElevationPicture<B>, at: OnElevation): Shape[] {
  if (!p.steel) return [];
  return [...p.beam.spans.flatMap((_, i) => spanBars(p, at, i)), ...p.beam.supports.flatMap((_, j) => supportBars(p, at, j))];
}

/** Half the width of a name, about. */
const halfWidth = (text: string) => 2.9 * text.length;

const name = (at: Point, text: string, edit: string, label: string): Shape => ({
  kind: 'text',
  at,
  text,
  style: 'strong',
  anchor: 'middle',
  edit,
  label,
  halo: true,
});

function run(a: Point, b: Point, line: 'bar' | 'barHeavy', edit: string): Shape {
  return { kind: 'path', points: [a, b], line, edit };
}

function spanBars<B>({ steel, barLabel }: ElevationPicture<B>, { toX, starts, top, depth }: OnElevation, i: number): Shape[] {
  const { main, extra } = steel!.bottom[i]!;
  const [a, b] = [toX(starts[i]!), toX(starts[i + 1]!)];
  const middle = (a + b) / 2;
  const isWide = b - a > WIDE;
  const y = top + depth(i) - 7;
  const nameY = top + depth(i) + 15;
  const mainPath = `bars.bottom[${i}].main`;
  const extraPath = `bars.bottom[${i}].extra`;
  const shapes: Shape[] = [run([a + 3, y], [b - 3, y], 'bar', mainPath)];
  if (extra) shapes.push(run([toX(extra.from), y - 4], [toX(extra.to), y - 4], 'barHeavy', `${extraPath}.bars`));
  const both = extra ? `${barLabel(main)} +` : barLabel(main);
  const added = extra ? barLabel(extra.bars) : '';
  // The two names stand side by side around the middle.
  shapes.push(name([middle - halfWidth(added), nameY], both, mainPath, `Bottom bars of span ${i + 1}`));
  if (extra) {
    const title = `Extra bottom bars of span ${i + 1}`;
    shapes.push(name([middle + halfWidth(both) + 4, nameY], added, `${extraPath}.bars`, title));
    shapes.push(handle([toX(extra.from), y - 4], `${extraPath}.from`, `${title}, left end`));
    shapes.push(handle([toX(extra.to), y - 4], `${extraPath}.to`, `${title}, right end`));
  } else if (isWide)
    shapes.push(name([middle + halfWidth(both) + 14, nameY], '+', `${extraPath}.bars`, `Add extra bottom bars in span ${i + 1}`));
  const through = steel!.top[i]!.main;
  if (through) shapes.push(run([a + 3, top + 7], [b - 3, top + 7], 'bar', `bars.top[${i}].main`));
  if (isWide) shapes.push(name([middle, top - 4], through ? barLabel(through) : '+', `bars.top[${i}].main`, `Top bars of span ${i + 1}`));
  return shapes;
}

function supportBars<B>({ steel, beam, barLabel }: ElevationPicture<B>, { toX, starts, top }: OnElevation, j: number): Shape[] {
  const bars = steel!.support[j];
  const path = `bars.support[${j}]`;
  const inwards = bars ? Math.max(22, halfWidth(barLabel(bars.bars)) + 4) : 22;
  const isEnd = j === 0 ? inwards : j === beam.spans.length ? -inwards : 0;
  const nameAt: Point = [toX(starts[j]!) + isEnd, top - 4];
  if (!bars)
    return beam.supports[j]!.type === 'free' ? [] : [name(nameAt, '+', `${path}.bars`, `Add top bars over support ${supportName(j)}`)];
  const y = top + 11;
  const title = `Top bars over support ${supportName(j)}`;
  const [first, last] = [starts[0]!, starts[starts.length - 1]!];
  return [
    run([toX(bars.from), y], [toX(bars.to), y], 'barHeavy', `${path}.bars`),
    name(nameAt, barLabel(bars.bars), `${path}.bars`, title),
    ...(starts[j]! > first ? [handle([toX(bars.from), y], `${path}.left`, `${title}, left end`)] : []),
    ...(starts[j]! < last ? [handle([toX(bars.to), y], `${path}.right`, `${title}, right end`)] : []),
  ];
}
