import { freeSection, type BeamOutline } from '@/core/geometry/beam-outline';
import { boundsOf, boxOf, signedArea, type Loop, type Point } from '@/core/geometry/polygon';
import { circleLoop, type SectionShape } from '@/core/geometry/section-shapes';
import type { Member } from '@/core/members/kinds';
import { counted } from '@/core/units/format';
import { placedBy, seenFrom, type Vector } from '../ifc/placement';
import type { IfcElement, Solid } from '../ifc/read-ifc';

/** What an element is as a member to be designed; lengths mm. */
export type MeantMember =
  | { readonly kind: 'beam'; readonly length: number; readonly section: BeamOutline }
  | { readonly kind: 'column'; readonly shape: SectionShape; readonly height: number }
  | { readonly kind: 'wall'; readonly length: number; readonly thickness: number; readonly height: number }
  | { readonly kind: 'slab'; readonly outer: Loop; readonly holes: readonly Loop[]; readonly h: number };

export type MeantAs<K extends MeantMember['kind']> = Extract<MeantMember, { readonly kind: K }>;

/** What is done with a member of each kind. */
export type ByKind<A extends readonly unknown[], R> = { readonly [K in MeantMember['kind']]: (meant: MeantAs<K>, ...rest: A) => R };

/** Does it. */
export const byKind = <A extends readonly unknown[], R>(table: ByKind<A, R>, meant: MeantMember, ...rest: A): R =>
  (table[meant.kind] as (meant: MeantMember, ...rest: A) => R)(meant, ...rest);

export interface OfferedMember {
  readonly element: IfcElement;
  readonly mark: string;
  readonly meant: MeantMember | null;
  /** Cylinder strength by the name of the material (N/mm²); null where the name does not say it. */
  readonly strength: number | null;
  /** Why it cannot be taken over. */
  readonly refused: string;
  /** What is not taken over of it. */
  readonly without: readonly string[];
}

const MOST_MARK = 20;

/** Every element of a file as a member, or why it is none; marks are those of the file, made different where they are not. */
export function offered(elements: readonly IfcElement[], members: readonly Pick<Member, 'mark'>[]): OfferedMember[] {
  const there = new Set(members.map((m) => m.mark.trim().toLowerCase()));
  const given = new Set<string>();
  return elements.map((element, i) => {
    const mark = unused((element.tag || element.name || `${element.kind} ${i + 1}`).slice(0, MOST_MARK), given);
    given.add(mark.toLowerCase());
    const without: string[] = [];
    const meant = there.has(mark.toLowerCase()) ? 'a member of this mark is there' : meantBy(element, without);
    const isMeant = typeof meant !== 'string';
    return { element, mark, meant: isMeant ? meant : null, strength: strengthOf(element.material), refused: isMeant ? '' : meant, without };
  });
}

function unused(mark: string, given: ReadonlySet<string>): string {
  for (let n = 2, name = mark; ; n += 1) {
    if (!given.has(name.toLowerCase())) return name;
    name = `${mark.slice(0, MOST_MARK - 4)} ${n}`;
  }
}

/** "C30/37" is a cylinder strength of 30 N/mm²; other names are not interpreted. */
export function strengthOf(material: string): number | null {
  const found = /\bL?C\s?(\d{2,3})\s?\/\s?\d{2,3}\b/i.exec(material);
  return found ? Number(found[1]) : null;
}

/** To a tenth of a millimetre: without the noise of turning and conversion. */
const round = (v: number) => Math.round(v * 10) / 10 + 0;
const rounded = (loop: Loop): Point[] => loop.map(([x, y]): Point => [round(x), round(y)]);
const anticlockwise = (loop: Loop): Loop => (signedArea(loop) < 0 ? [...loop].reverse() : loop);

type Reads = (solid: Solid, openings: IfcElement['openings'], without: string[]) => MeantMember | string;

/** What an element of each kind is, or why it is none. */
const readers: Readonly<Record<IfcElement['kind'], Reads>> = {
  beam: (solid) => (Math.abs(solid.along[2]) < 0.02 ? beamOf(solid) : 'does not lie level'),
  column: (solid) => (isUpright(solid) ? { kind: 'column', shape: columnShape(solid), height: round(solid.length) } : LEANS),
  wall: (solid) => (isUpright(solid) ? wallOf(solid) : LEANS),
  slab: (solid, ...more) => (isUpright(solid) ? slabOf(solid, ...more) : 'does not lie level'),
};
const LEANS = 'does not stand upright';
const isUpright = ({ along }: Solid) => Math.abs(along[2]) > 0.999;
/** Kinds whose openings are taken over. */
const WITH_OPENINGS: readonly IfcElement['kind'][] = ['slab'];

function meantBy({ kind, solid, openings }: IfcElement, without: string[]): MeantMember | string {
  if (typeof solid === 'string') return solid;
  if (!(solid.length > 0)) return 'has no length';
  if (openings.length > 0 && !WITH_OPENINGS.includes(kind)) without.push(counted(openings.length, 'opening'));
  return readers[kind](solid, openings, without);
}

/** The outline of a profile in the plane of its axes; circles by corners. */
function loopsOf({ profile }: Solid): { readonly outer: Loop; readonly holes: readonly Loop[] } {
  if (profile.kind === 'free') return profile;
  if (profile.kind === 'circle') return { outer: circleLoop(profile.diameter, 36), holes: [] };
  if (profile.kind === 'ring')
    return { outer: circleLoop(profile.diameter, 36), holes: [circleLoop(profile.diameter - 2 * profile.wall, 36)] };
  const [x, y] = [profile.b / 2, profile.h / 2];
  return {
    outer: [
      [-x, -y],
      [x, -y],
      [x, y],
      [-x, y],
    ],
    holes: [],
  };
}

/** The section of a beam as it stands: across and upwards. */
function beamOf(solid: Solid): MeantMember | string {
  const { profile, axes, along } = solid;
  if (profile.kind === 'circle' || profile.kind === 'ring') return 'is a round beam';
  const { outer, holes } = loopsOf(solid);
  if (holes.length > 0) return 'is a hollow beam';
  const across: Vector = [-along[1], along[0], 0];
  const seen = outer.map(([x, y]): Point => {
    const p: Vector = [0, 1, 2].map((k) => axes.x[k]! * x + axes.y[k]! * y) as unknown as Vector;
    return [across[0] * p[0] + across[1] * p[1], p[2]];
  });
  const box = sizeOf(seen);
  const length = round(solid.length);
  if (!box) return { kind: 'beam', length, section: freeSection(rounded(anticlockwise(seen))) };
  return { kind: 'beam', length, section: { shape: 'rectangular', b: box.b, h: box.h, flangeWidth: box.b, flangeDepth: round(box.h / 4) } };
}

/** Width and height of a loop that is a rectangle along the axes. */
function sizeOf(loop: Loop): { readonly b: number; readonly h: number } | null {
  const box = boxOf(loop);
  return box ? { b: round(box.right - box.left), h: round(box.top - box.bottom) } : null;
}

function columnShape(solid: Solid): SectionShape {
  const { profile } = solid;
  if (profile.kind === 'circle') return { kind: 'circle', diameter: round(profile.diameter) };
  if (profile.kind === 'ring') return { kind: 'ring', diameter: round(profile.diameter), wall: round(profile.wall) };
  const { outer, holes } = loopsOf(solid);
  const box = holes.length === 0 ? sizeOf(outer) : null;
  if (box) return { kind: 'rectangle', ...box };
  return { kind: 'free', outer: rounded(anticlockwise(outer)), holes: holes.map((h) => rounded(anticlockwise(h))) };
}

function wallOf(solid: Solid): MeantMember | string {
  const { outer, holes } = loopsOf(solid);
  // Seen along its longest side, a straight wall is a rectangle however it stands on the plan.
  const sides = outer.map(([x, y], i) => {
    const [u, v] = outer[(i + 1) % outer.length]!;
    return [u - x, v - y] as const;
  });
  const [dx, dy] = sides.reduce((a, b) => (Math.hypot(...b) > Math.hypot(...a) ? b : a), [0, 0] as readonly [number, number]);
  const long = Math.hypot(dx, dy) || 1;
  const box = sizeOf(outer.map(([x, y]): Point => [(x * dx + y * dy) / long, (y * dx - x * dy) / long]));
  if (!box || holes.length > 0) return 'is no straight wall of one thickness';
  return { kind: 'wall', length: box.b, thickness: box.h, height: round(solid.length) };
}

/** The outline of a slab on the plan, with the openings that go through it. */
function slabOf(solid: Solid, openings: IfcElement['openings'], without: string[]): MeantMember {
  const { outer, holes } = loopsOf(solid);
  const cut = openings.flatMap((o): Loop[] => {
    if (typeof o === 'string' || Math.abs(o.along[2]) < 0.999) {
      without.push(`an opening that ${typeof o === 'string' ? o : 'does not go through upright'}`);
      return [];
    }
    return [
      loopsOf(o)
        .outer.map(([x, y]) => placedBy(o.axes, [x, y, 0]))
        .map((p): Point => onPlan(solid, p)),
    ];
  });
  const own = (loop: Loop) => loop.map(([x, y]) => onPlan(solid, placedBy(solid.axes, [x, y, 0])));
  const edge = own(outer);
  // Counted from the lower left corner of what encloses it.
  const { left, bottom } = boundsOf(edge);
  const place = (loop: Loop) => rounded(anticlockwise(loop.map(([x, y]): Point => [x - left, y - bottom])));
  return { kind: 'slab', outer: place(edge), holes: [...holes.map(own), ...cut].map(place), h: round(solid.length) };
}

/** A place of the world on the plan of a slab: from the slab's own origin and along its own axes, seen from above. */
function onPlan({ axes }: Solid, p: Vector): Point {
  const [x, y] = seenFrom(axes, p);
  return axes.z[2] < 0 ? [x, -y] : [x, y];
}
