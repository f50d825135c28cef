import { coolRegion } from '../../analysis/heat/heat-region';
import type { Calc } from '../../calc/calc';
import { largestOf } from '../../checks/largest';
import { FIRE_PERIODS, type FireColumn, type FireWay, type IsothermRules } from '../../codes/fire-rules';
import { outlineProperties, type Point } from '../../geometry/polygon';
import { capacityAlongRay, roughAlongRay } from '../../section/capacity';
import { polygonSection } from '../../section/polygon-section';
import { ResistanceSurface } from '../../section/resistance-surface';
import type { ColumnBasis } from './checks';
import { fireField, hotSides, type FireField } from './fire-field';
import type { PlaceResult } from './strength';

/** A section after a period of fire: what carries, and how far its middle has moved (mm). */
export interface HotSection {
  readonly surface: ResistanceSurface;
  readonly middle: Point;
}

/** A coarser table than that of the cold section: its answers are solved all the same. */
const TABLE = { angles: 24, depths: 32 };

const known = new WeakMap<ColumnBasis['model'], Map<string, HotSection | null>>();

/** A section after the k-th period: its concrete inside the isotherm, its bars by their temperatures; null where nothing is left. Kept for the same model. */
export function hotSection(
  { column, model }: Pick<ColumnBasis, 'column' | 'model'>,
  rules: IsothermRules,
  field: FireField,
  k: number,
): HotSection | null {
  let own = known.get(model);
  if (!own) known.set(model, (own = new Map()));
  const key = `${field.side} ${k}`;
  let hot = own.get(key);
  if (hot === undefined) own.set(key, (hot = whatIsLeft({ column, model }, rules, field, k)));
  return hot;
}

function whatIsLeft(
  { column, model }: Pick<ColumnBasis, 'column' | 'model'>,
  rules: IsothermRules,
  field: FireField,
  k: number,
): HotSection | null {
  const cool = coolRegion(field.cells, field.states[k]!, rules.limit);
  if (!cool) return null;
  const bars = model.section.bars.flatMap((b, i) => {
    const area = b.area * rules.barStrength(field.bars[i]![k]!);
    return area > 0 ? [{ ...b, area }] : [];
  });
  const surface = new ResistanceSurface(polygonSection(cool, bars), rules.basis(column.materials), TABLE);
  return { surface, middle: outlineProperties(cool).centroid };
}

/** Forces of fire about the middle of what is left. */
function forcesIn({ middle: [cx, cy] }: HotSection, { N, Mx, My }: PlaceResult, reduction: number) {
  return [reduction * N, reduction * (Mx - N * cy), reduction * (My - N * cx)] as const;
}

/** The table of a surface is within some per cent: those this near to the worst are solved. */
const NEAR = 0.85;

/** N and M in fire over what is left carries, for the worst of all load sets. */
function usedOf(hot: HotSection, places: readonly PlaceResult[], reduction: number): number {
  const all = places.map((p) => forcesIn(hot, p, reduction));
  const rough = all.map((f) => roughAlongRay(hot.surface, ...f));
  const most = Math.max(0, ...rough);
  if (most > 2) return most;
  return Math.max(0, ...all.filter((_, i) => rough[i]! >= NEAR * most).map((f) => capacityAlongRay(hot.surface, ...f)));
}

/** What the isotherm asks besides the section. */
export type Heated = Pick<FireColumn, 'l0' | 'height' | 'slenderness' | 'isOfFire'>;

const kept = new WeakMap<readonly unknown[], FireWay>();

/** Fire resistance of a column or wall by what is left inside the isotherm, for all its load sets together; null where the code has no such way. */
export function isothermWay(c: Calc, basis: ColumnBasis, q: Heated): FireWay | null {
  const rules = basis.code.fire.isotherm;
  if (!rules) return null;
  let way = kept.get(basis.results);
  if (!way) kept.set(basis.results, (way = findWay(basis, rules, q)));
  if (c.recording) record(c, basis, rules);
  return way;
}

function findWay(basis: ColumnBasis, rules: IsothermRules, q: Heated): FireWay {
  const { title, clause } = rules;
  const no = (reason: string): FireWay => ({ title, clause, minutes: 0, reason });
  const fault = rules.materialFault(basis.column.materials);
  if (fault) return no(fault);
  const { x, y } = basis.column.axes;
  if (!x.isBraced || (!y.isBraced && !basis.column.isStrip)) return no('for braced columns only');
  const slenderness = rules.slenderness(q);
  if (slenderness > rules.mostSlenderness + 1e-9)
    return no(`for slenderness up to ${rules.mostSlenderness} in fire, it is ${slenderness.toFixed(0)}`);
  const width = Math.min(basis.model.width, basis.model.depth);
  const places = basis.results.flatMap((r) => (r.refusal ? [] : r.places));
  const found = hotSides(basis.column).map((side) =>
    minutesFrom(
      basis,
      q.isOfFire ? { ...rules, reduction: 1 } : rules,
      fireField(basis.column, rules, basis.code, basis.model, side),
      places,
      width,
    ),
  );
  const worst = largestOf(found, (f) => -f.minutes)!;
  return { title, clause, ...worst };
}

/** The longest period that is kept: what is left only grows less, so that it is looked for by halves. */
function minutesFrom(basis: ColumnBasis, rules: IsothermRules, field: FireField, places: readonly PlaceResult[], width: number) {
  const wide = FIRE_PERIODS.filter((period) => width >= rules.leastWidth(period));
  const used = new Map<number, number>();
  const usedAfter = (k: number) => {
    if (!used.has(k)) {
      const hot = hotSection(basis, rules, field, k);
      used.set(k, hot ? usedOf(hot, places, rules.reduction) : Infinity);
    }
    return used.get(k)!;
  };
  let [kept, lost] = [-1, wide.length];
  while (lost - kept > 1) {
    const k = (kept + lost) >> 1;
    if (usedAfter(k) <= 1) kept = k;
    else lost = k;
  }
  const minutes = kept < 0 ? 0 : FIRE_PERIODS[kept]!;
  if (lost === FIRE_PERIODS.length) return { minutes, reason: 'the longest period looked at' };
  const next = FIRE_PERIODS[lost]!;
  if (lost === wide.length) return { minutes, reason: `${next} minutes need ${rules.leastWidth(next)} mm of width` };
  const u = usedAfter(lost);
  const said =
    u < 100 ? `after ${next} minutes N and M use ${u.toFixed(2)} of what is left` : `after ${next} minutes nothing to speak of is left`;
  return { minutes, reason: field.side === 'all' ? said : `${said}, heated from the ${field.side}` };
}

/** Bars with their temperatures and what is left of their strength, at the period that is asked for. */
function record(c: Calc, { column, code, model }: ColumnBasis, rules: IsothermRules): void {
  const k = FIRE_PERIODS.findIndex((p) => p === column.fire.minutes);
  if (k < 0 || rules.materialFault(column.materials)) return;
  const [side] = hotSides(column);
  const field = fireField(column, rules, code, model, side!);
  const columns = [
    { name: 'x', kind: 'smallLength' },
    { name: 'y', kind: 'smallLength' },
    { name: 'temperature, °C', kind: 'number' },
    { name: 'part of its strength', kind: 'ratio' },
  ] as const;
  const rows = model.section.bars.map((b, i) => [b.x, b.y, field.bars[i]![k]!, rules.barStrength(field.bars[i]![k]!)]);
  c.table(`Bars after ${column.fire.minutes} minutes${side === 'all' ? '' : `, heated from the ${side}`}`, columns, rows);
}
