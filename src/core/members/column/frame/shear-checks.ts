import { silent, type Calc } from '../../../calc/calc';
import { compareCheck } from '../../../checks/compare';
import { largestOf } from '../../../checks/largest';
import { shearSections, shearsOf } from '../checks';
import { spacingNearEnds } from '../section';
import { endStrengths, type EndStrengths } from './end-strength';
import { frameCheck, swayAxes, type Axis, type Checks, type Ends, type FrameBasis } from './rules';

/** Shear that a column is brought as its ends yield, both ways of swaying, against its strength next to the ends and between them. */
export function yieldShearChecks(basis: FrameBasis): Checks {
  const { code, column, model, frame } = basis;
  const { yielding } = frame.rules;
  if (!yielding) return [];
  const strengths = endStrengths(column, code, model, yielding, frame.column);
  return swayAxes(basis).flatMap((about) => {
    const clear = column.axes[about].clear ?? column.height;
    const depth = about === 'x' ? frame.column.depth : frame.column.width;
    return yielding.isAsked(clear, depth) ? [shearCheck(basis, strengths, about, clear)] : [];
  });
}

/** The moment of an end as it yields in a sense, with what the beams there can bring. */
function endMoment(c: Calc, { frame }: FrameBasis, strengths: EndStrengths, about: Axis, end: Ends, way: 1 | -1): number {
  const { rules, joints } = frame;
  const { kind, [about]: joint } = joints[end];
  const column = strengths.most(about, way);
  c.state(`strength of the column at the ${end}`, column, 'moment', 'of the section, for the axial force with which it is most');
  const beams = kind === 'base' ? null : rules.beamsYield === null ? joint.beams : joint.yielding;
  const beyond = kind === 'last' ? 0 : (joint.beyond ?? strengths.most(about, way === 1 ? -1 : 1));
  return rules.endMoment(c, { column, columns: column + beyond, beams });
}

function shearCheck(basis: FrameBasis, strengths: EndStrengths, about: Axis, clear: number) {
  const { column, model, results, frame } = basis;
  const { rules } = frame;
  const along = about === 'x' ? 'y' : 'x';
  const swayShear = (way: 1 | -1, c: Calc) =>
    rules.yieldShear(
      c,
      endMoment(c, basis, strengths, about, 'top', way),
      endMoment(c, basis, strengths, about, 'foot', way === 1 ? -1 : 1),
      clear,
    );
  const way = model.isEven ? 1 : largestOf([1, -1] as const, (w) => swayShear(w, silent))!;
  const sway = swayShear(way, silent);
  const analysis = Math.max(0, ...results.flatMap((r) => shearsOf(r, along)).map((s) => s.V));
  const V = Math.max(sway, analysis);
  const zones = [
    { isNearEnd: true, name: 'next to the ends', tieSpacing: spacingNearEnds(column, model) },
    { isNearEnd: false, name: 'between the end zones', tieSpacing: column.ties.spacing },
  ];
  // Compression helps: the least axial force counts.
  const places = zones.flatMap((zone) =>
    shearSections(model, column, along).map((section) => ({ ...zone, question: { ...section, ...zone, N: frame.column.least, V, sway } })),
  );
  const worst = largestOf(places, (p) => -rules.shear(silent, p.question))!;
  return compareCheck({
    ...frameCheck,
    id: `frame-shear-${along}`,
    family: 'shear',
    title: `Shear along ${along} as the ends yield`,
    clause: rules.yielding!.clause,
    place: { x: null, label: worst.name },
    kind: 'force',
    compare: (c) => {
      swayShear(way, c);
      if (analysis > sway) c.note('A load set brings more shear than the ends as they yield: that one counts.');
      return {
        demand: V,
        demandIs: ['shear of the column', 'as the ends yield, at least that of the load sets'],
        capacity: rules.shear(c, worst.question),
      };
    },
    fails: (shear, has) => `The ends as they yield bring ${shear}, the column carries ${has} ${worst.name}: closer ties or more legs.`,
  });
}
