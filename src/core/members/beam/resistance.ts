import { silent } from '../../calc/calc';
import type { BendingResistance, DesignCode, Links, ShearResistance, ShearSection } from '../../codes/design-code';
import { grossProperties } from '../../geometry/beam-outline';
import { barOf } from '../../reinforcement/bar-groups';
import { outlineOf, type BeamInput, type LinkZone } from './input';
import { sectionAt, tensionFace, type Sense } from './section-at';
import { centroidFromFace, type Face, type SteelMap } from './steel';

/** Resistances of a beam as reinforced, worked out once for each different section. */
export class ResistanceMap {
  private readonly bending = new Map<string, BendingResistance | null>();
  private readonly shears = new Map<string, ShearResistance>();

  constructor(
    private readonly beam: BeamInput,
    private readonly code: DesignCode,
    readonly map: SteelMap,
  ) {}

  bendingAt(span: number, x: number, sense: Sense): BendingResistance | null {
    const here = sectionAt(this.beam, this.map, span, x, sense);
    let known = this.bending.get(here.key);
    if (known === undefined) {
      known = this.code.bendingResistance(silent, here.section, this.beam.materials) ?? null;
      this.bending.set(here.key, known);
    }
    return known;
  }

  /** Effective depth and anchored area of the tension steel at a place. */
  tensionSteel(span: number, x: number, sense: Sense): { readonly d: number; readonly area: number } {
    const face = tensionFace(sense);
    const bars = this.map.barsAt(face, span, x);
    const { area, fromFace } = centroidFromFace(this.map.placement(face, span, bars.groups), bars.shares);
    return { d: outlineOf(this.beam, span).h - fromFace, area };
  }

  /** Depth of the bars in the compressed face below it (mm). */
  compressionDepth(span: number, x: number, sense: Sense): number {
    return outlineOf(this.beam, span).h - this.tensionSteel(span, x, sense === 'sagging' ? 'hogging' : 'sagging').d;
  }

  /** The section in shear: the shallower of the faces that are in tension there, with its steel. */
  shearSection(span: number, x: number, senses: readonly Sense[]): ShearSection {
    const outline = outlineOf(this.beam, span);
    const candidates = senses.map((sense) => this.tensionSteel(span, x, sense));
    const { d, area } = candidates.reduce((a, b) => (b.d < a.d ? b : a));
    return { bw: outline.b, d, h: outline.h, tensionArea: area, grossArea: grossProperties(outline).area };
  }

  shearAt(section: ShearSection, zone: LinkZone): ShearResistance {
    const key = `${section.bw} ${section.d} ${section.tensionArea} ${zone.size} ${zone.legs} ${zone.spacing}`;
    let known = this.shears.get(key);
    if (!known) {
      known = this.code.shearResistance(silent, section, linksOf(zone, this.map), this.beam.materials);
      this.shears.set(key, known);
    }
    return known;
  }
}

/** A zone of links with its bar looked up. */
export function linksOf(zone: LinkZone, map: SteelMap): Links {
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

/** Anchorage length of bars of a size in a span, remembered. */
export function anchorageLengths(beam: BeamInput, code: DesignCode, map: { readonly catalogue: SteelMap['catalogue'] }) {
  const known = new Map<string, number>();
  return (face: Face, size: string, span: number): number => {
    const key = `${face} ${size} ${span}`;
    let length = known.get(key);
    if (length === undefined) {
      const bar = barOf({ count: 1, size }, map.catalogue);
      length = code.anchorageLength(silent, bar, { isTop: face === 'top', h: outlineOf(beam, span).h }, beam.materials);
      known.set(key, length);
    }
    return length;
  };
}
