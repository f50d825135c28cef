import { silent } from '../../calc/calc';
import type { DesignCode, Links, ShearSection } from '../../codes/design-code';
import { catalogues } from '../../materials/bars';
import { barOf } from '../../reinforcement/bar-groups';
import { roundDown, roundUp, usualSizes } from '../../reinforcement/usual-sizes';
import { type LinkZone } from './input';
import { torsionQuestion, type CornerBars } from './torsion';
import { type PreparedBeam, outlineOf } from './prepared';

/** A place of a span where links are needed: position from the span's left end (mm), shear (N), section. */
export interface ShearPlace {
  readonly at: number;
  readonly force: number;
  readonly section: ShearSection;
  /** Torque that goes with it (N mm). */
  readonly torque?: number;
  readonly corners?: CornerBars;
  /** What else is asked for there, such as by a ductile frame. */
  readonly least?: { readonly areaPerLength: number; readonly maxAlong: number };
}

interface Need {
  readonly at: number;
  readonly areaPerLength: number;
  readonly maxAlong: number;
}

const MOST_LEGS = 8;

/** Legs so that none stand further apart across than allowed. */
export function legsAcross(width: number, maxAcross: number): number {
  return Math.max(2, Math.ceil(width / maxAcross - 1e-6) + 1);
}

/** Zones of links for a span: the ends as close as they must be, the middle as wide as it may be. */
export function chooseLinks(
  beam: PreparedBeam,
  code: DesignCode,
  span: number,
  places: readonly ShearPlace[],
  holdsCompression: { readonly bar: number } | null,
): LinkZone[] {
  const usual = usualSizes[beam.catalogue];
  const catalogue = catalogues[beam.catalogue];
  const length = beam.spans[span]!.length;
  const outline = outlineOf(beam, span);
  const sizes = beam.barRules.linkSizes.length > 0 ? beam.barRules.linkSizes : usual.links;
  const requirements = places.map((place) => ({ place, need: code.linkRequirement(silent, place.force, place.section, beam.materials) }));
  const across = Math.min(...requirements.map((r) => r.need.maxAcross), Infinity);
  const spacings = stepsOf(beam);
  let fallback: LinkZone[] | undefined;
  for (let more = 0; more <= MOST_LEGS - 2; more += 1) {
    for (const size of sizes) {
      const bar = barOf({ count: 1, size }, catalogue);
      const legs = allowedLegs(beam, legsAcross(outline.b - 2 * beam.cover.side - bar.diameter, across), more);
      if (legs === undefined) continue;
      const hold = holdsCompression
        ? code.compressionLinkSpacing(holdsCompression.bar, bar.diameter, Math.min(outline.b, outline.h)).value
        : Infinity;
      const needs = requirements.map(({ place, need }) => {
        const twisted = withTorque(beam, code, span, place, { diameter: bar.diameter, area: legs * bar.area, legs, spacing: 100 });
        return {
          at: place.at,
          areaPerLength: Math.max(need.areaPerLength, twisted.areaPerLength, place.least?.areaPerLength ?? 0),
          maxAlong: Math.min(need.maxAlong, twisted.maxAlong, place.least?.maxAlong ?? Infinity, hold, usual.mostSpacing),
        };
      });
      const zones = zonesFor(needs, length, size, legs, legs * bar.area, spacings, usual.lengthStep);
      const closest = Math.min(...zones.map((z) => z.spacing));
      if (closest >= spacings.least - 1e-6) return zones;
      fallback ??= zones.map((z) => ({ ...z, spacing: Math.max(z.spacing, spacings.least) }));
    }
  }
  return fallback!;
}

/** The legs to try next: the fewest that stand close enough and more of them, among those that the rules allow. */
function allowedLegs({ barRules }: PreparedBeam, fewest: number, more: number): number | undefined {
  if (barRules.legs.length === 0) return fewest + more;
  const allowed = [...barRules.legs].sort((a, b) => a - b);
  const enough = allowed.filter((n) => n >= fewest);
  // Where no number allowed is enough, the largest is taken, and the check says that it is too few.
  return (enough.length > 0 ? enough : allowed.slice(-1))[more];
}

/** Spacings for links: the widest that is not above a value. */
interface Spacings {
  readonly step: number;
  /** Closest that may stand, easily. */
  readonly least: number;
  down(value: number): number;
}

function stepsOf({ barRules, catalogue }: PreparedBeam): Spacings {
  const { spacingStep: step, leastSpacing } = usualSizes[catalogue];
  if (barRules.spacings.length === 0) return { step, least: leastSpacing, down: (v) => Math.max(step, roundDown(v, step)) };
  const allowed = [...barRules.spacings].sort((a, b) => a - b);
  // None is close enough: more legs or thicker links are tried.
  return { step, least: allowed[0]!, down: (v) => allowed.filter((s) => s <= v + 1e-6).at(-1) ?? 0 };
}

/** What a torque asks of links beside the shear. */
function withTorque(beam: PreparedBeam, code: DesignCode, span: number, p: ShearPlace, links: Links) {
  if (!p.torque || p.torque < 1 || !p.corners) return { areaPerLength: 0, maxAlong: Infinity };
  const answer = code.torsion.check(silent, torsionQuestion(beam, span, p.section, links, { T: p.torque, V: p.force }, p.corners));
  return { areaPerLength: answer.linkArea, maxAlong: answer.design > 0 ? answer.spacing.value : Infinity };
}

function zonesFor(
  needs: readonly Need[],
  length: number,
  size: string,
  legs: number,
  area: number,
  { step, down }: Spacings,
  lengthStep: number,
): LinkZone[] {
  const spacingFor = (list: readonly Need[]) =>
    down(Math.min(...list.map((n) => Math.min(n.maxAlong, n.areaPerLength > 0 ? area / n.areaPerLength : Infinity)), 12 * step));
  if (needs.length === 0) return [{ to: length, size, legs, spacing: down(8 * step) }];
  const closest = spacingFor(needs);
  const widest = spacingFor([
    needs.reduce((a, b) => (b.areaPerLength / area + 1 / b.maxAlong < a.areaPerLength / area + 1 / a.maxAlong ? b : a)),
  ]);
  const whole = [{ to: length, size, legs, spacing: closest }];
  if (widest <= closest) return whole;
  const tight = (n: Need) => n.areaPerLength > (area / widest) * (1 + 1e-9) || n.maxAlong < widest - 1e-6;
  const half = length / 2;
  const left = needs.filter((n) => n.at <= half);
  const right = needs.filter((n) => n.at > half);
  // A zone ends at the first place that no longer needs it: somewhere before that the need ends.
  const beyond = (list: readonly Need[], from: (n: Need) => number) => {
    const last = Math.max(-Infinity, ...list.filter(tight).map(from));
    if (last === -Infinity) return 0;
    return Math.min(half, ...list.map(from).filter((at) => at > last));
  };
  const leftEnd = roundUp(
    beyond(left, (n) => n.at),
    lengthStep,
  );
  const rightStart =
    length -
    roundUp(
      beyond(right, (n) => length - n.at),
      lengthStep,
    );
  if (rightStart - leftEnd < 3 * widest) return whole;
  const zones: LinkZone[] = [];
  if (leftEnd > 0) zones.push({ to: leftEnd, size, legs, spacing: spacingFor(left) });
  zones.push({ to: rightStart, size, legs, spacing: widest });
  if (rightStart < length) zones.push({ to: length, size, legs, spacing: spacingFor(right) });
  return zones;
}
