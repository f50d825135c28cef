import { silent, type Calc } from '../../../calc/calc';
import type { CrackQuestion } from '../../../codes/service-rules';
import { bandsFrom } from '../../../geometry/beam-outline';
import { cracked, type ElasticState } from '../../../section/elastic-section';
import type { Placement } from '../../../reinforcement/bar-groups';
import { outlineOf } from '../input';
import { tensionFace, type Sense } from '../section-at';
import type { StiffnessMap } from './stiffness-map';

/** Stresses of a cracked elastic section (MPa, both positive), and what a crack check asks of it. */
export interface CrackState {
  readonly state: ElasticState;
  readonly concrete: number;
  readonly steel: number;
  readonly question: CrackQuestion;
}

const STEEL = 200_000;

/** Cracked states of a beam's sections under one modulus of concrete, worked out once for each section. */
export class CrackStates {
  private readonly known = new Map<object, ElasticState | null>();
  private readonly alphas: number[] = [];

  constructor(
    private readonly stiffness: StiffnessMap,
    private readonly sustained: number,
    private readonly isSustained: boolean,
  ) {}

  /** Ratio of moduli in a span, creep counted for the sustained part. */
  alpha(span: number, c: Calc = silent): number {
    const { beam, code } = this.stiffness;
    const { area } = this.stiffness.question(span, 0, 'sagging', 'end');
    return STEEL / code.service.modulus(c, beam.materials, area, this.stiffness.perimeter(span), this.sustained);
  }

  /** The state under a moment (N mm, positive) that stretches the face of that sense; undefined without bars there. */
  at(span: number, x: number, sense: Sense, moment: number): CrackState | undefined {
    const { stiffness } = this;
    const section = stiffness.sectionAt(span, x, sense);
    const alpha = (this.alphas[span] ??= this.alpha(span));
    let state = this.known.get(section);
    if (state === undefined) this.known.set(section, (state = cracked(section, alpha, true) ?? null));
    if (!state) return undefined;
    const bars = stiffness.map.barsAt(tensionFace(sense), span, x);
    const placement = stiffness.map.placement(bars);
    const { bars: placed } = placement;
    if (placed.length === 0) return undefined;
    const { h } = section;
    const outermost = Math.min(...placed.map((b) => b.fromFace));
    const steel = (alpha * moment * (h - outermost - state.x)) / state.inertia;
    return {
      state,
      concrete: (moment * state.x) / state.inertia,
      steel: Math.max(0, steel),
      question: this.question(span, sense, h, state, placement, bars.shares, Math.max(0, steel)),
    };
  }

  private question(
    span: number,
    sense: Sense,
    h: number,
    state: ElasticState,
    { bars: placed, spacing }: Placement,
    shares: readonly number[],
    steelStress: number,
  ): CrackQuestion {
    const { beam } = this.stiffness;
    const outermost = Math.min(...placed.map((b) => b.fromFace - b.diameter / 2));
    const row = placed.filter((b) => b.fromFace - b.diameter / 2 < outermost + 1);
    const xs = row.map((b) => b.x);
    const reach = Math.max(...xs) - Math.min(...xs);
    const sumOf = (power: number) => placed.reduce((sum, b) => sum + (b.count ?? 1) * b.diameter ** power, 0);
    const area = placed.reduce((sum, b) => sum + b.area, 0);
    const centre = placed.reduce((sum, b) => sum + b.area * b.fromFace, 0) / area;
    const diameter = sumOf(2) / sumOf(1);
    const cover = outermost;
    // Concrete further from the bars than the rule's spacing does not work with them: a wide flange counts only near its bars.
    const most = spacing ? Infinity : reach + 5 * (cover + diameter / 2);
    const bands = bandsFrom(tensionFace(sense), outlineOf(beam, span));
    return {
      materials: beam.materials,
      steelStress,
      diameter,
      cover,
      spacing: spacing ?? (row.length > 1 ? reach / (row.length - 1) : Infinity),
      h,
      d: h - centre,
      x: state.x,
      strip: (depth) => ({
        concrete: bands.reduce((sum, b) => sum + Math.min(b.width, most) * Math.max(0, Math.min(b.to, depth) - b.from), 0),
        steel: placed.reduce((sum, b) => sum + (b.fromFace <= depth ? b.area * (shares[b.group] ?? 1) : 0), 0),
      }),
      strains: [1, 0],
      isSustained: this.isSustained,
    };
  }
}
