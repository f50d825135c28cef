import * as ifc from 'web-ifc';
import type { Point } from '@/core/geometry/polygon';
import { axesBy, turnedBy, within, world, type Axes, type Vector } from './placement';

export type ElementKind = 'beam' | 'column' | 'wall' | 'slab';

/** The outline of a solid across the direction in which it is drawn out; lengths mm. */
export type Profile =
  | { readonly kind: 'rectangle'; readonly b: number; readonly h: number }
  | { readonly kind: 'circle'; readonly diameter: number }
  | { readonly kind: 'ring'; readonly diameter: number; readonly wall: number }
  | { readonly kind: 'free'; readonly outer: readonly Point[]; readonly holes: readonly (readonly Point[])[] };

/** A solid: its profile in the plane of the axes' x and y, drawn out so far along a direction. */
export interface Solid {
  readonly profile: Profile;
  readonly axes: Axes;
  /** The direction in the world. */
  readonly along: Vector;
  readonly length: number;
}

export interface IfcElement {
  readonly kind: ElementKind;
  readonly name: string;
  readonly tag: string;
  readonly storey: string;
  /** As the file names it; empty where it names none. */
  readonly material: string;
  /** The solid, or why there is none that can be read. */
  readonly solid: Solid | string;
  /** Solids of its openings. */
  readonly openings: readonly (Solid | string)[];
}

export type IfcReading = { readonly ok: true; readonly elements: readonly IfcElement[] } | { readonly ok: false; readonly reason: string };

const kinds: readonly (readonly [ElementKind, readonly number[]])[] = [
  ['beam', [ifc.IFCBEAM, ifc.IFCBEAMSTANDARDCASE]],
  ['column', [ifc.IFCCOLUMN, ifc.IFCCOLUMNSTANDARDCASE]],
  ['wall', [ifc.IFCWALL, ifc.IFCWALLSTANDARDCASE]],
  ['slab', [ifc.IFCSLAB, ifc.IFCSLABSTANDARDCASE]],
];

const MOST_ELEMENTS = 5000;

type Value = number | string | Ref | null | undefined | readonly Value[];
interface Ref {
  readonly value?: number | string;
}
type Line = Readonly<Record<string, Value>> & { readonly type: number; readonly expressID: number };

/** Beams, columns, walls and slabs of an IFC 4 (or 2x3) file: what they are made of and where they stand. What cannot be read says why. */
export async function readIfc(bytes: Uint8Array, wasm?: string): Promise<IfcReading> {
  const head = new TextDecoder().decode(bytes.subarray(0, 2000));
  if (!head.startsWith('ISO-10303-21')) return { ok: false, reason: 'This is no IFC file in STEP form.' };
  const schema = /FILE_SCHEMA\s*\(\s*\(\s*'([^']*)'/i.exec(new TextDecoder().decode(bytes.subarray(0, 20_000)))?.[1] ?? '';
  if (!/^IFC(4|2X3)/i.test(schema)) return { ok: false, reason: `Its schema is ${schema || 'not named'}: IFC 4 and IFC 2x3 are read.` };
  const api = new ifc.IfcAPI();
  await api.Init(wasm === undefined ? undefined : () => wasm, true);
  api.SetLogLevel(ifc.LogLevel.LOG_LEVEL_OFF);
  const model = api.OpenModel(bytes);
  try {
    return elementsOf(new Model(api, model));
  } finally {
    api.CloseModel(model);
  }
}

/** Lines of a file by their numbers. */
class Model {
  constructor(
    private readonly api: ifc.IfcAPI,
    private readonly id: number,
  ) {}

  ofType(type: number): Line[] {
    const ids = this.api.GetLineIDsWithType(this.id, type);
    return Array.from({ length: ids.size() }, (_, i) => this.line(ids.get(i)));
  }

  private line(id: number): Line {
    return this.api.GetLine(this.id, id) as Line;
  }

  /** The line that a value refers to. */
  at(v: Value): Line | null {
    const id = typeof v === 'object' && v !== null && 'value' in v ? v.value : v;
    return typeof id === 'number' ? this.line(id) : null;
  }
}

const listOf = (v: Value): readonly Value[] => (Array.isArray(v) ? (v as readonly Value[]) : []);
const num = (v: Value): number => Number(typeof v === 'object' && v !== null && 'value' in v ? v.value : (v ?? NaN));
const words = (v: Value): string => {
  const plain = typeof v === 'object' && v !== null && 'value' in v ? v.value : v;
  return typeof plain === 'string' ? plain.trim() : '';
};
const vector = (v: Value): Vector => {
  const [x = 0, y = 0, z = 0] = listOf(v).map(num);
  return [x, y, z];
};

function elementsOf(model: Model): IfcReading {
  const unit = lengthUnit(model);
  if (unit === null) return { ok: false, reason: 'The file does not say its unit of length.' };
  const storeys = new Map<number, string>();
  for (const rel of model.ofType(ifc.IFCRELCONTAINEDINSPATIALSTRUCTURE))
    for (const part of listOf(rel.RelatedElements)) storeys.set(num(part), words(model.at(rel.RelatingStructure)?.Name));
  const materials = new Map<number, string>();
  for (const rel of model.ofType(ifc.IFCRELASSOCIATESMATERIAL))
    for (const part of listOf(rel.RelatedObjects)) materials.set(num(part), materialName(model, rel.RelatingMaterial, 0));
  const voids = new Map<number, Line[]>();
  for (const rel of model.ofType(ifc.IFCRELVOIDSELEMENT)) {
    const opening = model.at(rel.RelatedOpeningElement);
    const host = num(rel.RelatingBuildingElement);
    if (opening) voids.set(host, [...(voids.get(host) ?? []), opening]);
  }
  const found = kinds.flatMap(([kind, types]) => types.flatMap((type) => model.ofType(type).map((line) => ({ kind, line }))));
  if (found.length === 0) return { ok: false, reason: 'There are no beams, columns, walls or slabs in this file.' };
  if (found.length > MOST_ELEMENTS)
    return { ok: false, reason: `There are ${found.length} members in this file; ${MOST_ELEMENTS} are the most.` };
  const elements = found.map(({ kind, line }): IfcElement => ({
    kind,
    name: words(line.Name),
    tag: words(line.Tag),
    storey: storeys.get(line.expressID) ?? '',
    material: materials.get(line.expressID) ?? '',
    solid: solidOf(model, line, unit),
    openings: (voids.get(line.expressID) ?? []).map((o) => solidOf(model, o, unit)),
  }));
  return { ok: true, elements };
}

const PREFIXES: Readonly<Record<string, number>> = { MILLI: 1, CENTI: 10, DECI: 100, KILO: 1e6 };

/** Millimetres of the file's unit of length. */
function lengthUnit(model: Model): number | null {
  for (const assignment of model.ofType(ifc.IFCUNITASSIGNMENT))
    for (const ref of listOf(assignment.Units)) {
      const unit = model.at(ref);
      if (!unit || words(unit.UnitType) !== 'LENGTHUNIT') continue;
      if (unit.type === ifc.IFCSIUNIT) return words(unit.Prefix) === '' ? 1000 : (PREFIXES[words(unit.Prefix)] ?? null);
      const factor = model.at(unit.ConversionFactor);
      const base = factor ? model.at(factor.UnitComponent) : null;
      if (!factor || !base) return null;
      return num(factor.ValueComponent) * (words(base.Prefix) === '' ? 1000 : (PREFIXES[words(base.Prefix)] ?? NaN)) || null;
    }
  return null;
}

/** The name of a material, or the first of a set, list or usage. */
function materialName(model: Model, ref: Value, depth: number): string {
  const line = model.at(ref);
  if (!line || depth > 4) return '';
  if (line.type === ifc.IFCMATERIAL) return words(line.Name);
  const next = [
    line.ForLayerSet,
    line.ForProfileSet,
    line.Material,
    ...['MaterialLayers', 'MaterialProfiles', 'Materials', 'MaterialConstituents'].flatMap((k) => listOf(line[k])),
  ];
  for (const part of next) {
    const name = materialName(model, part, depth + 1);
    if (name) return name;
  }
  return '';
}

function axesOf(model: Model, ref: Value, unit: number): Axes {
  const line = model.at(ref);
  if (!line) return world;
  const at = vector(model.at(line.Location)?.Coordinates).map((v) => v * unit) as unknown as Vector;
  const direction = (v: Value) => (model.at(v) ? vector(model.at(v)!.DirectionRatios) : undefined);
  return axesBy(at, line.type === ifc.IFCAXIS2PLACEMENT2D ? undefined : direction(line.Axis), direction(line.RefDirection));
}

function placementOf(model: Model, ref: Value, unit: number, depth = 0): Axes {
  const line = model.at(ref);
  if (!line || depth > 20) return world;
  return within(placementOf(model, line.PlacementRelTo, unit, depth + 1), axesOf(model, line.RelativePlacement, unit));
}

/** The solid of an element, or why it is not read. */
function solidOf(model: Model, element: Line, unit: number): Solid | string {
  const shape = model.at(element.Representation);
  const bodies = listOf(shape?.Representations)
    .map((r) => model.at(r))
    .filter((r) => r !== null && (words(r.RepresentationIdentifier) === 'Body' || words(r.RepresentationIdentifier) === ''));
  const items = bodies.flatMap((b) => listOf(b!.Items));
  if (items.length === 0) return 'has no solid';
  if (items.length > 1) return `is made of ${items.length} solids`;
  return extrusion(model, items[0], placementOf(model, element.ObjectPlacement, unit), unit, 0);
}

function extrusion(model: Model, ref: Value, outer: Axes, unit: number, depth: number): Solid | string {
  const line = model.at(ref);
  if (!line || depth > 5) return 'has no solid';
  if (line.type === ifc.IFCMAPPEDITEM) {
    const source = model.at(line.MappingSource);
    const target = model.at(line.MappingTarget);
    const items = listOf(model.at(source?.MappedRepresentation)?.Items);
    if (!target || items.length !== 1) return 'is made of several solids';
    if (target.Scale != null && num(target.Scale) !== 1) return 'is drawn at another scale';
    if (!isWorld(axesOf(model, source!.MappingOrigin, unit))) return 'is mapped from another origin';
    const at = vector(model.at(target.LocalOrigin)?.Coordinates).map((v) => v * unit) as unknown as Vector;
    const axis = (v: Value) => (model.at(v) ? vector(model.at(v)!.DirectionRatios) : undefined);
    const moved = axesBy(at, axis(target.Axis3), axis(target.Axis1));
    return extrusion(model, items[0], within(outer, moved), unit, depth + 1);
  }
  // What is cut off at its ends is read with its whole length.
  if (line.type === ifc.IFCBOOLEANCLIPPINGRESULT || line.type === ifc.IFCBOOLEANRESULT)
    return extrusion(model, line.FirstOperand, outer, unit, depth + 1);
  if (line.type !== ifc.IFCEXTRUDEDAREASOLID) return 'is no solid of one cross section';
  const profile = profileOf(model, line.SweptArea, unit);
  if (typeof profile === 'string') return profile;
  const axes = within(outer, line.Position ? axesOf(model, line.Position, unit) : world);
  const [dx, dy, dz] = vector(model.at(line.ExtrudedDirection)?.DirectionRatios);
  const long = Math.hypot(dx, dy, dz) || 1;
  if (Math.abs(dz) / long < 0.999) return 'is drawn out aslant';
  const turn = profile.turn;
  return {
    profile: profile.profile,
    axes: within(axes, turn),
    along: turnedBy(axes, [dx / long, dy / long, dz / long]),
    length: num(line.Depth) * unit,
  };
}

type Placed = { readonly profile: Profile; readonly turn: Axes };

function profileOf(model: Model, ref: Value, unit: number): Placed | string {
  const line = model.at(ref);
  if (!line) return 'has no profile';
  const turn = line.Position ? axesOf(model, line.Position, unit) : world;
  const size = (v: Value) => num(v) * unit;
  const circle = size(line.Radius) * 2;
  switch (line.type) {
    case ifc.IFCRECTANGLEPROFILEDEF:
      return { profile: { kind: 'rectangle', b: size(line.XDim), h: size(line.YDim) }, turn };
    case ifc.IFCCIRCLEPROFILEDEF:
      return { profile: { kind: 'circle', diameter: circle }, turn };
    case ifc.IFCCIRCLEHOLLOWPROFILEDEF:
      return { profile: { kind: 'ring', diameter: circle, wall: size(line.WallThickness) }, turn };
    case ifc.IFCARBITRARYCLOSEDPROFILEDEF:
    case ifc.IFCARBITRARYPROFILEDEFWITHVOIDS: {
      const loops = [line.OuterCurve, ...listOf(line.InnerCurves)].map((c) => loopOf(model, c, unit));
      const [outer, ...holes] = loops;
      if (!outer || loops.some((l) => l === null)) return 'has an outline with curves';
      return { profile: { kind: 'free', outer, holes: holes as readonly (readonly Point[])[] }, turn: world };
    }
    default:
      return 'has a profile that is not read';
  }
}

/** Corners of a closed line of straight pieces. */
function loopOf(model: Model, ref: Value, unit: number): readonly Point[] | null {
  const line = model.at(ref);
  const point = (v: Value): Point => {
    const [x, y] = vector(v);
    return [x * unit, y * unit];
  };
  let points: Point[];
  if (line?.type === ifc.IFCPOLYLINE) points = listOf(line.Points).map((p) => point(model.at(p)?.Coordinates));
  else if (line?.type === ifc.IFCINDEXEDPOLYCURVE) {
    // Arcs would be lines through three places of which the middle one is named: only straight pieces are read.
    if (listOf(line.Segments).some((s) => listOf((s as Ref).value as Value).length === 3)) return null;
    points = listOf(model.at(line.Points)?.CoordList).map(point);
  } else return null;
  const [first, last] = [points[0], points.at(-1)];
  const isDoubled = first && last && Math.hypot(first[0] - last[0], first[1] - last[1]) < 1e-6;
  return isDoubled ? points.slice(0, -1) : points;
}

const isWorld = ({ at, x, z }: Axes) => Math.hypot(...at) < 1e-6 && x[0] > 1 - 1e-9 && z[2] > 1 - 1e-9;
