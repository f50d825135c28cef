import { silent, type Calc } from '../../../calc/calc';
import type { CrackTableQuestion } from '../../../codes/service-rules';
import { cracked, type ElasticState } from '../../../section/elastic-section';
import { crackQuestion, STEEL } from './crack-question';
import type { StiffnessMap } from './stiffness-map';
import { tensionFace, type Sense } from '../sense';
import { outlineOf } from '../prepared';

/** Stresses of a cracked elastic section (MPa, both positive), and what a crack check asks of it. */
export interface CrackState {
  readonly state: ElasticState;
  readonly concrete: number;
  readonly steel: number;
  readonly question: CrackTableQuestion;
}

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
    const { area, perimeter } = this.stiffness.question(span, 0, 'sagging', 'end');
    return STEEL / code.service.modulus(c, beam.materials, area, perimeter, this.sustained);
  }

  /** The state under a moment (N mm, positive) that stretches the face of that sense; undefined without bars there. */
  at(span: number, x: number, sense: Sense, moment: number): CrackState | undefined {
    const { stiffness } = this;
    const { beam } = stiffness;
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
    const steel = Math.max(0, (alpha * moment * (h - outermost - state.x)) / state.inertia);
    const { isSustained } = this;
    const { x: axis } = state;
    let question: CrackTableQuestion | undefined;
    return {
      state,
      concrete: (moment * axis) / state.inertia,
      steel,
      // Only what looks at cracks asks; stresses do not.
      get question() {
        return (question ??= crackQuestion(beam, outlineOf(beam, span), sense, axis, placement, bars.shares, steel, isSustained));
      },
    };
  }
}
