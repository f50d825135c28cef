import type { Outline, Point } from '@/core/geometry/polygon';
import { kindOf, type Member, type MemberResult } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import type { BarSet } from '@/core/model/bar-set';
import { lengthAlong, piecesOf, type Place } from '@/core/model/centre-line';
import type { Prism } from '@/core/model/member-model';
import { memberSchedule, modelOf } from '@/core/project/as-built';
import type { Project } from '@/core/project/project';
import { derived, enumerated, globalId, integer, StepFile, typed, type Ref, type StepValue } from './step-file';

/** Distance between members of a storey, which stand in a row: where they are in the building is not known here (mm). */
const APART = 3000;

interface Designed {
  readonly member: Member;
  readonly result: MemberResult;
}

/** A project as IFC 4 (ISO 16739-1): members with their concrete and every bar as a swept solid, by storeys; lengths in mm. */
export function projectIfc(project: Project, designed: readonly Designed[]): string {
  const file = new StepFile();
  const base = writeBase(file, project);
  const materials = new Map<string, Ref[]>();
  const places = [...new Set(designed.map(({ member }) => member.place))];
  const storeys = places.map((place) => {
    const storey = file.add(
      'IFCBUILDINGSTOREY',
      globalId(`${project.id} storey ${place}`),
      null,
      place || 'Members',
      null,
      null,
      base.placement(null),
      null,
      null,
      enumerated('ELEMENT'),
      null,
    );
    let y = 0;
    const elements = designed
      .filter(({ member }) => member.place === place)
      .map((d) => {
        const { element, breadth } = writeMember(file, base, project, d, y);
        y += breadth + APART;
        const material = codeOf(project, d.member).concreteLabel(d.member.materials.concreteStrength);
        materials.set(material, [...(materials.get(material) ?? []), element]);
        return element;
      });
    file.add('IFCRELCONTAINEDINSPATIALSTRUCTURE', globalId(`${project.id} in ${place}`), null, null, null, elements, storey);
    return storey;
  });
  for (const [name, elements] of materials) {
    const material = file.add('IFCMATERIAL', name, null, 'concrete');
    file.add('IFCRELASSOCIATESMATERIAL', globalId(`${project.id} of ${name}`), null, null, null, elements, material);
  }
  if (storeys.length > 0) file.add('IFCRELAGGREGATES', globalId(`${project.id} storeys`), null, null, null, base.building, storeys);
  return file.text('IFC4', `${project.name}.ifc`, project.info.author, project.info.date);
}

interface Base {
  readonly body: Ref;
  readonly building: Ref;
  /** A local placement, moved by so much from another. */
  placement(relative: Ref | null, at?: Place, turn?: number): Ref;
  point(at: readonly number[]): Ref;
  direction(at: readonly number[]): Ref;
}

function writeBase(file: StepFile, project: Project): Base {
  const point = (at: readonly number[]) => file.add('IFCCARTESIANPOINT', [...at]);
  const direction = (at: readonly number[]) => file.add('IFCDIRECTION', [...at]);
  const up = direction([0, 0, 1]);
  const placement = (relative: Ref | null, at: Place = [0, 0, 0], turn = 0) => {
    const axes = file.add('IFCAXIS2PLACEMENT3D', point(at), up, direction([Math.cos(turn), Math.sin(turn), 0]));
    return file.add('IFCLOCALPLACEMENT', relative, axes);
  };
  const unit = (kind: string, prefix: string | null, name: string) =>
    file.add('IFCSIUNIT', derived, enumerated(kind), prefix ? enumerated(prefix) : null, enumerated(name));
  const units = file.add('IFCUNITASSIGNMENT', [
    unit('LENGTHUNIT', 'MILLI', 'METRE'),
    unit('AREAUNIT', 'MILLI', 'SQUARE_METRE'),
    unit('VOLUMEUNIT', 'MILLI', 'CUBIC_METRE'),
    unit('PLANEANGLEUNIT', null, 'RADIAN'),
  ]);
  const world = file.add('IFCAXIS2PLACEMENT3D', point([0, 0, 0]), null, null);
  const context = file.add('IFCGEOMETRICREPRESENTATIONCONTEXT', null, 'Model', integer(3), 0.00001, world, null);
  const body = file.add(
    'IFCGEOMETRICREPRESENTATIONSUBCONTEXT',
    'Body',
    'Model',
    derived,
    derived,
    derived,
    derived,
    context,
    null,
    enumerated('MODEL_VIEW'),
    null,
  );
  const own = file.add(
    'IFCPROJECT',
    globalId(project.id),
    null,
    project.name,
    project.info.description || null,
    null,
    null,
    null,
    [context],
    units,
  );
  const site = file.add(
    'IFCSITE',
    globalId(`${project.id} site`),
    null,
    'Site',
    null,
    null,
    placement(null),
    null,
    null,
    enumerated('ELEMENT'),
    null,
    null,
    null,
    null,
    null,
  );
  const building = file.add(
    'IFCBUILDING',
    globalId(`${project.id} building`),
    null,
    project.name,
    null,
    null,
    placement(null),
    null,
    null,
    enumerated('ELEMENT'),
    null,
    null,
    null,
  );
  file.add('IFCRELAGGREGATES', globalId(`${project.id} sites`), null, null, null, own, [site]);
  file.add('IFCRELAGGREGATES', globalId(`${project.id} buildings`), null, null, null, site, [building]);
  return { body, building, placement, point, direction };
}

/** A member with its concrete, properties and bars; and how much room it takes across the row. */
function writeMember(
  file: StepFile,
  base: Base,
  project: Project,
  { member, result }: Designed,
  y: number,
): { readonly element: Ref; readonly breadth: number } {
  const model = modelOf(project, member, result);
  const code = codeOf(project, member);
  const kind = kindOf(member);
  const key = `${project.id} ${member.id}`;
  const across = model.concrete.flatMap(({ along, outline }) => outline.outer.map((p) => p[along === 'x' ? 0 : 1]));
  const [low, high] = [Math.min(0, ...across), Math.max(0, ...across)];
  const placement = base.placement(null, [0, y - low, 0]);
  const shape =
    model.concrete.length > 0
      ? shapeOf(
          file,
          base,
          'SweptSolid',
          model.concrete.map((p) => prismSolid(file, base, p)),
        )
      : null;
  const element = file.add(
    `IFC${kind.element.toUpperCase()}`,
    globalId(key),
    null,
    member.mark,
    member.title || null,
    kind.sizeLabel(member, project.display),
    placement,
    shape,
    member.mark,
    null,
  );
  const { governing } = result;
  properties(file, key, element, 'Intarsia_Design', {
    Mark: member.mark,
    DesignCode: code.title,
    GoverningCheck: governing?.title ?? (result.faults.length > 0 ? 'faults in the input' : 'none'),
    GoverningClause: governing?.clause ?? '',
    Utilisation: governing?.utilisation ?? null,
    Reinforcement: kind.steelLabel(member, result, project),
  });
  const { items } = memberSchedule(project, member, result);
  const bars = model.bars.flatMap((set, i) =>
    writeSet(file, base, set, placement, `${key} bars ${i}`, items.find((k) => k.mark === set.mark)?.shapeCode ?? ''),
  );
  if (bars.length > 0) file.add('IFCRELAGGREGATES', globalId(`${key} bars`), null, null, null, element, bars);
  return { element, breadth: high - low };
}

function shapeOf(file: StepFile, base: Base, type: string, items: readonly Ref[]): Ref {
  return file.add('IFCPRODUCTDEFINITIONSHAPE', null, null, [file.add('IFCSHAPEREPRESENTATION', base.body, 'Body', type, items)]);
}

function profileOf(file: StepFile, base: Base, { outer, holes }: Outline): Ref {
  const loop = (points: readonly Point[]) =>
    file.add(
      'IFCPOLYLINE',
      [...points, points[0]!].map((p) => base.point(p)),
    );
  if (holes.length === 0) return file.add('IFCARBITRARYCLOSEDPROFILEDEF', enumerated('AREA'), null, loop(outer));
  return file.add('IFCARBITRARYPROFILEDEFWITHVOIDS', enumerated('AREA'), null, loop(outer), holes.map(loop));
}

/** Concrete of one cross section: an outline in y and z swept along x, or one in x and y swept upwards. */
function prismSolid(file: StepFile, base: Base, { along, from, to, outline }: Prism): Ref {
  const at = along === 'x' ? [from, 0, 0] : [0, 0, from];
  const [axis, first] =
    along === 'x'
      ? [
          [1, 0, 0],
          [0, 1, 0],
        ]
      : [
          [0, 0, 1],
          [1, 0, 0],
        ];
  const position = file.add('IFCAXIS2PLACEMENT3D', base.point(at), base.direction(axis), base.direction(first));
  return file.add('IFCEXTRUDEDAREASOLID', profileOf(file, base, outline), position, base.direction([0, 0, 1]), to - from);
}

const roles = { bar: 'MAIN', link: 'LIGATURE', stud: 'STUD' } as const;

/** Bars of a set: all of one shape, each at its place. */
function writeSet(file: StepFile, base: Base, set: BarSet, member: Ref, key: string, shapeCode: string): Ref[] {
  const { diameter } = set.bar;
  const solid = file.add('IFCSWEPTDISKSOLID', centreLine(file, set), diameter / 2, null, null, null);
  const shape = shapeOf(file, base, 'AdvancedSweptSolid', [solid]);
  const length = lengthAlong(set.corners);
  const area = (Math.PI * diameter ** 2) / 4;
  const bars = set.shifts.map((_, k) =>
    file.add(
      'IFCREINFORCINGBAR',
      globalId(`${key} ${k}`),
      null,
      set.mark,
      set.zone || null,
      set.bar.name,
      base.placement(member, ...placeOf(set, k)),
      shape,
      set.mark,
      null,
      diameter,
      area,
      length,
      enumerated(roles[set.role]),
      enumerated('TEXTURED'),
    ),
  );
  properties(file, key, bars, 'Intarsia_Bar', {
    Mark: set.mark,
    Size: set.bar.name,
    ShapeCode: shapeCode,
    Zone: set.zone,
    Share: set.share ?? 1,
  });
  return bars;
}

/** Where the first bar of a set goes to become another: a shift, after a turn about a middle. */
function placeOf({ shifts, turned }: BarSet, k: number): [at: Place, turn: number] {
  const [dx, dy, dz] = shifts[k]!;
  const angle = turned?.by[k] ?? 0;
  const [cx, cy] = turned?.about ?? [0, 0];
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  return [[dx + cx - c * cx + s * cy, dy + cy - s * cx - c * cy, dz], angle];
}

/** The centre line in straight pieces and true arcs; one that turns by more than a right angle in two halves. */
function centreLine(file: StepFile, { corners, bar, bend }: BarSet): Ref {
  const isClosed = bend === 'link' || bend === 'other';
  const places: Place[] = [corners[0]!.at];
  const segments: StepValue[] = [];
  const arc = (from: Place, to: Place, piece: ArcPiece) => {
    const first = places.length;
    places.push(middleOf({ ...piece, from, to }), to);
    segments.push(typed('IFCARCINDEX', [integer(first), integer(first + 1), integer(first + 2)]));
  };
  for (const piece of piecesOf(corners)) {
    if (piece.kind === 'line') {
      const first = places.length;
      places.push(piece.to);
      segments.push(typed('IFCLINEINDEX', [integer(first), integer(first + 1)]));
    } else if (piece.angle <= Math.PI / 2 + 1e-6) arc(piece.from, piece.to, piece);
    else {
      const half = middleOf(piece);
      arc(piece.from, half, piece);
      arc(half, piece.to, piece);
    }
  }
  const list = file.add(
    'IFCCARTESIANPOINTLIST3D',
    (isClosed ? besideItself(places, bar.diameter) : places).map((p) => [...p]),
  );
  return file.add('IFCINDEXEDPOLYCURVE', list, segments, false);
}

/** The hooks of a closed link lie beside each other: its line is drawn aside by its diameter on the way. */
function besideItself(places: readonly Place[], diameter: number): readonly Place[] {
  const [first, second, last] = [places[0]!, places[1]!, places.at(-1)!];
  const other = places.find((p) => Math.hypot(...cross(minus(second, first), minus(p, first))) > 1) ?? last;
  const normal = cross(minus(second, first), minus(other, first));
  const size = Math.hypot(...normal) || 1;
  return places.map((p, i): Place => {
    const by = (diameter * i) / (places.length - 1) / size;
    return [p[0] + normal[0] * by, p[1] + normal[1] * by, p[2] + normal[2] * by];
  });
}

const minus = (a: Place, b: Place): Place => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const cross = (a: Place, b: Place): Place => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];

type ArcPiece = Extract<ReturnType<typeof piecesOf>[number], { kind: 'arc' }>;

/** The place halfway along an arc of less than half a turn. */
function middleOf({ from, to, centre, radius }: Pick<ArcPiece, 'from' | 'to' | 'centre' | 'radius'>): Place {
  const out = [0, 1, 2].map((k) => (from[k]! + to[k]!) / 2 - centre[k]!);
  const long = Math.hypot(...out) || 1;
  return [0, 1, 2].map((k) => centre[k]! + (out[k]! / long) * radius) as unknown as Place;
}

function properties(
  file: StepFile,
  key: string,
  of: Ref | readonly Ref[],
  name: string,
  values: Readonly<Record<string, string | number | null>>,
): void {
  const list = Object.entries(values).flatMap(([property, value]) => {
    if (value === null || value === '' || (typeof value === 'number' && !Number.isFinite(value))) return [];
    return [
      file.add(
        'IFCPROPERTYSINGLEVALUE',
        property,
        null,
        typeof value === 'number' ? typed('IFCREAL', value) : typed('IFCLABEL', value),
        null,
      ),
    ];
  });
  const set = file.add('IFCPROPERTYSET', globalId(`${key} ${name}`), null, name, null, list);
  file.add('IFCRELDEFINESBYPROPERTIES', globalId(`${key} has ${name}`), null, null, null, 'ref' in of ? [of] : of, set);
}
