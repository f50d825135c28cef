import { silent } from '../../calc/calc';
import { compareCheck } from '../../checks/compare';
import type { DerivableCheck } from '../../checks/check';
import { largestOf } from '../../checks/largest';
import type { DesignCode, ShearSection } from '../../codes/design-code';
import { distanceToSegment, type Point } from '../../geometry/polygon';
import { layerOf } from '../../reinforcement/slab-bars';
import { formatValue, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import { reinforced, WIDTH } from '../parts/slab-metre';
import { slabBending, slabDuctility, slabSteelChecks } from '../parts/slab-steel-checks';
import { askedAt, type PlateAnswer, type PlateLoad } from './analysis';
import { layerTitle } from './input';
import type { PreparedPlate } from './layers';
import type { PlateSection } from './result';

export interface PlateBasis {
  readonly plate: PreparedPlate;
  readonly code: DesignCode;
  readonly units: UnitSystem;
  readonly answer: PlateAnswer;
  /** Ultimate loads that are looked at: the largest, and the one that lifts most where one does. */
  readonly loads: readonly PlateLoad[];
  readonly sections: readonly PlateSection[];
}

/** "x 2.50, y 3.00 m" */
export const placeWords = ([x, y]: Point, units: UnitSystem): string =>
  `x ${formatValue(x, 'station', units)}, y ${formatValue(y, 'station', units)} ${unitLabel('station', units)}`;

/** Bending of every layer, where most is asked of it. */
export const plateBending = (basis: PlateBasis): DerivableCheck[] =>
  basis.sections.filter((s) => s.moment > 0).map((s) => bendingOf(basis, s));

function bendingOf(basis: PlateBasis, s: PlateSection): DerivableCheck {
  const { plate, code, units, answer, loads } = basis;
  const title = layerTitle(s);
  // The moments are those of the load that asks most of this layer there.
  const { w, combination } = largestOf(loads, (l) => askedAt(answer, s, s.node, l.w))!;
  const [mx, my, mxy] = [0, 1, 2].map((k) => w * answer.moments[3 * s.node + k]!) as [number, number, number];
  return slabBending(plate, code, {
    ...s,
    id: `bending-${s.face}-${s.along}`,
    title: `Bending, ${title}`,
    name: `Bars ${title}`,
    place: { x: null, label: placeWords(s.at, units) },
    combination,
    section: metreOf(basis, s),
    momentIs: ['moment for the bars, per length of slab', 'of the moments above'],
    tell: (c) => {
      c.note(
        'The elastic plate, at a node of the mesh, without spreading peaks; twisting is carried by the bars of both directions (Wood and Armer): each takes its moment and the size of the twisting moment, and less where the other is not asked for.',
      );
      for (const [name, value] of [
        ['mx', mx],
        ['my', my],
        ['mxy', mxy],
      ] as const)
        c.state(name, value, 'lineTorque', 'plate analysis, sagging positive');
    },
  });
}

/** The reinforced metre of a layer. */
function metreOf({ plate }: Pick<PlateBasis, 'plate'>, s: PlateSection) {
  const { diameter } = layerOf(s.bars, plate.catalogue);
  return reinforced(plate, s.bars, plate.h - s.d - diameter / 2).section;
}

export const plateDuctility = (basis: PlateBasis): DerivableCheck[] =>
  slabDuctility(
    basis.plate,
    basis.code,
    basis.sections.filter((s) => s.moment > 0).map((s) => ({ title: layerTitle(s), section: metreOf(basis, s) })),
  );

export const plateSteel = ({ plate, code, sections }: PlateBasis): DerivableCheck[] =>
  slabSteelChecks(
    plate,
    code,
    sections.map((s) => ({ ...s, title: layerTitle(s) })),
  );

interface ShearPlace {
  readonly combination: string;
  readonly at: Point;
  readonly force: number;
  readonly section: ShearSection;
  readonly capacity: number;
}

/** Shear without links: the largest resultant at a distance from the supports, against the bars that it bends. */
export function plateShear(basis: PlateBasis): DerivableCheck[] {
  const { plate, code, units } = basis;
  const worst = shearPlaces(basis).reduce<ShearPlace | null>((a, b) => (!a || b.force / b.capacity > a.force / a.capacity ? b : a), null);
  if (!worst) return [];
  return [
    compareCheck({
      id: 'shear',
      family: 'shear',
      title: `Shear without ${code.linkWord}`,
      clause: code.slab.clauses.shear,
      place: { x: null, label: placeWords(worst.at, units) },
      combination: worst.combination,
      assumptions: code.choices.filter((c) => c.key === 'shearPlace').map((c) => c.key),
      kind: 'lineLoad',
      compare: (c) => ({
        demand: worst.force,
        demandIs: ['shear per length of slab', 'vx and vy of a triangle, at d or beyond'],
        capacity: code.slab.plainShear(c, worst.section, plate.materials).force / WIDTH,
        capacityIs: ['resistance per length of slab', 'that of the metre over its width'],
      }),
      fails: (force, capacity) => `Shear at ${placeWords(worst.at, units)}: ${force} against ${capacity}: a deeper slab.`,
    }),
  ];
}

/** The shear of each triangle that counts, with what resists it: the bars along the shear, at the face that its moment pulls. */
function shearPlaces({ plate, code, answer, loads, sections }: PlateBasis): ShearPlace[] {
  const { at, triangles } = answer.model.mesh;
  const depth = sections.length > 0 ? Math.min(...sections.map((s) => s.d)) : plate.h - plate.cover.bottom - 20;
  const away = code.shearDistance(depth);
  return Array.from({ length: triangles.length / 3 }, (_, e) => e).flatMap((e) => {
    const nodes = [0, 1, 2].map((k) => triangles[3 * e + k]!);
    const mean = (values: ArrayLike<number>, step: number, k: number) => nodes.reduce((sum, n) => sum + values[step * n + k]! / 3, 0);
    const centre: Point = [mean(at, 2, 0), mean(at, 2, 1)];
    // A triangle that reaches beyond the distance counts whole: its own shear is then that at the distance, or nearer to the support.
    const isNear = answer.supports.some(({ piece: [a, b] }) =>
      nodes.every((n) => distanceToSegment([at[2 * n]!, at[2 * n + 1]!], a, b) < away),
    );
    if (isNear) return [];
    const [vx, vy] = [answer.shears[2 * e]!, answer.shears[2 * e + 1]!];
    const size = Math.hypot(vx, vy);
    if (!(size > 0)) return [];
    const [c, s] = [vx / size, vy / size];
    const along = mean(answer.moments, 3, 0) * c * c + mean(answer.moments, 3, 1) * s * s + 2 * mean(answer.moments, 3, 2) * c * s;
    return loads.map(({ w, combination }): ShearPlace => {
      const face = w * along >= 0 ? 'bottom' : 'top';
      const of = (direction: 'x' | 'y') => sections.find((k) => k.face === face && k.along === direction);
      const area = (of('x')?.provided ?? 0) * c * c + (of('y')?.provided ?? 0) * s * s;
      const d = Math.min(...(['x', 'y'] as const).map((k) => of(k)?.d ?? depth));
      const section = { bw: WIDTH, d, h: plate.h, tensionArea: area * WIDTH, grossArea: WIDTH * plate.h };
      return {
        combination,
        at: centre,
        force: Math.abs(w) * size,
        section,
        capacity: code.slab.plainShear(silent, section, plate.materials).force / WIDTH,
      };
    });
  });
}
