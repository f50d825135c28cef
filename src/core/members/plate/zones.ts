import type { PlateMesh } from '../../analysis/plates/mesh';
import type { DesignCode } from '../../codes/design-code';
import type { Point } from '../../geometry/polygon';
import type { SlabBars } from '../../reinforcement/slab-bars';
import type { LayerDemand } from './envelope';
import { axesOf, layerTitle } from './bar-axes';
import { goesAllRound, isOver, partOf } from './bar-parts';
import { isLayer, layers, type ExtraBars, type Layer, type PlateInput } from './input';
import { onceFor } from './last-answers';
import { countsIn, insetOf, metreWith, neededSteel, resistanceWith, type MetreOf } from './layers';
import type { LaidSteel, PlateSection } from './result';

export const meshIn = ({ meshes }: LaidSteel, layer: Layer): SlabBars | null => meshes.find((m) => isLayer(m, layer))?.bars ?? null;
export const extrasIn = ({ extra }: LaidSteel, layer: Layer): ExtraBars[] => extra.filter((e) => isLayer(e, layer));

/** All bars of the outer layer of a face, where a layer is the inner one; of which the thickest decides how deep the inner ones lie. */
export function barsOutside(plate: PlateInput, steel: LaidSteel, { face }: Layer): SlabBars[] {
  const outer: Layer = { face, along: plate.outer };
  const mesh = meshIn(steel, outer);
  return [...(mesh ? [mesh] : []), ...extrasIn(steel, outer).map((e) => e.bars)];
}

/** Less than this share of the largest moment of the slab asks for no bars: triangles are no better than that at free edges. */
export const NOTHING = 0.02;

/** The nodes of a slab, each with the least depth that meets there (mm). */
export interface OnPlate {
  readonly mesh: PlateMesh;
  readonly depths: Float64Array;
}

/** A part of a slab with the bars that lie over it beside those of the meshes. */
export interface Zone {
  readonly extras: readonly ExtraBars[];
  readonly h: number;
  readonly nodes: readonly number[];
}

/** The parts of a slab in which each of these layers has the same bars, and the depth is the same: worked out once for bars that lie there. */
export function zonesOf(plate: PlateInput, code: DesignCode, steel: LaidSteel, layers: readonly Layer[], on: OnPlate): Zone[] {
  const question = [layers, code.settings];
  return onceFor(
    steel,
    'zones',
    question,
    () => ({ plate, on: on.mesh, zones: partsOf(plate, code, steel, layers, on) }),
    (known) => known.plate === plate && known.on === on.mesh,
  ).zones;
}

function partsOf(
  plate: PlateInput,
  code: DesignCode,
  steel: LaidSteel,
  layers: readonly Layer[],
  { mesh: { at }, depths }: OnPlate,
): Zone[] {
  const axes = axesOf(plate);
  const extras = layers.flatMap((layer) => extrasIn(steel, layer).map((extra) => ({ extra, counts: countsIn(plate, code, extra, axes) })));
  const zones = new Map<string, Zone & { readonly nodes: number[] }>();
  for (let n = 0; n < at.length / 2; n += 1) {
    const p: Point = [at[2 * n]!, at[2 * n + 1]!];
    const h = depths[n]!;
    const over = extras.filter(({ counts }) => isOver(p, counts, axes));
    const key = `${h} ${over.map(({ extra }) => steel.extra.indexOf(extra)).join(' ')}`;
    const zone = zones.get(key);
    if (zone) zone.nodes.push(n);
    else zones.set(key, { extras: over.map(({ extra }) => extra), h, nodes: [n] });
  }
  return [...zones.values()];
}

/** The bars of a layer in a part: those of its mesh and those beside them. */
export const barsIn = (steel: LaidSteel, layer: Layer, extras: readonly ExtraBars[]): SlabBars[] => {
  const own = meshIn(steel, layer);
  return [...(own ? [own] : []), ...extras.filter((e) => isLayer(e, layer)).map((e) => e.bars)];
};

/** Names of a part, by the bars that lie over it beside the mesh: "at B2", "with bars 1 and 2", "other depth". */
export function nameOf(plate: PlateInput, steel: LaidSteel, layer: Layer, { extras, h }: Pick<Zone, 'extras' | 'h'>) {
  const own = extras.filter((e) => isLayer(e, layer));
  const number = own.map((e) => extrasIn(steel, layer).indexOf(e) + 1).join(' and ');
  const where = own.length > 0 ? `, ${columnWithin(plate, own[0]!) ?? `with bars ${number}`}` : '';
  const isOther = h !== plate.h;
  return {
    id: `${layer.face}-${layer.along}${number && `-${number.replaceAll(' and ', '-')}`}${isOther ? `-${Math.round(h)}` : ''}`,
    title: `${layerTitle(plate, layer)}${where}${isOther ? ', other depth' : ''}`,
  };
}

/** "at B2": the column that bars over a part lie over. */
function columnWithin(plate: PlateInput, extra: ExtraBars): string | undefined {
  const { columns } = plate;
  const axes = axesOf(plate);
  const part = partOf(extra, axes);
  if (goesAllRound(part, axes)) return undefined;
  const i = columns.findIndex((c) => isOver([c.x, c.y], part, axes));
  return i < 0 ? undefined : `at ${columns[i]!.name || i + 1}`;
}

/** What a plan of bars is asked to do: sections of every layer where each part is asked most of what it has. */
export function sectionsOf(
  plate: PlateInput,
  code: DesignCode,
  on: OnPlate,
  steel: LaidSteel,
  demands: readonly LayerDemand[],
  metre: MetreOf,
): PlateSection[] {
  const largest = Math.max(...demands.map(({ demand }) => demand.reduce((a, b) => Math.max(a, b), 0)));
  return layers.flatMap((layer) => {
    const { demand } = demands.find((d) => isLayer(d.layer, layer))!;
    const inset = insetOf(plate, layer, barsOutside(plate, steel, layer));
    return zonesOf(plate, code, steel, [layer], on).flatMap((zone): PlateSection[] => {
      const node = zone.nodes.reduce((best, n) => (demand[n]! > demand[best]! ? n : best), zone.nodes[0]!);
      const moment = demand[node]!;
      const bars = barsIn(steel, layer, zone.extras);
      if (bars.length === 0 && moment <= NOTHING * largest) return [];
      const { d, provided } = metreWith(metre(zone.h), bars, inset);
      return [
        {
          ...layer,
          ...nameOf(plate, steel, layer, zone),
          bars,
          h: zone.h,
          d,
          inset,
          moment,
          node,
          at: [on.mesh.at[2 * node]!, on.mesh.at[2 * node + 1]!],
          resistance: resistanceWith(metre(zone.h), code, bars, inset),
          required: neededSteel(metre(zone.h), code, moment, d),
          provided,
        },
      ];
    });
  });
}
