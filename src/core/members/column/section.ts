import { silent } from '../../calc/calc';
import type { SlenderAxis, SlendernessRule } from '../../codes/column-rules';
import type { DesignCode } from '../../codes/design-code';
import { boundsOf } from '../../geometry/polygon';
import { outlineOfShape } from '../../geometry/section-shapes';
import { catalogues, findBar } from '../../materials/bars';
import { placeColumnBars, type ColumnBar } from '../../reinforcement/column-bars';
import { bearing, polygonSection, type PolygonSection } from '../../section/polygon-section';
import { ResistanceSurface } from '../../section/resistance-surface';
import { emptyState, squashLoad, ultimateAt, type UltimateBasis } from '../../section/ultimate';
import { endOf } from './ends';
import { type ColumnAxis, type ColumnInput } from './input';
import { columnTies, type ColumnTies } from './ties';

/** Everything of a column that does not depend on its loads. */
export interface ColumnModel {
  readonly bars: readonly ColumnBar[];
  readonly ties: ColumnTies;
  readonly section: PolygonSection;
  readonly basis: UltimateBasis;
  readonly surface: ResistanceSurface;
  /** Extents along x and y. */
  readonly width: number;
  readonly depth: number;
  /** Whether concrete and bars are the same to both sides of both axes. */
  readonly isEven: boolean;
  readonly axes: { readonly x: AxisModel; readonly y: AxisModel };
}

export interface AxisModel {
  readonly clear: number;
  readonly l0: number;
  readonly slender: SlenderAxis;
  readonly rule: SlendernessRule;
}

const known = new WeakMap<ColumnInput, { code: DesignCode['settings']; model: ColumnModel }>();

/** Builds bars, section, resistance and slenderness; kept for the same input object and code. */
export function columnModel(column: ColumnInput, code: DesignCode): ColumnModel {
  const before = known.get(column);
  if (before && JSON.stringify(before.code) === JSON.stringify(code.settings)) return before.model;
  const model = build(column, code);
  known.set(column, { code: code.settings, model });
  return model;
}

function build(column: ColumnInput, code: DesignCode): ColumnModel {
  const catalogue = catalogues[column.catalogue];
  const tie = findBar(catalogue, column.ties.size)!;
  const bars = placeColumnBars(column.shape, column.bars, column.cover, tie.diameter, catalogue);
  const outline = outlineOfShape(column.shape);
  const section = polygonSection(outline, bars);
  const basis = code.column.ultimateBasis(silent, column.materials, column.transverse);
  const surface = new ResistanceSurface(section, basis);
  const { left, right, bottom, top } = boundsOf(outline.outer);
  const [width, depth] = [right - left, top - bottom];
  const axis = (key: 'x' | 'y'): AxisModel => axisModel(column, code, section, basis, key, key === 'x' ? depth : width);
  return {
    bars,
    ties: columnTies(column, code, bars),
    section,
    basis,
    surface,
    width,
    depth,
    isEven: isEvenSection(section),
    axes: { x: axis('x'), y: axis('y') },
  };
}

/** Whether a section is its own picture in both axes through its centroid, to a thousandth of a millimetre. */
function isEvenSection({ outline, bars }: PolygonSection): boolean {
  const near = (a: number, b: number) => Math.abs(a - b) < 1e-3;
  const sides = [
    [-1, 1],
    [1, -1],
  ] as const;
  const points = [...outline.outer, ...outline.holes.flat()];
  return sides.every(
    ([sx, sy]) =>
      points.every(([x, y]) => points.some(([px, py]) => near(px, sx * x) && near(py, sy * y))) &&
      bars.every((b) => bars.some((o) => near(o.x, sx * b.x) && near(o.y, sy * b.y) && near(o.area, b.area))),
  );
}

/** Spacing of the ties near the ends of the column: as set, else as close as the rule asks there. */
export const spacingNearEnds = ({ ties }: Pick<ColumnInput, 'ties'>, { ties: { rules } }: Pick<ColumnModel, 'ties'>): number =>
  ties.spacingEnds ?? Math.min(ties.spacing, rules.spacingNearEnds.value);

function axisModel(
  column: ColumnInput,
  code: DesignCode,
  section: PolygonSection,
  basis: UltimateBasis,
  key: 'x' | 'y',
  h: number,
): AxisModel {
  const input = column.axes[key];
  const { gross, bars } = section;
  const clear = input.clear ?? column.height;
  const inertia = key === 'x' ? gross.Ix : gross.Iy;
  const l0 = effectiveLength(input, code, clear, inertia, column);
  const slender: SlenderAxis = {
    materials: column.materials,
    isBraced: input.isBraced,
    clear,
    l0,
    h,
    area: gross.area,
    inertia,
    steelArea: section.steelArea,
    steelInertia: bars.reduce((sum, b) => sum + b.area * (key === 'x' ? b.y : b.x) ** 2, 0),
    perimeter: dryingPerimeter(column, section),
    shape: column.shape.kind === 'rectangle' ? 'rectangle' : column.shape.kind === 'circle' ? 'circle' : 'other',
    squash: squashLoad(section, basis),
    balanced: () => balancedAbout(section, basis, key),
    storey: column.storey,
  };
  return { clear, l0, slender, rule: code.column.slenderness(slender) };
}

/** Balance about an axis, before reduction, for the weaker of both sides. */
function balancedAbout(section: PolygonSection, basis: UltimateBasis, key: 'x' | 'y') {
  const sides = key === 'x' ? [Math.PI / 2, -Math.PI / 2] : [0, Math.PI];
  const { ultimateStrain } = basis.concrete;
  const of = sides.map((theta) => {
    const b = bearing(section, theta);
    const depth = b.vMax - b.vBarMin;
    const state = emptyState();
    const x = (ultimateStrain / (ultimateStrain + basis.steel.yield / basis.steel.modulus)) * depth;
    ultimateAt(section, b, x / b.h, { ...basis, reduction: null }, state);
    return { depth, moment: Math.abs(key === 'x' ? state.Mx : state.My) };
  });
  return of.reduce((a, b) => (b.moment * b.depth < a.moment * a.depth ? b : a));
}

/** Perimeter exposed to drying (mm): of a metre of a longer wall its two faces. */
export const dryingPerimeter = ({ isStrip, shape }: Pick<ColumnInput, 'isStrip' | 'shape'>, { gross }: PolygonSection): number =>
  isStrip && shape.kind === 'rectangle' ? 2 * shape.b : gross.perimeter;

/** Effective length about an axis (mm): given as a factor or a length, or found from the ends. */
export function effectiveLength(
  input: ColumnAxis,
  code: DesignCode,
  clear: number,
  inertia: number,
  column: Pick<ColumnInput, 'materials'>,
): number {
  if (input.mode === 'factor') return input.factor * clear;
  if (input.mode === 'length') return input.length;
  return code.column.effectiveLength(
    silent,
    { top: endOf(input.top), bottom: endOf(input.bottom), isBraced: input.isBraced, clear, inertia },
    column.materials,
  );
}
