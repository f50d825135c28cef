import { silent } from '../../../calc/calc';
import type { DesignCode } from '../../../codes/design-code';
import type { CrackTableQuestion } from '../../../codes/service-rules';
import { bandsFrom, grossProperties, type BeamOutline } from '../../../geometry/beam-outline';
import type { Placement } from '../../../reinforcement/bar-groups';
import { cracked } from '../../../section/elastic-section';
import { layersOf } from '../section-at';
import { tensionFace, type Sense } from '../sense';
import { dryingOf, type PreparedBeam, outlineOf, plainSection, tensionDepthOf } from '../prepared';

/** Modulus of the bars (MPa). */
export const STEEL = 200_000;

/** What a crack check asks of a cracked section with its neutral axis at x, its bars placed and counted by their shares. */
export function crackQuestion(
  beam: PreparedBeam,
  outline: BeamOutline,
  sense: Sense,
  x: number,
  { bars: placed, spacing }: Placement,
  shares: readonly number[],
  steelStress: number,
  isSustained: boolean,
): CrackTableQuestion {
  const outermost = Math.min(...placed.map((b) => b.fromFace - b.diameter / 2));
  const row = placed.filter((b) => b.fromFace - b.diameter / 2 < outermost + 1);
  const xs = row.map((b) => b.x);
  const reach = Math.max(...xs) - Math.min(...xs);
  const sumOf = (power: number) => placed.reduce((sum, b) => sum + (b.count ?? 1) * b.diameter ** power, 0);
  const area = placed.reduce((sum, b) => sum + b.area, 0);
  const centre = placed.reduce((sum, b) => sum + b.area * b.fromFace, 0) / area;
  const diameter = sumOf(2) / sumOf(1);
  // Concrete further from the bars than the rule's spacing does not work with them: a wide flange counts only near its bars.
  const most = spacing ? Infinity : reach + 5 * (outermost + diameter / 2);
  const bands = bandsFrom(tensionFace(sense), outline);
  return {
    materials: beam.materials,
    steelStress,
    diameter,
    cover: outermost,
    spacing: spacing ?? (row.length > 1 ? reach / (row.length - 1) : Infinity),
    h: outline.h,
    d: outline.h - centre,
    tensionDepth: tensionDepthOf(outline, sense),
    x,
    strip: (depth) => ({
      concrete: bands.reduce((sum, b) => sum + Math.min(b.width, most) * Math.max(0, Math.min(b.to, depth) - b.from), 0),
      steel: placed.reduce((sum, b) => sum + (b.fromFace <= depth ? b.area * (shares[b.group] ?? 1) : 0), 0),
    }),
    strains: [1, 0],
    isSustained,
  };
}

/** Bars of the other face that are not known yet move the neutral axis: what is used up is counted this much higher for them. */
const FOR_THE_OTHER_FACE = 1.02;

/** How the cracks of one face of a span answer to its bars, before the rest of the beam is known. */
export interface FaceCracks {
  /** Below this moment nothing cracks with some bars (N mm). */
  readonly crackingMoment: (placement: Placement) => number;
  /** What bars use up of what the code allows under a moment (N mm): width over limit, or by tables or spacing where the code goes by these. */
  readonly usage: (placement: Placement, moment: number) => number;
}

/** `opposite` are bars that the other face may have: whichever of them, or none, lets the widest cracks grow counts. */
export function faceCracks(
  beam: PreparedBeam,
  code: DesignCode,
  span: number,
  sense: Sense,
  opposite: readonly Placement[] = [],
): FaceCracks {
  const outline = outlineOf(beam, span);
  const plain = plainSection(outline, sense);
  const { area, centroid, inertia } = grossProperties(outline);
  const perimeter = dryingOf(beam, span);
  const { materials } = beam;
  const toTensionFace = sense === 'sagging' ? centroid : outline.h - centroid;
  const uncracked = { materials, area, perimeter, inertia, toTensionFace, age: 'end', partitionAge: 1 } as const;
  const alpha = STEEL / code.service.modulus(silent, materials, area, perimeter, 1);
  return {
    crackingMoment: (placement) => {
      const section = { ...plain, layers: layersOf(placement, [1], outline.h, true) };
      return code.service.stiffness(silent, { ...uncracked, section }).crackingMoment;
    },
    usage: (placement, moment) => {
      const pulled = layersOf(placement, [1], outline.h, true);
      const outermost = Math.min(...placement.bars.map((b) => b.fromFace));
      const pressed = [[], ...opposite.map((p) => layersOf(p, [1], outline.h, false))];
      const uses = pressed.map((layers) => {
        const state = cracked({ ...plain, layers: [...layers, ...pulled] }, alpha, true);
        if (!state) return 0;
        const stress = (alpha * moment * (outline.h - outermost - state.x)) / state.inertia;
        return used(beam, code, crackQuestion(beam, outline, sense, state.x, placement, [1], Math.max(0, stress), true));
      });
      return FOR_THE_OTHER_FACE * Math.max(...uses);
    },
  };
}

function used(beam: PreparedBeam, { service }: DesignCode, q: CrackTableQuestion): number {
  const limit = beam.service.crackWidth;
  if (service.crackTables) {
    const { bar, spacing } = service.crackTables(silent, q, limit);
    return Math.min(q.diameter / bar, q.spacing / spacing);
  }
  if (service.crack) return service.crack(silent, q).width / limit;
  if (!service.crackSpacing) return 0;
  const own = Number.isFinite(q.spacing) ? q.spacing : beam.section.b;
  return own / service.crackSpacing(silent, Math.max(q.steelStress, 1), q.cover, beam.materials).value;
}
