import type { ProjectRates } from '../../advice/rates';
import {
  keepingOrAnew,
  lengthTitle,
  otherConcretes,
  singleChanges,
  tryChanges,
  trialOf,
  type Candidate,
  type Change,
} from '../../advice/single-changes';
import type { DesignCode } from '../../codes/design-code';
import { atOnce } from '../../job';
import { formatValue, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import type { Way } from '../kind';
import { usualSide } from './analysis';
import { wholePlate } from './design-plate';
import type { PlateInput } from './input';
import { narrowestBay } from './loading';
import type { PlateResult } from './result';

const chosen: PlateInput['bars'] = { bottom: { x: null, y: null }, top: { x: null, y: null }, extra: null };

/** Other depths and concretes; bars set by hand stay, or are let go of apart. */
function candidates(plate: PlateInput, code: DesignCode): Candidate<Partial<PlateInput>>[] {
  const { h, materials, catalogue, bars } = plate;
  const step = catalogue === 'us' ? 25.4 : 25;
  const list: Candidate<Partial<PlateInput>>[] = [
    ...[1, 2, -1]
      .map((k) => h + k * step)
      .filter((depth) => depth >= 100)
      .map((depth) => ({ title: `depth ${lengthTitle(depth, catalogue)}`, about: 'depth', change: { h: depth } })),
    ...dropPanels(plate),
    ...laterLoads(plate, code),
    ...higherFormwork(plate),
    ...otherConcretes(materials, code).map(({ change: concreteStrength, ...c }) => ({
      ...c,
      change: { materials: { ...materials, concreteStrength } },
    })),
  ];
  return keepingOrAnew(list, { ...bars.bottom, topX: bars.top.x, topY: bars.top.y, extra: bars.extra }, { bars: chosen });
}

/** A thicker part around every column, a third of the narrowest bay wide, where there are none yet. */
function dropPanels(plate: PlateInput): Candidate<Partial<PlateInput>>[] {
  const { columns, regions, h, catalogue } = plate;
  if (columns.length === 0 || regions.length > 0) return [];
  const unit = catalogue === 'us' ? 25.4 : 25;
  const rounded = (v: number) => Math.max(unit, Math.round(v / unit) * unit);
  const [half, more] = [rounded(narrowestBay(plate) / 6), rounded(h / 4)];
  const around = columns.map(({ x, y }) => ({ x1: x - half, y1: y - half, x2: x + half, y2: y + half, h: h + more }));
  return [
    {
      title: `drops ${lengthTitle(2 * half, catalogue)} wide, ${lengthTitle(more, catalogue)} deeper`,
      about: 'drops',
      change: { regions: around },
    },
  ];
}

/** Props that stay for twice as long; where a history of loads is set it says itself when they come. */
function laterLoads({ materials, stages }: PlateInput, code: DesignCode): Candidate<Partial<PlateInput>>[] {
  if (!code.service.aged || stages !== null) return [];
  const { timeDependent } = materials;
  const loadingAge = 2 * timeDependent.loadingAge;
  return [
    {
      title: `first loaded after ${loadingAge} days`,
      about: 'age',
      change: { materials: { ...materials, timeDependent: { ...timeDependent, loadingAge } } },
    },
  ];
}

/** Formwork that is set higher, for what is seen in the long term. */
function higherFormwork({ camber, catalogue }: PlateInput): Candidate<Partial<PlateInput>>[] {
  const step = catalogue === 'us' ? 25.4 / 4 : 5;
  return [2, 4].map((k) => {
    const higher = camber + k * step;
    return { title: `camber ${lengthTitle(higher, catalogue)}`, about: 'camber', change: { camber: higher } };
  });
}

/** What the analysis of a slab leaves to the engineer, each turned the other way. */
function choicesOf(plate: PlateInput): Candidate<Partial<PlateInput>>[] {
  const { service, simpleEdges, corners, outline, walls, spread } = plate;
  const rests = outline.some((c) => c.edge === 'simple') || walls.length > 0;
  return [
    service.twist === 'bars'
      ? { title: 'cracked by its own moment alone', about: 'twist', change: { service: { ...service, twist: 'own' } } }
      : { title: 'cracked by the twisting moment too', about: 'twist', change: { service: { ...service, twist: 'bars' } } },
    service.tension === 1
      ? { title: 'half of the tensile strength', about: 'tension', change: { service: { ...service, tension: 0.5 } } }
      : { title: 'all of the tensile strength', about: 'tension', change: { service: { ...service, tension: 1 } } },
    { title: 'a mesh 0.7 times as coarse', about: 'mesh', change: { meshSize: Math.round(0.7 * usualSide(plate)) } },
    spread === 0
      ? { title: 'moments as means over a width', about: 'spread', change: { spread: null } }
      : { title: 'moments as they are at peaks', about: 'spread', change: { spread: 0 } },
    ...(rests
      ? [
          simpleEdges === 'hard'
            ? { title: 'edges that turn along themselves', about: 'edges', change: { simpleEdges: 'soft' as const } }
            : { title: 'edges that do not turn along themselves', about: 'edges', change: { simpleEdges: 'hard' as const } },
          corners === 'held'
            ? { title: 'edges that it may lift off', about: 'corners', change: { corners: 'lift' as const } }
            : { title: 'edges that hold it down', about: 'corners', change: { corners: 'held' as const } },
        ]
      : []),
  ];
}

/** What each choice of the analysis moves: every one turned the other way, with the largest deflection before and after. */
export function choicesTried(plate: PlateInput, code: DesignCode, rates: ProjectRates, units: UnitSystem): Way<PlateInput>[] {
  const known = new Map<PlateInput, PlateResult>();
  const design = (p: PlateInput) => {
    const result = atOnce(wholePlate(p, code, { derive: [], units }));
    known.set(p, result);
    return result;
  };
  const trial = trialOf(plate, rates, design, buildability);
  const sunk = (p: PlateInput | undefined) => formatValue(Math.max(0, ...(known.get(p!)?.maps?.deflection ?? [])), 'smallLength', units);
  const made = new Map<Partial<PlateInput>, PlateInput>();
  const applied = (p: PlateInput, change: Partial<PlateInput>) => {
    const next = { ...p, ...change };
    made.set(change, next);
    return next;
  };
  return tryChanges({ ...trial, applied }, choicesOf(plate)).map((way) => ({
    ...way,
    title: `${way.title}: sinks ${sunk(plate)} → ${sunk(made.get(way.change))} ${unitLabel('smallLength', units)}`,
  }));
}

/** How easily the bars are laid: by how few kinds there are, and the closest spacing. */
export function buildability({ steel }: PlateResult): number {
  const all = [...steel.meshes.flatMap((m) => m.bars ?? []), ...steel.extra.map((e) => e.bars)];
  const kinds = new Set(all.map((b) => `${b.size} ${b.spacing}`)).size;
  const within = (v: number) => Math.max(0, Math.min(1, v));
  return 0.5 * within((5 - kinds) / 4) + 0.5 * within((Math.min(...all.map((b) => b.spacing)) - 75) / 125);
}

/** Single changes of a slab, each designed in full, those that hold first. Empty with faults. */
export function proposePlate(plate: PlateInput, code: DesignCode, rates: ProjectRates): Change<Partial<PlateInput>>[] {
  return singleChanges(
    trialOf(plate, rates, (p: PlateInput) => atOnce(wholePlate(p, code, { derive: [], units: 'SI' })), buildability),
    (p) => candidates(p, code),
  );
}
