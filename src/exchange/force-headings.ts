/** An axis of a member as tables name it. */
export type Axis = 'x' | 'y' | 'z' | '1' | '2' | '3';

/** A force that a heading names: its sort, its axis where it names one, and the end of the member. */
export interface NamedForce {
  readonly sort: 'axial' | 'shear' | 'moment' | 'torque' | 'force';
  readonly axis: Axis | null;
  readonly end: 'top' | 'foot' | null;
}

/**
 * A force of a member, whatever its axes are called. Moments and shears go in pairs: the moment about one cross axis with the shear along the
 * other. The first pair is that of bending in the depth of a beam.
 */
export type MemberForce = 'N' | 'M1' | 'V1' | 'M2' | 'V2' | 'T';

const SORTS: Readonly<Record<string, NamedForce['sort']>> = {
  n: 'axial',
  p: 'axial',
  v: 'shear',
  q: 'shear',
  m: 'moment',
  t: 'torque',
  f: 'force',
};
const FOOT = /\b(foot|bottom|bot|base|lower|end 2|[2j])\b/;
const TOP = /\b(top|head|upper|end 1|[1i])\b/;

/** A heading in lower case, without its unit and without marks: "M_y,Ed [kNm]" is "m y ed". */
export const plainHeading = (heading: string): string =>
  heading
    .toLowerCase()
    .replace(/[[(].*$/, '')
    .replace(/[_\-.,/]/g, ' ')
    .replace(/ {2,}/g, ' ')
    .trim();

/** The force that a plain heading names; undefined where it names none. */
export function forceIn(heading: string): NamedForce | undefined {
  const short = /^(?:m ?t|([npvqmtf])) ?(?:u|ed|d|sd)? ?([xyz]|11?|22?|33?)?([12ij])?(?: (?:u|ed|d|sd))?(?= |$)/.exec(heading);
  if (short) {
    const rest = `${heading.slice(short[0].length)} ${short[3] ?? ''}`;
    const [sort, axis] =
      short[1] === undefined ? (['torque', null] as const) : [SORTS[short[1]]!, (short[2]?.[0] as Axis | undefined) ?? null];
    return { sort, axis, end: endIn(rest) };
  }
  const axis = (/\b([xyz123])\b/.exec(heading)?.[1] as Axis | undefined) ?? null;
  const end = endIn(heading.replace(/\b[12ij]\b/g, ''));
  if (/^(axial|normal)/.test(heading)) return { sort: 'axial', axis: null, end };
  if (/^(tors|torque)/.test(heading)) return { sort: 'torque', axis: null, end };
  if (/\bshear\b/.test(heading)) return { sort: 'shear', axis, end };
  return /\b(moment|bending)\b/.test(heading) ? { sort: 'moment', axis, end } : undefined;
}

/** Whether a plain heading stands over names of combinations, cases or sets: "load case combo" too. */
export const isCombination = (heading: string): boolean =>
  /^(?:output |load |design )?(?:case|combo|comb|combination|lc|set)s?\b|\b(?:combo|combination)\b/.test(heading);

/** Whether a plain heading stands over names of members. */
export const isMember = (heading: string): boolean =>
  /^(?:member|mark|column|col|beam|frame|element|elem|bar|object|pier|wall)\b/.test(heading);

const endIn = (text: string): NamedForce['end'] => (FOOT.test(text) ? 'foot' : TOP.test(text) ? 'top' : null);

const LETTERS: readonly Axis[] = ['x', 'y', 'z'];

/** The axis that runs along the member, told by the axes that its moments and shears have; null where that is not plain, undefined where none are named. */
export function alongIn(forces: readonly (NamedForce | undefined)[]): Axis | null | undefined {
  const axesOf = (...sorts: NamedForce['sort'][]) => new Set(forces.flatMap((f) => (f?.axis && sorts.includes(f.sort) ? [f.axis] : [])));
  const named = axesOf('shear', 'moment', 'axial', 'force');
  if (named.size === 0) return undefined;
  if (![...named].some((a) => LETTERS.includes(a))) return named.has('3') || axesOf('shear').size > 0 ? '1' : null;
  const [axial] = axesOf('axial');
  if (axial) return axial;
  const missing = (axes: ReadonlySet<Axis>) => LETTERS.filter((a) => !axes.has(a));
  for (const axes of [axesOf('shear'), axesOf('moment')]) if (axes.size === 2) return missing(axes)[0]!;
  // One moment and one shear that are a pair leave the third axis.
  const both = axesOf('shear', 'moment');
  if (both.size === 2) return missing(both)[0]!;
  // Mx alone is a moment, not a torque, where x is a cross axis; z is none of the cross axes of x and y.
  if (both.size === 1) return both.has('z') ? 'x' : both.has('x') ? 'z' : null;
  return null;
}

/** Cross axes about which moments of the first and of the second pair turn, for a member along an axis. */
const CROSS: Readonly<Record<Axis, readonly [first: Axis, second: Axis]>> = {
  x: ['y', 'z'],
  y: ['x', 'z'],
  z: ['x', 'y'],
  '1': ['3', '2'],
  '2': ['3', '1'],
  '3': ['1', '2'],
};

/** Which force of a member a named one is, where its axis runs along the member; undefined where that cannot be said. */
export function memberForce({ sort, axis }: NamedForce, along: Axis | null | undefined): MemberForce | undefined {
  if (sort === 'axial') return 'N';
  if (sort === 'torque') return 'T';
  if (axis === null) return sort === 'moment' ? 'M1' : sort === 'shear' ? 'V1' : undefined;
  if (!along) return undefined;
  if (axis === along) return sort === 'moment' ? 'T' : sort === 'force' ? 'N' : undefined;
  const [first] = CROSS[along];
  if (sort === 'moment') return axis === first ? 'M1' : 'M2';
  return axis === first ? 'V2' : 'V1';
}
