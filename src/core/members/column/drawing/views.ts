import { drawnLength } from '../../parts/bar-labels';
import { spacingNearEnds } from '../section';
import type { UnitSystem } from '../../../units/quantity';
import { displayUnit } from '../../../units/quantity';
import { formatQuantity, formatUtilisation, formatValue, unitLabel } from '../../../units/format';
import type { ColumnInput } from '../input';
import { inBendingSense } from '../load-sets';
import { setsInSlice, type ColumnPicture } from '../picture';
import type { ColumnResult } from '../result';
import { strainAtLimit } from '../../../section/critical-points';
import type { ColumnHandle } from './handles';
import { columnMomentDrawing } from './moments';
import { columnSectionDrawing } from './section';
import { contourDrawing, interactionDrawing } from './interaction';
import type { Drawing } from '../../../drawing/shapes';

/** What the drawings of a column or wall are made from, for one load set: the same on the screen and in the report. */
export interface ColumnView {
  readonly column: ColumnInput;
  readonly result: ColumnResult;
  readonly picture: ColumnPicture;
  readonly index: number;
  readonly units: UnitSystem;
  readonly labels: { readonly bars: string; readonly ties: string };
}

type Axis = 'x' | 'y';

/** How the end moments about an axis bend the column, in words. */
export function curvatureOf({ column, picture }: Pick<ColumnView, 'column' | 'picture'>, axis: Axis): string {
  const [top, bottom] = endMoments(column, picture, axis);
  if (top === 0 && bottom === 0) return 'no moment';
  if (top === 0 || bottom === 0) return 'one end';
  return top * bottom > 0 ? 'single curvature' : 'double curvature';
}

function endMoments(column: ColumnInput, picture: ColumnPicture, axis: Axis): readonly [number, number] {
  const f = inBendingSense(picture.strength.set, column.signs);
  return axis === 'x' ? [f.mxTop, f.mxBottom] : [f.myTop, f.myBottom];
}

export function sectionOf(v: ColumnView, width: number, height: number): Drawing<ColumnHandle> {
  const { model, limit } = v.picture;
  const { gross, bars } = model.section;
  const nearEnds = spacingNearEnds(v.column, model);
  const inTension = limit ? bars.flatMap((b, i) => (strainAtLimit(model.surface, limit, b.x, b.y) < 0 ? [i] : [])) : [];
  return columnSectionDrawing(
    {
      shape: v.column.shape,
      cover: v.column.cover,
      bars: model.bars,
      tieDiameter: model.ties.diameter,
      cross: model.ties.legs.cross,
      limit: limit && Number.isFinite(limit.x) ? { theta: limit.theta, x: limit.x } : undefined,
      centroid: gross.centroid,
      inTension: new Set(inTension),
      labels: {
        ...v.labels,
        tiesNearEnds: nearEnds < v.column.ties.spacing && v.column.tiesAcross !== false ? `ends @ ${drawnLength(nearEnds, v.units)}` : '',
        ratio: `${((100 * model.section.steelArea) / gross.area).toFixed(2)} %`,
        cover: `cover ${formatValue(v.column.cover, 'smallLength', v.units)}`,
        length: (length) => formatValue(length, 'length', v.units),
      },
    },
    width,
    height,
  );
}

export function momentsOf(v: ColumnView, axis: Axis, width: number, height: number): Drawing<ColumnHandle> {
  const { column, picture, index } = v;
  const { set } = picture.strength;
  const [top, bottom] = endMoments(column, picture, axis);
  const typedBottom = axis === 'x' ? set.mxBottom : set.myBottom;
  const show = (m: number) => `${m > 0 ? '+' : ''}${formatValue(m, 'moment', v.units, 0)}`;
  const d = picture.strength[axis];
  const key = axis === 'x' ? 'mx' : 'my';
  const held = column.axes[axis];
  const hasDesign = Number.isFinite(d.mid);
  return columnMomentDrawing(
    {
      axis,
      first: { top, bottom },
      design: hasDesign ? { top: d.top, mid: d.mid, bottom: d.bottom } : null,
      labels: {
        top: show(top),
        bottom: show(typedBottom),
        mid: hasDesign ? formatValue(d.mid, 'moment', v.units, 0) : '',
        l0: `l0 ${formatQuantity(picture.model.axes[axis].l0, 'station', v.units)}`,
        state: curvatureOf(v, axis),
      },
      edits:
        column.mode === 'sets'
          ? { top: { of: 'moment', set: index, at: `${key}Top` }, bottom: { of: 'moment', set: index, at: `${key}Bottom` } }
          : {},
      ends: held.mode === 'ends' ? { top: held.top.kind, bottom: held.bottom.kind } : { top: 'framed', bottom: 'framed' },
    },
    width,
    height,
  );
}

/** Load sets near the axial force of the one that is shown are marked beside it. */
const NEAR = 0.06;

export function contourOf({ picture: p, result, units }: ColumnView, width: number, height: number): Drawing {
  const { worst } = p.strength;
  const near = result.summaries.filter((s) => Math.abs(s.N - worst.N) < NEAR * p.model.surface.most).slice(0, 120);
  return contourDrawing(
    {
      curve: p.contour,
      demand: Number.isFinite(worst.Mx) ? [worst.My, worst.Mx] : null,
      capacity: p.limit ? [p.limit.My, p.limit.Mx] : null,
      points: near.flatMap(({ Mx, My }) => (Mx === null || My === null ? [] : [[My, Mx] as const])),
      isOver: (worst.utilisation ?? 99) > 1,
      direction: p.direction,
      units: { moment: displayUnit('moment', units).unit.factor, momentName: unitLabel('moment', units) },
    },
    width,
    height,
  );
}

export function sliceOf(
  { picture: p, result, index, units }: ColumnView,
  width: number,
  height: number,
  zones: ColumnPicture['zones'] = [],
): Drawing {
  const over = new Set(result.summaries.filter((s) => (s.utilisation ?? 99) > 1).map((s) => s.index));
  const own = setsInSlice({ ...result, summaries: result.summaries.filter((s) => s.index === index) }, p.slice)[0];
  return interactionDrawing(
    {
      curve: p.slice,
      nominal: p.nominal,
      rays: p.rays,
      zones,
      points: setsInSlice(result, p.slice)
        .filter((q) => q.index !== index)
        .map((q) => ({ ...q, isOver: over.has(q.index) })),
      chosen: own
        ? { ...own, name: p.strength.set.name, use: formatUtilisation(p.strength.worst.utilisation), isOver: over.has(index) }
        : null,
      units: {
        force: displayUnit('force', units).unit.factor,
        moment: displayUnit('moment', units).unit.factor,
        forceName: unitLabel('force', units),
        momentName: unitLabel('moment', units),
      },
    },
    width,
    height,
  );
}
