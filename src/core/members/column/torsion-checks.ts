import { largestOf } from '../../checks/largest';
import { compareCheck } from '../../checks/compare';
import { silent } from '../../calc/calc';
import type { TorsionAnswer, TorsionQuestion } from '../../codes/torsion-rules';
import { distanceToEdges } from '../../geometry/polygon';
import { outlineOfShape } from '../../geometry/section-shapes';
import type { DerivableCheck } from '../../checks/check';
import { nowhere, shearSections, type ColumnBasis } from './checks';
import type { SetResult } from './strength';

interface Twisted {
  readonly r: SetResult;
  readonly question: TorsionQuestion;
  readonly answer: TorsionAnswer;
  /** Bars for bending, axial force and torsion together, over those there. */
  readonly bars: number;
}

/**
 * Torsion of a column with the larger of its two shears: the outer tie as two legs around the true outline, and the bars by the sum of what
 * N and M use of them and what torsion needs, which holds by the convexity of what a section carries (docs/theory/torsion.md).
 */
export function torsionChecks(basis: ColumnBasis): DerivableCheck[] {
  const twisted = basis.results.filter((r) => r.set.torsion !== 0).map((r) => twistedBy(basis, r));
  if (twisted.length === 0) return [];
  const { code } = basis;
  const make = (id: string, title: string, clause: string, value: (t: Twisted) => number, words: string) => {
    const t = twisted.reduce((a, b) => (value(b) > value(a) ? b : a));
    const utilisation = value(t);
    const T = Math.abs(t.r.set.torsion);
    return compareCheck({
      id,
      family: 'torsion',
      title,
      clause,
      place: nowhere,
      combination: t.r.set.name,
      assumptions: code.choices.filter((k) => (k.topic === 'shear' || k.topic === 'torsion') && k.only !== 'beams').map((k) => k.key),
      kind: 'moment',
      compare: (c) => {
        code.torsion.check(c, t.question);
        return {
          demand: T,
          demandIs: ['torque', `of load set ${t.r.set.name}`],
          capacity: utilisation > 0 ? T / utilisation : Infinity,
          capacityIs: ['torque with the forces beside it', 'grown in proportion until they use the section up'],
          utilisation,
        };
      },
      fails: (torque) => `${words} for the torque of ${torque} of ${t.r.set.name}.`,
    });
  };
  const { clauses } = code.torsion;
  return [
    make('torsion-concrete', 'Torsion and shear, concrete section', clauses.concrete, (t) => t.answer.concrete, 'The section is too small'),
    make('torsion-ties', 'Torsion and shear, ties', clauses.links, (t) => t.answer.links, 'The ties are too few'),
    make('torsion-bars', 'Bars for N, M and torsion', clauses.longitudinal, (t) => t.bars, 'The bars are too few'),
  ];
}

function twistedBy({ column, code, model }: ColumnBasis, r: SetResult): Twisted {
  const outline = outlineOfShape(column.shape);
  const axis = Math.abs(r.set.vx) > Math.abs(r.set.vy) ? 'x' : 'y';
  const { bw, d, h, tensionSteel, area } = largestOf(shearSections(model, column, axis), (s) => -s.d)!;
  const { section } = model;
  const toBar = Math.max(...section.bars.map((b) => distanceToEdges([b.x, b.y], section.outline)));
  const question: TorsionQuestion = {
    T: Math.abs(r.set.torsion),
    V: Math.max(Math.abs(r.set.vx), Math.abs(r.set.vy)),
    section: { bw, d, h, tensionArea: tensionSteel, grossArea: area },
    outline: outline.outer,
    // Bars inside the section do not make the wall thicker.
    toBar: Math.min(toBar, column.cover + model.ties.diameter + 20),
    toLink: column.cover + model.ties.diameter / 2,
    realWall: column.shape.kind === 'ring' ? column.shape.wall : Infinity,
    links: { diameter: model.ties.diameter, area: 2 * model.ties.area, legs: 2, spacing: column.ties.spacing },
    materials: column.materials,
  };
  const answer = code.torsion.check(silent, question);
  const bars = answer.design > 0 ? (r.worst.utilisation ?? 1) + answer.longitudinal / model.section.steelArea : 0;
  return { r, question, answer, bars };
}
