import { silent } from '../../calc/calc';
import type { BendingResistance, DesignCode, Links, ShearResistance, ShearSection } from '../../codes/design-code';
import { grossProperties } from '../../geometry/beam-outline';
import { catalogues } from '../../materials/bars';
import { barOf } from '../../reinforcement/bar-groups';
import { usualSizes } from '../../reinforcement/usual-sizes';
import { type LinkZone } from './input';
import { sectionWith } from './section-at';
import type { SteelAlong, SteelMap } from './steel';
import { compressionFace, tensionFace, type Sense, type Face } from './sense';
import { type PreparedBeam, outlineOf } from './prepared';

/** Resistances of a beam, or of a strip of slab, as reinforced, worked out once for each different section. */
export class ResistanceMap<S extends SteelAlong = SteelMap> {
  private readonly bending = new Map<number, BendingResistance | null>();
  private readonly sections = new Map<number, ShearSection[]>();
  private readonly shears = new Map<ShearSection, Map<LinkZone | null, ShearResistance>>();

  constructor(
    private readonly beam: PreparedBeam,
    private readonly code: DesignCode,
    readonly map: S,
  ) {}

  bendingAt(span: number, x: number, sense: Sense): BendingResistance | null {
    const tension = this.map.barsAt(tensionFace(sense), span, x);
    const compression = this.map.barsAt(compressionFace(sense), span, x);
    const key = tension.key * 65_536 + compression.key;
    let known = this.bending.get(key);
    if (known === undefined) {
      const section = sectionWith(this.beam, this.map, span, sense, tension, compression);
      known = this.code.bendingResistance(silent, section, this.beam.materials) ?? null;
      this.bending.set(key, known);
    }
    return known;
  }

  /** Effective depth and anchored area of the tension steel at a place. */
  tensionSteel(span: number, x: number, sense: Sense): { readonly d: number; readonly area: number } {
    const { area, fromFace } = this.map.centroid(this.map.barsAt(tensionFace(sense), span, x));
    return { d: outlineOf(this.beam, span).h - fromFace, area };
  }

  /** Depth of the bars in the compressed face below it (mm). */
  compressionDepth(span: number, x: number, sense: Sense): number {
    return this.map.centroid(this.map.barsAt(compressionFace(sense), span, x)).fromFace;
  }

  /**
   * The section in shear: the shallower of the faces that are in tension there, with those of its bars that run on by d and their anchorage on both
   * sides (EN 1992-1-1 6.2.2(1), figure 6.3).
   */
  shearSection(span: number, x: number, senses: readonly Sense[]): ShearSection {
    let shallowest = this.map.barsAt(tensionFace(senses[0]!), span, x);
    for (const sense of senses.slice(1)) {
      const other = this.map.barsAt(tensionFace(sense), span, x);
      if (this.map.centroid(other).fromFace > this.map.centroid(shallowest).fromFace) shallowest = other;
    }
    const { fromFace } = this.map.centroid(shallowest);
    const { b: bw, h } = outlineOf(this.beam, span);
    const d = h - fromFace;
    const { map } = this;
    const { face, key } = shallowest;
    const tensionArea = Math.min(map.anchored(face, span, x - d), map.anchored(face, span, x), map.anchored(face, span, x + d));
    let alike = this.sections.get(key);
    if (!alike) this.sections.set(key, (alike = []));
    let known = alike.find((section) => section.tensionArea === tensionArea);
    if (!known) {
      const bar = Math.max(0, ...map.placement(shallowest).bars.map((b) => b.diameter));
      known = { bw, d, h, tensionArea, bar, grossArea: grossProperties(outlineOf(this.beam, span)).area };
      alike.push(known);
    }
    return known;
  }

  /** The same with what acts there (N mm, N), where the code's strength rests on it: the largest moment of either sense, beside the largest shear. */
  shearUnder(span: number, x: number, most: { readonly max: number; readonly min: number }, V: number): ShearSection {
    const section = this.shearSection(span, x, sensesOf(most.max, most.min));
    return this.code.shearByActions ? { ...section, actions: { M: Math.max(most.max, -most.min, 0), V } } : section;
  }

  /** With the links of a zone, or without links. */
  shearAt(section: ShearSection, zone: LinkZone | null): ShearResistance {
    let bySection = this.shears.get(section);
    if (!bySection) this.shears.set(section, (bySection = new Map()));
    let known = bySection.get(zone);
    if (!known) bySection.set(zone, (known = this.shear(section, zone)));
    return known;
  }

  private shear(section: ShearSection, zone: LinkZone | null): ShearResistance {
    const { materials } = this.beam;
    return zone
      ? this.code.shearResistance(silent, section, linksOf(zone, this.map), materials)
      : this.code.slab.plainShear(silent, section, materials);
  }
}

/** A zone of links with its bar looked up. */
export function linksOf(zone: LinkZone, map: Pick<SteelAlong, 'catalogue'>): Links {
  const bar = barOf({ count: 1, size: zone.size }, map.catalogue);
  return { diameter: bar.diameter, area: zone.legs * bar.area, legs: zone.legs, spacing: zone.spacing };
}

/** Which faces are in tension somewhere in the envelope at a station. */
export function sensesOf(maxM: number, minM: number): Sense[] {
  const senses: Sense[] = [];
  if (maxM > 0) senses.push('sagging');
  if (minM < 0) senses.push('hogging');
  return senses.length > 0 ? senses : ['sagging'];
}

/** Clear cover to the bars of a face (mm), with the thinnest links that may be there. */
function clearCover({ cover, isSlab, barRules, catalogue }: PreparedBeam, face: Face): number {
  if (isSlab) return cover[face];
  const sizes = barRules.linkSizes.length > 0 ? barRules.linkSizes : usualSizes[catalogue].links;
  return Math.min(cover[face], cover.side) + Math.min(...sizes.map((size) => barOf({ count: 1, size }, catalogues[catalogue]).diameter));
}

/** Anchorage length of bars of a size in a span, remembered. */
export function anchorageLengths(beam: PreparedBeam, code: DesignCode, map: Pick<SteelAlong, 'catalogue'>) {
  const known = new Map<string, number>();
  return (face: Face, size: string, span: number): number => {
    const key = `${face} ${size} ${span}`;
    let length = known.get(key);
    if (length === undefined) {
      const bar = barOf({ count: 1, size }, map.catalogue);
      const place = { isTop: face === 'top', h: outlineOf(beam, span).h, cover: clearCover(beam, face) };
      length = code.anchorageLength(silent, bar, place, beam.materials);
      known.set(key, length);
    }
    return length;
  };
}
