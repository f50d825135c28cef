import { boundsOf } from '../../geometry/polygon';
import { formatQuantity, formatValue, unitLabel } from '../../units/format';
import { displayUnit, type QuantityKind, type UnitSystem } from '../../units/quantity';
import type { ProjectBasis } from '../member';
import { drawnLength, layerLabel, sizeNumber, sizeUnit } from '../parts/bar-labels';
import type { PlatePicture } from './picture';
import { directionWords, isSquare } from './bar-axes';
import { outlineOf } from './geometry';
import type { PlateInput, PlateLoad } from './input';
import type { PlanLayer } from './result';

const kindOfMap: Record<PlanLayer, QuantityKind> = {
  reactions: 'lineLoad',
  mx: 'lineTorque',
  my: 'lineTorque',
  mxy: 'lineTorque',
  bottomX: 'areaPerWidth',
  bottomY: 'areaPerWidth',
  topX: 'areaPerWidth',
  topY: 'areaPerWidth',
  spareBottomX: 'areaPerWidth',
  spareBottomY: 'areaPerWidth',
  spareTopX: 'areaPerWidth',
  spareTopY: 'areaPerWidth',
  used: 'ratio',
  deflection: 'smallLength',
  level: 'smallLength',
  after: 'smallLength',
  crackedX: 'ratio',
  crackedY: 'ratio',
  remainingX: 'ratio',
  remainingY: 'ratio',
  crackBottom: 'crack',
  crackTop: 'crack',
};

/** The map of the share that is used shows no more than this: where no bars lie it has no end. */
export const MOST_SHOWN = 2;

/** What each map shows, in words, by the directions of the bars; moments are those of the plan's axes, of a plan that runs round those of radius and ring. */
export function mapTitle(plate: Pick<PlateInput, 'axes'>, map: PlanLayer): string {
  const [x, y] = [directionWords(plate, 'x'), directionWords(plate, 'y')];
  const isRound = plate.axes.kind === 'ring';
  // Cracks are looked at along bars "x" and square to them.
  const square = isSquare(plate) ? y : `square to ${x}`;
  const titles: Record<PlanLayer, string> = {
    reactions: 'reactions of edges, walls and columns',
    mx: isRound ? 'moment, radial, sagging +' : 'moment mx, sagging +',
    my: isRound ? 'moment, around, sagging +' : 'moment my, sagging +',
    mxy: isRound ? 'twisting moment, radial and around' : 'twisting moment mxy',
    bottomX: `steel below ${x}`,
    bottomY: `steel below ${y}`,
    topX: `steel above ${x}`,
    topY: `steel above ${y}`,
    spareBottomX: `below ${x}: provided less required`,
    spareBottomY: `below ${y}: provided less required`,
    spareTopX: `above ${x}: provided less required`,
    spareTopY: `above ${y}: provided less required`,
    used: 'share of the resistance used',
    deflection: 'deflection in all',
    level: 'below level, camber taken off',
    after: 'deflection after partitions',
    crackedX: `share cracked ${x}`,
    crackedY: `share cracked ${square}`,
    remainingX: `stiffness left ${x}`,
    remainingY: `stiffness left ${square}`,
    crackBottom: 'crack width below',
    crackTop: 'crack width above',
  };
  return titles[map];
}

/** How a slab is labelled on its plan. */
export function plateLabels(project: ProjectBasis, member: PlateInput, map: PlanLayer): PlatePicture['labels'] {
  const units = project.display;
  const kind = kindOfMap[map];
  const isSteel = kind === 'areaPerWidth';
  const ofWhat = isSteel
    ? 'without the minimum'
    : kind === 'lineTorque' || map === 'reactions'
      ? 'largest ultimate load'
      : map === 'used'
        ? `worst layer, up to ${MOST_SHOWN}; columns: punching`
        : kind === 'crack'
          ? 'the wider of both directions'
          : 'cracked, in the long term';
  return {
    depth: `slab ${drawnLength(member.h, units)} deep`,
    span: (v) => formatValue(v, 'span', units),
    bars: (bars) => layerLabel(bars, project),
    load: (load) => loadLabel(load, units),
    partDepth: (h) => `${drawnLength(h, units)} deep`,
    value: (v) => formatValue(v, kind, units),
    unit: [unitLabel(kind, units), ofWhat].filter(Boolean).join(', '),
    factor: displayUnit(kind, units).unit.factor,
    title: mapTitle(member, map),
    force: (v) => formatQuantity(v, 'force', units),
  };
}

/** A load with its unit and the case that it is of. */
function loadLabel(load: PlateLoad, units: UnitSystem): string {
  const value =
    load.type === 'line'
      ? formatQuantity(load.perLength, 'lineLoad', units)
      : load.type === 'point'
        ? formatQuantity(load.force, 'force', units)
        : formatQuantity(load.value, 'areaLoad', units);
  return `${load.case} ${value}`;
}

/** "6.0 × 5.0 m, 200 deep", by the box around the outline. */
export function plateSize(plate: PlateInput, system: UnitSystem): string {
  if (plate.outline.length === 0) return '';
  const { left, right, bottom, top } = boundsOf(outlineOf(plate).outer);
  const side = (v: number) => formatValue(v, 'station', system, 1);
  return `${side(right - left)} × ${side(top - bottom)} ${unitLabel('station', system)}, ${sizeNumber(plate.h, system)}${sizeUnit(system)} deep`;
}
