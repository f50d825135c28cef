import { silent, type Calc } from '../../calc/calc';
import { checkInWords, topicsNotCovered, type DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import type { DesignCode } from '../../codes/design-code';
import type { ClosedTies, Comparison, PunchingQuestion } from '../../codes/punching-rules';
import { catalogues, findBar } from '../../materials/bars';
import type { PunchingInput } from './input';
import { questionOf, type PunchingStage } from './stage';

type Compare = (c: Calc, q: PunchingQuestion) => Comparison | null;

/** The slab with its closed ties where they count, else by itself. */
export function tied(p: PunchingInput, code: DesignCode, stage: PunchingStage): Compare {
  const { closedTies, plain } = code.punching;
  const ties = tiesOf(p);
  if (!ties || !closedTies || stage.id === 'drop' || p.base) return plain;
  return (c, q) => closedTies.strength(c, q, ties) ?? plain(c, q);
}

/** Closed ties at the column: that they count, how many there have to be, and how far apart. */
export function tieChecks(p: PunchingInput, code: DesignCode, stage: PunchingStage): DerivableCheck[] {
  const ties = tiesOf(p);
  if (!ties) return [];
  const rules = code.punching.closedTies;
  const place = { x: null, label: stage.title };
  if (!rules) return topicsNotCovered([{ title: 'Closed ties', clause: `do not count to ${code.title}` }]);
  const q = questionOf(p, stage, p.sets[0]!);
  if (ties.beam && q.across === null)
    return [
      checkInWords({
        id: 'ties-edge',
        family: 'shear',
        title: 'Beam along the edge',
        clause: rules.areas(silent, q, ties).clause,
        status: 'failed',
        place,
        reason: 'A beam along the edge counts at an edge column alone: take it out, or give the edge of the slab.',
      }),
    ];
  const of = 'of the ties as typed';
  return [
    compareCheck({
      id: 'ties-area',
      family: 'detailing',
      title: 'Minimum closed ties',
      clause: rules.areas(silent, q, ties).clause,
      place,
      kind: 'areaPerLength',
      compare: (c) => {
        const { needed, there } = rules.areas(c, q, ties);
        return { demand: needed, capacity: there };
      },
      fails: (needed, there) => `Closed ties come to ${there}, ${needed} are needed for them to count: closer or thicker ones.`,
    }),
    compareCheck({
      id: 'ties-spacing',
      family: 'detailing',
      title: 'Spacing of closed ties',
      clause: rules.spacing(q, ties).clause,
      place,
      kind: 'smallLength',
      compare: () => ({
        demand: ties.spacing,
        demandIs: ['spacing of the closed ties', of],
        capacity: rules.spacing(q, ties).value,
        capacityIs: ['largest spacing', 'as the code asks for this depth'],
      }),
      fails: (has, most) => `Closed ties stand ${has} apart, at most ${most} is allowed.`,
    }),
  ];
}

/** Closed ties as the code takes them. */
function tiesOf({ ties, cover, catalogue }: PunchingInput): ClosedTies | null {
  return ties && { area: findBar(catalogues[catalogue], ties.size)!.area, spacing: ties.spacing, beam: ties.beam, cover };
}
