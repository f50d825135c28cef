import type { UnitSystem } from '../../units/quantity';
import type { BeamInput, BeamLoad } from '../beam/input';
import type { StripInput, StripLoad } from './input';

/** The width of the strip that is designed (mm): a metre, or a foot. */
export const stripWidth = (units: UnitSystem): number => (units === 'US' ? 304.8 : 1000);

/** A load of the slab on a strip of a width. */
function loadOn(load: StripLoad, width: number): BeamLoad {
  const base = { case: load.case, note: load.note };
  switch (load.type) {
    case 'uniform':
      return { ...base, type: 'uniform', span: load.span, value: load.value * width };
    case 'partial':
      return { ...base, type: 'partial', span: load.span, from: load.from, to: load.to, value: load.value * width };
    case 'line':
      return { ...base, type: 'point', span: load.span, at: load.at, force: load.force * width };
    case 'point':
      return { ...base, type: 'point', span: load.span, at: load.at, force: (load.load / load.width) * width };
  }
}

/** A spring typed for a metre of the slab, as much of it as stands under the strip. */
const ofWidth = (spring: number | null, width: number): number | null => (spring === null ? null : (spring * width) / 1000);

/** The strip as the beam that it is, without links. Loads and supports keep their order. */
export function stripAsBeam(strip: StripInput, width: number): BeamInput {
  const { spans, supports, materials, catalogue, unitWeight, selfWeight, cases, service, fire, combinationsOff, ownCombinations } = strip;
  return {
    mode: 'loads',
    isSlab: true,
    section: { shape: 'rectangular', b: width, h: strip.h, flangeWidth: width, flangeDepth: strip.h },
    slab: null,
    spans: spans.map(({ length, h, camber }) => ({ length, camber, section: h === null ? {} : { h } })),
    supports: supports.map((s) => ({ ...s, vertical: ofWidth(s.vertical, width), rotation: ofWidth(s.rotation, width) })),
    materials,
    catalogue,
    cover: { ...strip.cover, side: 0 },
    unitWeight,
    selfWeight,
    cases,
    loads: strip.loads.map((l) => loadOn(l, width)),
    forces: [],
    stationSets: [],
    stations: [],
    bars: { bottom: [], top: [], links: [], support: [], side: null },
    barRules: { mainSizes: [], linkSizes: [], leastBars: null, mostBars: null, legs: [], spacings: [], singlyReinforced: true },
    frame: 'none',
    lateralHold: null,
    isPerimeter: false,
    service,
    fire,
    combinationsOff,
    ownCombinations,
  };
}
