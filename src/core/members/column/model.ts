import type { DesignCode } from '../../codes/design-code';
import { boundsOf, insetLoop, outlineProperties, signedArea } from '../../geometry/polygon';
import { outlineOfShape } from '../../geometry/section-shapes';
import { catalogues } from '../../materials/bars';
import {
  barNamed,
  bendRule,
  bentThrough,
  closedLink,
  hookedLeg,
  inRow,
  roundLink,
  withMarks,
  type BendType,
  type DraftSet,
} from '../../model/bar-set';
import type { Corner, Place } from '../../model/centre-line';
import type { MemberModel } from '../../model/member-model';
import type { ColumnBar } from '../../reinforcement/column-bars';
import type { ColumnInput } from './input';
import { spacingNearEnds, type ColumnModel } from './section';

/** The column as it is to be built, from its foot at z = 0 to its height. Bars without laps: where they lap is a matter of the storeys above. */
export function columnInSpace(column: ColumnInput, code: DesignCode, model: ColumnModel): MemberModel {
  return {
    concrete: [{ along: 'z', from: 0, to: column.height, outline: outlineOfShape(column.shape) }],
    supports: [],
    bars: withMarks([...uprights(column, model.bars), ...tieZones(column, model).flatMap((zone) => tiesOf(column, code, model, zone))]),
  };
}

/** Faces that are shuttered (mm2). */
export const columnFormwork = (column: ColumnInput): number => outlineProperties(outlineOfShape(column.shape)).perimeter * column.height;

/** Bars of one size as one set, storey high. */
export function uprights({ height, catalogue }: Pick<ColumnInput, 'height' | 'catalogue'>, bars: readonly ColumnBar[]): DraftSet[] {
  return [...new Set(bars.map((b) => b.size))].map((size) => {
    const own = bars.filter((b) => b.size === size);
    const [x, y] = [own[0]!.x, own[0]!.y];
    return {
      zone: 'upright',
      role: 'bar',
      face: null,
      layer: 1,
      bar: barNamed(size, catalogues[catalogue]),
      bend: 'straight',
      corners: bentThrough(
        [
          [x, y, 0],
          [x, y, height],
        ],
        0,
      ),
      hook: 0,
      shifts: own.map((b): Place => [b.x - x, b.y - y, 0]),
      spacing: null,
      source: { of: 'bars' },
    };
  });
}

interface TieZone {
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly spacing: number;
}

/** Ties stand closer near both ends where the code asks for it. */
function tieZones(column: ColumnInput, model: ColumnModel): TieZone[] {
  const { height, ties } = column;
  const ends = Math.min(model.ties.rules.nearEnds, height / 2);
  const near = spacingNearEnds(column, model);
  if (ends <= 0 || near >= ties.spacing) return [{ name: '', from: 0, to: height, spacing: ties.spacing }];
  return [
    { name: ', foot', from: 0, to: ends, spacing: near },
    ...(height > 2 * ends ? [{ name: '', from: ends, to: height - ends, spacing: ties.spacing }] : []),
    { name: ', head', from: height - ends, to: height, spacing: near },
  ];
}

/** The outer tie and the cross ties of a zone. */
function tiesOf(column: ColumnInput, code: DesignCode, model: ColumnModel, zone: TieZone): DraftSet[] {
  const bar = barNamed(column.ties.size, catalogues[column.catalogue]);
  const { radius, hook } = bendRule(code, bar.diameter, true);
  const zs = inRow(zone.from, zone.to, zone.spacing);
  const z = zs[0]!;
  const base = {
    role: 'link',
    face: null,
    layer: 1,
    bar,
    shifts: zs.map((v): Place => [0, 0, v - z]),
    spacing: zone.spacing,
    source: { of: 'ties' },
  } as const;
  const outer = outerTie(column, bar.diameter, z, radius, hook);
  const cross = model.ties.legs.cross.map(([a, b]) => crossTie(model.bars[a]!, model.bars[b]!, bar.diameter, z));
  return [
    { ...base, zone: `${column.transverse === 'spiral' ? 'spiral' : 'ties'}${zone.name}`, ...outer },
    ...cross.map(({ from, to, across }) => ({
      ...base,
      zone: `cross ties${zone.name}`,
      bend: 'leg' as const,
      hook,
      corners: hookedLeg(from, to, across, radius, hook),
    })),
  ];
}

/** Round in round columns, a turn of a spiral as one of its ties; along the outline in others. */
function outerTie(
  { shape, cover, transverse }: ColumnInput,
  diameter: number,
  z: number,
  radius: number,
  hook: number,
): { readonly bend: BendType; readonly corners: readonly Corner[]; readonly hook: number } {
  const { outer } = outlineOfShape(shape);
  const inset = cover + diameter / 2;
  if (shape.kind === 'circle' || shape.kind === 'ring' || transverse === 'spiral') {
    const { left, right } = boundsOf(outer);
    const round = (shape.kind === 'circle' || shape.kind === 'ring' ? shape.diameter : right - left) / 2 - inset;
    const ends = transverse === 'spiral' ? 0 : hook;
    return { bend: 'other', corners: roundLink(round, z, radius, ends), hook: ends };
  }
  const loop = insetLoop(signedArea(outer) > 0 ? outer : [...outer].reverse(), inset).map(([x, y]): Place => [x, y, z]);
  // From the upper left corner down, so that the first side is the height.
  const turned = loop.length === 4 ? [...loop.slice(3), ...loop.slice(0, 3)] : loop;
  return { bend: loop.length === 4 ? 'link' : 'other', corners: closedLink(turned, radius, hook), hook };
}

/** A single leg that runs past two bars on one side, and hooks round them. */
function crossTie(
  a: ColumnBar,
  b: ColumnBar,
  tie: number,
  z: number,
): { readonly from: Place; readonly to: Place; readonly across: Place } {
  const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
  const [ux, uy] = [(b.x - a.x) / length, (b.y - a.y) / length];
  const beside = Math.max(a.diameter, b.diameter) / 2 + tie / 2;
  const at = (p: ColumnBar, along: number): Place => [p.x - uy * beside + ux * along, p.y + ux * beside + uy * along, z];
  return { from: at(a, -a.diameter / 2 - tie / 2), to: at(b, b.diameter / 2 + tie / 2), across: [uy, -ux, 0] };
}
