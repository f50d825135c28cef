import { barTerms, momentOf } from '../../analysis/plates/design-moments';
import type { Calc } from '../../calc/calc';
import type { DerivableCheck } from '../../checks/check';
import type { Combination } from '../../analysis/combination';
import type { DesignCode } from '../../codes/design-code';
import type { Point } from '../../geometry/polygon';
import { formatValue, unitLabel } from '../../units/format';
import type { UnitSystem } from '../../units/quantity';
import { slabBending, slabDuctility, slabSteelChecks } from '../parts/slab-steel-checks';
import type { PlateAnswer } from './analysis';
import { axesOf, isAlongPlan } from './bar-axes';
import { arrangementFor, demandOn, senseOf, summed, type LayerDemand } from './envelope';
import type { PlateInput } from './input';
import { metreWith, type MetreOf } from './layers';
import type { LaidSteel, PlateSection } from './result';

/** A slab with what its bars are to carry, before they are known. */
export interface LoadedPlate {
  readonly plate: PlateInput;
  readonly code: DesignCode;
  readonly units: UnitSystem;
  readonly metre: MetreOf;
  readonly answer: PlateAnswer;
  /** Ultimate combinations. */
  readonly ultimate: readonly Combination[];
  readonly demands: readonly LayerDemand[];
}

export interface ReinforcedPlate extends LoadedPlate {
  readonly steel: LaidSteel;
}

export interface PlateBasis extends ReinforcedPlate {
  readonly sections: readonly PlateSection[];
}

/** "x 2.50, y 3.00 m" */
export const placeWords = ([x, y]: Point, units: UnitSystem): string =>
  `x ${formatValue(x, 'station', units)}, y ${formatValue(y, 'station', units)} ${unitLabel('station', units)}`;

/** Bending of every layer, each part with bars of its own where most is asked of it. */
export const plateBending = (basis: PlateBasis): DerivableCheck[] =>
  basis.sections.filter((s) => s.moment > 0).map((s) => bendingOf(basis, s));

function bendingOf(basis: PlateBasis, s: PlateSection): DerivableCheck {
  const { code, units, answer, ultimate, demands, metre } = basis;
  const { by, term } = demandOn(demands, s);
  const combination = ultimate[by[s.node]!]!;
  const spreadTerm = (part: PlateAnswer['parts'][number]) => part.terms[s.along][term[s.node]!]![s.node]!;
  const arrangement = arrangementFor(answer.parts, combination, senseOf(s), spreadTerm);
  return slabBending(metre(s.h), code, {
    ...s,
    id: `bending-${s.id}`,
    title: `Bending, ${s.title}`,
    name: `Bars ${s.title}`,
    place: { x: null, label: placeWords(s.at, units) },
    combination: combination.id,
    section: metreWith(metre(s.h), s.bars, s.inset).section,
    momentIs: [
      'moment for the bars, per length of slab',
      answer.spread > 0 ? 'own and twisting moment, the mean over the width across the bars' : 'own and twisting moment',
    ],
    tell: (c) => {
      c.note(
        `The elastic plate under ${combination.id}, variable loads where they add to this moment. Twisting is carried by the bars of both directions: each takes its own moment and the size of the twisting moment (Wood).`,
      );
      const at = (k: number) => summed(arrangement, (part) => part.moments[3 * s.node + k]!);
      tellMoments(c, basis.plate, s, [at(0), at(1), at(2)]);
      if (answer.spread > 0)
        c.state(
          'width over which it is the mean',
          answer.spread,
          'length',
          basis.plate.spread !== null
            ? 'as set'
            : basis.plate.columns.length > 0
              ? 'three times the depth, or a quarter of the narrowest bay'
              : 'three times the depth',
        );
    },
  });
}

/** The moments of the plate at the place itself, and where bars do not run along the axes of the plan what they are in the directions of the bars. */
function tellMoments(c: Calc, plate: PlateInput, { along, at }: PlateSection, moments: readonly [number, number, number]): void {
  (['mx', 'my', 'mxy'] as const).forEach((name, k) =>
    c.state(`${name} at the place itself`, moments[k]!, 'lineTorque', 'sagging positive'),
  );
  if (isAlongPlan(plate)) return;
  const bars = axesOf(plate).at(at);
  const [a, b] = barTerms(bars[along], bars[along === 'x' ? 'y' : 'x']).map((term) => momentOf(term, moments)) as [number, number];
  c.state('moment for these bars there', (a + b) / 2, 'lineTorque', 'mx, my and mxy in the directions of the bars');
  c.state('twisting moment there', Math.abs(a - b) / 2, 'lineTorque', 'between both directions of bars');
}

/** The parts in which bars lie: what is not there has no depth of compression and no spacing. */
const laid = ({ sections }: PlateBasis): readonly PlateSection[] => sections.filter((s) => s.bars.length > 0);

export const plateDuctility = (basis: PlateBasis): DerivableCheck[] =>
  slabDuctility(
    basis.metre(basis.plate.h),
    basis.code,
    laid(basis)
      .filter((s) => s.moment > 0)
      .map((s) => ({ title: s.title, section: metreWith(basis.metre(s.h), s.bars, s.inset).section })),
  );

/** Minimum steel and spacing, for each depth of the slab the worst place. */
export const plateSteel = (basis: PlateBasis): DerivableCheck[] =>
  [...new Set(laid(basis).map((s) => s.h))].flatMap((h) =>
    slabSteelChecks(
      basis.metre(h),
      basis.code,
      laid(basis)
        .filter((s) => s.h === h)
        .map((s) => ({ ...s, bars: s.bars.reduce((a, b) => (b.spacing < a.spacing ? b : a)) })),
    ).map((made) =>
      h === basis.plate.h
        ? made
        : { ...made, check: { ...made.check, id: `${made.check.id}-${Math.round(h)}`, title: `${made.check.title}, other depth` } },
    ),
  );
