import type { ColumnEnd, RestrainingBeam } from '../../codes/column-rules';
import type { ColumnAxis } from './input';

/** What is said of an end of a column; sizes may still be missing. */
export type GivenEnd = ColumnAxis['top'];
export type GivenBeam = GivenEnd['beams'][number];
/** Sizes of a beam, a floor or a column beyond (mm). */
type Sizes = Pick<GivenBeam, 'b' | 'h' | 'length'>;

const isSized = <S extends Sizes>(s: S): s is S & { readonly [K in keyof Sizes]: number } => [s.b, s.h, s.length].every((v) => v !== null);

/** An end as the code takes it: only what is sized holds it. */
export function endOf({ kind, beams, column }: GivenEnd): ColumnEnd {
  if (kind !== 'framed') return { kind };
  return { kind, beams: beams.filter((b): b is RestrainingBeam => isSized(b)), column: column && isSized(column) ? column : null };
}

/** What is still asked of an end that something is joined to, and at which part of it; floors are as wide as what they hold. */
export function endFaults(
  { kind, beams, column }: GivenEnd,
  where: string,
  isFloor: boolean,
): { readonly part: string; readonly reason: string }[] {
  if (kind !== 'framed') return [];
  const noun = isFloor ? 'floor' : 'beam';
  const sizes = isFloor ? 'depth and span' : 'width, depth and span';
  const faults = beams.flatMap((b, i) => {
    const part = `.beams[${i}]`;
    const name = `${noun} ${i + 1} at the ${where}`;
    if (!isSized(b)) return [{ part, reason: `Give ${sizes} of ${name}: what holds the end is not made up.` }];
    return b.b > 0 && b.h > 0 && b.length > 0 ? [] : [{ part, reason: `The ${sizes} of ${name} must lie above zero.` }];
  });
  if (beams.length === 0)
    faults.push({ part: '', reason: `No ${noun} is given at the ${where}: add those that join it, or call the end pinned.` });
  if (column && !(isSized(column) && column.b > 0 && column.h > 0 && column.length > 0))
    faults.push({ part: '.column', reason: `Give width, depth and height above zero of the column beyond the ${where}.` });
  return faults;
}
