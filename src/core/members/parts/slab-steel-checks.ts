import { silent, type Calc } from '../../calc/calc';
import { compareCheck, type Origin } from '../../checks/compare';
import type { CheckDraft, DerivableCheck } from '../../checks/check';
import { largestOf } from '../../checks/largest';
import type { BendingSection, DesignCode } from '../../codes/design-code';
import type { SlabBars } from '../../reinforcement/slab-bars';
import { ductilityRule } from '../beam/ductility-rule';
import { metreTask, resistanceOf, WIDTH, type SlabMetre } from './slab-metre';

/** Bars of a slab at a place: its name in words, depth (mm) and area (mm2/mm). */
export interface LaidBars {
  readonly title: string;
  readonly bars: SlabBars;
  readonly d: number;
  readonly provided: number;
}

/** Minimum reinforcement and largest spacing: the worst place of each. */
export function slabSteelChecks(slab: SlabMetre, code: DesignCode, laid: readonly LaidBars[]): DerivableCheck[] {
  if (laid.length === 0) return [];
  const least = laid.map((s) => ({ s, need: code.slab.leastSteel(silent, slab.plain, s.d, slab.materials) / WIDTH }));
  const thin = largestOf(least, (l) => l.need / l.s.provided)!;
  const most = code.slab.twoWaySpacing(slab.h, 'peak');
  const wide = largestOf(laid, (s) => s.bars.spacing)!;
  return [
    compareCheck({
      id: 'minimum-steel',
      family: 'detailing',
      title: 'Minimum reinforcement',
      clause: code.slab.clauses.least,
      place: { x: null, label: thin.s.title },
      kind: 'areaPerWidth',
      compare: (c) => ({
        demand: code.slab.leastSteel(c, slab.plain, thin.s.d, slab.materials) / WIDTH,
        demandIs: ['minimum steel per length of slab', 'that of the metre over its width'],
        capacity: thin.s.provided,
        capacityIs: ['steel per length of slab', 'of the layer there, as typed or chosen'],
      }),
      fails: (needed, has) => `Bars ${thin.s.title}: at least ${needed}, has ${has}.`,
    }),
    compareCheck({
      id: 'most-spacing',
      family: 'detailing',
      title: 'Largest spacing of bars',
      clause: most.clause,
      place: { x: null, label: wide.title },
      kind: 'length',
      compare: (c) => ({
        demand: wide.bars.spacing,
        demandIs: ['spacing of the bars', 'of the layer there, as typed or chosen'],
        capacity: code.slab.twoWaySpacing(slab.h, 'peak', c).value,
      }),
      fails: (has, allowed) => `Bars ${wide.title} stand ${has} apart, at most ${allowed}.`,
    }),
  ];
}

/** The depth of the neutral axis of reinforced metres under a moment, by the rule of the code for members: the worst of them. */
export function slabDuctility(
  slab: SlabMetre,
  code: DesignCode,
  metres: readonly { readonly title: string; readonly section: BendingSection }[],
): DerivableCheck[] {
  const judged = metres.flatMap(({ title, section }) => {
    const state = resistanceOf(slab, code, section);
    const rule = state && code.ductility(silent, state, slab.materials, 1);
    return rule ? [{ title, section, rule }] : [];
  });
  const worst = largestOf(judged, (j) => j.rule.utilisation);
  if (!worst) return [];
  return [
    ductilityRule(
      {
        id: 'ductility',
        title: worst.rule.title,
        clause: worst.rule.clause,
        place: { x: null, label: worst.title },
        fails: () => `${worst.title}: less steel in tension, or a deeper slab.`,
      },
      (c) => {
        const state = code.bendingResistance(c, worst.section, slab.materials);
        return state && code.ductility(c, state, slab.materials, 1);
      },
      worst.rule,
    ),
  ];
}

/** A layer that is bent: the check's own words, the reinforced metre, and the moment per length (N mm/mm) with where it came from. */
export interface BentLayer extends Pick<CheckDraft, 'id' | 'title' | 'place' | 'combination'> {
  readonly section: BendingSection;
  readonly d: number;
  readonly moment: number;
  readonly momentIs: Origin;
  readonly required: number;
  readonly provided: number;
  /** What the layer is called where it fails. */
  readonly name: string;
  /** Says how the moment was found. */
  readonly tell: (c: Calc) => void;
}

/** Bending of a layer on a metre of slab. */
export const slabBending = (slab: SlabMetre, code: DesignCode, layer: BentLayer): DerivableCheck =>
  compareCheck({
    id: layer.id,
    family: 'bending',
    title: layer.title,
    clause: code.steelClauses.bending,
    place: layer.place,
    combination: layer.combination,
    assumptions: code.choices.filter((c) => c.topic === 'bending' && c.only !== 'columns').map((c) => c.key),
    kind: 'lineTorque',
    compare: (c) => {
      layer.tell(c);
      const state = code.bendingResistance(c, layer.section, slab.materials);
      if (c.recording) {
        c.note('Steel needed for this moment on a metre:');
        code.bendingSteel(c, metreTask(slab, layer.moment, layer.d));
      }
      return {
        demand: layer.moment,
        demandIs: layer.momentIs,
        capacity: (state?.moment ?? 0) / WIDTH,
        capacityIs: ['resistance per length of slab', 'that of the metre over its width'],
      };
    },
    fails: (_needed, _there, show) =>
      Number.isFinite(layer.required)
        ? `${layer.name}: needs ${show(layer.required, 'areaPerWidth')}, has ${show(layer.provided, 'areaPerWidth')}.`
        : `${layer.name}: the slab itself is too thin for this moment.`,
  });
