import { silent, type Calc } from '../../calc/calc';
import type { Combination } from '../../analysis/combination';
import type { Limit } from '../../codes/basis';
import type { CrackTableQuestion, ServiceLoads } from '../../codes/service-rules';
import { layerOf, type SlabBars } from '../../reinforcement/slab-bars';
import { cracked, type ElasticState } from '../../section/elastic-section';
import type { FlexuralSection } from '../../section/flexural-section';
import { STEEL } from '../beam/service/crack-question';
import { WIDTH } from '../parts/slab-metre';
import type { ReinforcedPlate } from './checks';
import { onceFor } from './last-answers';
import { demandOn, demandsOf, type LayerDemand } from './envelope';
import { layers, type Layer } from './input';
import { insetOf } from './layers';
import { barsIn, barsOutside, nameOf, zonesOf, type Zone } from './zones';

/** Moments in service that the layers carry node by node, and the combinations that bring them. */
export interface ServiceDemands {
  readonly combinations: readonly Combination[];
  readonly demands: readonly LayerDemand[];
}

export function serviceDemands(
  { answer }: Pick<ReinforcedPlate, 'answer'>,
  all: readonly Combination[],
  kind: ServiceLoads,
): ServiceDemands {
  const combinations = all.filter((c) => c.kind === kind);
  return { combinations, demands: onceFor(answer, 'demands', combinations, () => demandsOf(answer.parts, combinations)) };
}

/** A part of the slab where the bars of both faces along a direction are the same, with the cracked state of its metre under one modulus of concrete. */
export interface CrackZone extends Layer {
  /** Of the section that it belongs to: that of the bars of its own face. */
  readonly id: string;
  readonly title: string;
  readonly zone: Zone;
  readonly bars: readonly SlabBars[];
  readonly inset: number;
  readonly state: ElasticState;
  /** The moment that cracks it for the first time, per length (N mm/mm). */
  readonly crackingMoment: number;
  /** Elastic modulus of the bars over that of the concrete with its creep. */
  readonly alpha: number;
}

/** Ratio of moduli for a metre of slab; `sustained` is the share of the load that creep counts for. */
export const modularRatio = ({ plate, code }: ReinforcedPlate, h: number, sustained: number, c: Calc = silent): number =>
  STEEL / code.service.modulus(c, plate.materials, WIDTH * h, 2 * WIDTH, sustained);

/** Rows of bars of a metre, their depth from a face: of that face, or of the other one. */
function rowsFrom({ plate }: ReinforcedPlate, h: number, bars: readonly SlabBars[], inset: number, isFar: boolean) {
  return bars.map((b) => {
    const { area, diameter } = layerOf(b, plate.catalogue);
    const fromFace = inset + diameter / 2;
    return { depth: isFar ? h - fromFace : fromFace, area: area * WIDTH };
  });
}

/** The parts of every layer that has bars, cracked. Bars of the pressed face count, for they move the neutral axis. */
export function crackZones(basis: ReinforcedPlate, sustained: number): CrackZone[] {
  const { plate, code, steel, answer, metre } = basis;
  const on = { mesh: answer.model.mesh, depths: answer.depths };
  return layers.flatMap((layer) => {
    const other: Layer = { ...layer, face: layer.face === 'bottom' ? 'top' : 'bottom' };
    const [inset, far] = [layer, other].map((l) => insetOf(plate, l, barsOutside(plate, steel, l))) as [number, number];
    return zonesOf(plate, code, steel, [layer, other], on).flatMap((zone): CrackZone[] => {
      const bars = barsIn(steel, layer, zone.extras);
      if (bars.length === 0) return [];
      const alpha = modularRatio(basis, zone.h, sustained);
      const rows = [
        ...rowsFrom(basis, zone.h, barsIn(steel, other, zone.extras), far, false),
        ...rowsFrom(basis, zone.h, bars, inset, true),
      ];
      const section = { ...metre(zone.h).plain, layers: rows };
      const state = cracked(section, alpha, true);
      const crackingMoment = crackingMomentOf(basis, zone.h, section);
      return state ? [{ ...layer, ...nameOf(plate, steel, layer, zone), zone, bars, inset, state, crackingMoment, alpha }] : [];
    });
  });
}

/** From the pulled face to the centre of the bars nearest it (mm). */
const nearest = ({ bars, inset }: CrackZone, catalogue: ReinforcedPlate['plate']['catalogue']): number =>
  inset + Math.min(...bars.map((b) => layerOf(b, catalogue).diameter)) / 2;

/** Stresses of the cracked metre under a moment per length (N mm/mm): of the bars nearest the pulled face, and of the concrete at the other (MPa). */
export function stressesAt(
  { plate }: ReinforcedPlate,
  zone: CrackZone,
  moment: number,
): { readonly steel: number; readonly concrete: number } {
  const { state, alpha } = zone;
  const M = moment * WIDTH;
  return {
    steel: Math.max(0, (alpha * M * (zone.zone.h - nearest(zone, plate.catalogue) - state.x)) / state.inertia),
    concrete: (M * state.x) / state.inertia,
  };
}

/** What a rule for cracks asks of a part under a moment. Bars of several sets may lie beside each other, no further apart than those of the closest set. */
export function crackQuestionAt(basis: ReinforcedPlate, zone: CrackZone, moment: number): CrackTableQuestion {
  const { plate } = basis;
  const { h } = zone.zone;
  const laid = zone.bars.map((b) => ({ ...layerOf(b, plate.catalogue), spacing: b.spacing }));
  const rows = laid.map(({ area, diameter }) => ({ area: area * WIDTH, fromFace: zone.inset + diameter / 2 }));
  const area = rows.reduce((sum, r) => sum + r.area, 0);
  // n phi2 over n phi, (7.12) of EN 1992-1-1, with n by the area of each set.
  const counts = laid.map((l) => l.area / l.diameter ** 2);
  const sumOf = (power: number) => laid.reduce((sum, l, i) => sum + counts[i]! * l.diameter ** power, 0);
  return {
    materials: plate.materials,
    steelStress: stressesAt(basis, zone, moment).steel,
    diameter: sumOf(2) / sumOf(1),
    cover: zone.inset,
    spacing: Math.min(...laid.map((l) => l.spacing)),
    h,
    d: h - rows.reduce((sum, r) => sum + r.area * r.fromFace, 0) / area,
    tensionDepth: h / 2,
    x: zone.state.x,
    strip: (depth) => ({
      concrete: WIDTH * Math.min(h, depth),
      steel: rows.reduce((sum, r) => sum + (r.fromFace <= depth ? r.area : 0), 0),
    }),
    strains: [1, 0],
    isSustained: true,
  };
}

/** The moment that cracks a metre of this depth for the first time, per length (N mm/mm), with what restraint leaves of its tensile strength. */
function crackingMomentOf({ plate, code }: ReinforcedPlate, h: number, section: FlexuralSection): number {
  const { crackingMoment } = code.service.stiffness(silent, {
    section,
    materials: plate.materials,
    area: WIDTH * h,
    perimeter: 2 * WIDTH,
    inertia: (WIDTH * h ** 3) / 12,
    toTensionFace: h / 2,
    age: 'end',
    partitionAge: plate.service.partitionAge,
  });
  return (plate.service.tension * crackingMoment) / WIDTH;
}

/** Moments in service with the parts that they crack. */
export interface Cracks {
  readonly crack: ServiceDemands;
  readonly full: ServiceDemands;
  readonly zones: readonly CrackZone[];
  /** Whether the full loads crack a part at a node of it. */
  readonly isCracked: (zone: CrackZone, node: number) => boolean;
}

export function cracksOf(basis: ReinforcedPlate, combinations: readonly Combination[]): Cracks {
  const { code } = basis;
  const crack = serviceDemands(basis, combinations, code.service.crackLoads);
  const full = serviceDemands(basis, combinations, code.service.fullLoads);
  return {
    crack,
    full,
    zones: crackZones(basis, 1),
    isCracked: (zone, node) =>
      Math.max(demandOn(full.demands, zone).demand[node]!, demandOn(crack.demands, zone).demand[node]!) > zone.crackingMoment,
  };
}

/** Crack width at a node of a part (mm), as calculated or estimated; none where it is not cracked. */
export function crackWidthAt(basis: ReinforcedPlate, cracks: Cracks, zone: CrackZone, node: number, c: Calc = silent): number {
  const { service } = basis.code;
  const rule = service.crack ?? service.crackEstimate;
  if (!rule || !cracks.isCracked(zone, node)) return 0;
  return rule(c, crackQuestionAt(basis, zone, demandOn(cracks.crack.demands, zone).demand[node]!)).width;
}

/** Minimum reinforcement of a part for its first cracks (mm2 on a metre); undefined where the code has none. */
export function firstCrackSteel(basis: ReinforcedPlate, zone: CrackZone, moment: number, c: Calc = silent): Limit | undefined {
  const { plate, code } = basis;
  const { h, d, diameter } = crackQuestionAt(basis, zone, moment);
  return code.service.leastCrackSteel?.(c, {
    materials: plate.materials,
    h,
    d,
    diameter,
    tensionDepth: h / 2,
    tensionArea: (WIDTH * h) / 2,
    width: plate.service.crackWidth,
  });
}

/** Steel of a part (mm2/mm). */
export const steelOf = ({ plate }: Pick<ReinforcedPlate, 'plate'>, { bars }: Pick<CrackZone, 'bars'>): number =>
  bars.reduce((sum, b) => sum + layerOf(b, plate.catalogue).area, 0);

/** Whether the code asks for a look at the cracks of this slab. */
export const looksAtCracks = ({ code, answer }: Pick<ReinforcedPlate, 'code' | 'answer'>): boolean =>
  !code.slab.oneWayCracks && !(code.slab.crackFreeDepth && Math.max(...answer.depths) <= code.slab.crackFreeDepth.h);

/** What cracks at a node of a part use up of what the code allows: by width or by tables, and by the steel for the first of them. */
export function usedByCracks(basis: ReinforcedPlate, cracks: Cracks, zone: CrackZone, node: number): number {
  if (!cracks.isCracked(zone, node)) return 0;
  const { plate, code } = basis;
  const moment = demandOn(cracks.crack.demands, zone).demand[node]!;
  const byFirst = (firstCrackSteel(basis, zone, moment)?.value ?? 0) / WIDTH / steelOf(basis, zone);
  if (!code.service.crackTables) return Math.max(byFirst, crackWidthAt(basis, cracks, zone, node) / plate.service.crackWidth);
  const q = crackQuestionAt(basis, zone, moment);
  const { bar, spacing } = code.service.crackTables(silent, q, plate.service.crackWidth);
  return Math.max(byFirst, Math.min(q.diameter / bar, q.spacing / spacing));
}

/** Crack widths of both faces node by node (mm): the wider of both directions. */
export function crackMaps(basis: ReinforcedPlate, cracks: Cracks): Record<'crackBottom' | 'crackTop', Float64Array> {
  const maps = { bottom: new Float64Array(basis.answer.depths.length), top: new Float64Array(basis.answer.depths.length) };
  for (const zone of cracks.zones)
    for (const node of zone.zone.nodes) {
      const map = maps[zone.face];
      map[node] = Math.max(map[node]!, crackWidthAt(basis, cracks, zone, node));
    }
  return { crackBottom: maps.bottom, crackTop: maps.top };
}
