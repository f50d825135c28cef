import { silent, type Calc } from '../../calc/calc';
import type { ConfinementRules, TiedCore } from '../../codes/column-rules';
import { checkInWords, type DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import { betweenHeld } from '../../reinforcement/tie-legs';
import { nowhere, type ColumnBasis } from './checks';
import { isRound, placeName } from './input';
import type { PlaceResult, SetResult } from './strength';

/** Where the core has to be confined: the first place of a load set for which the code asks it. */
export interface Asked {
  readonly r: SetResult;
  readonly p: PlaceResult;
}

/** The places at which the code asks that the core is confined. */
export function confinementAsked({ code, column, model, results }: ColumnBasis): Asked[] {
  const rules = code.column.confinement;
  if (!rules) return [];
  const { area } = model.section.gross;
  const squash = model.surface.most;
  return results.flatMap((r) =>
    r.places
      .filter(({ N, Mx, My }) => {
        // Without enough axial force no moment matters; the strength is asked for last.
        const base = { N, M: Math.hypot(Mx, My), squash, area, materials: column.materials };
        if (!rules.isAsked({ ...base, capacity: 0 })) return false;
        const at = model.surface.capacity(N, Mx, My);
        return rules.isAsked({ ...base, capacity: at ? Math.hypot(at.Mx, at.My) : 0 });
      })
      .map((p) => ({ r, p })),
  );
}

/** Pressure of the ties on the core at a spacing (MPa); null for outlines whose core the rules do not know. */
export function confiningPressure(c: Calc, { column, model }: ColumnBasis, rules: ConfinementRules, spacing: number): number | null {
  const { shape } = column;
  const inset = column.cover + model.ties.diameter / 2;
  const fsy = column.materials.linkStrength;
  if (isRound(shape))
    return rules.round(c, { d_s: model.width - 2 * inset, area: model.ties.area, spacing, fsy, isHelix: column.transverse === 'spiral' });
  if (shape.kind !== 'rectangle') return null;
  const core: TiedCore = {
    b_c: model.width - 2 * inset,
    d_c: model.depth - 2 * inset,
    alongX: model.ties.legs.legsX * model.ties.area,
    alongY: model.ties.legs.legsY * model.ties.area,
    spacing,
    fsy,
    between: betweenHeld(model.bars, model.ties.legs.held, false).map((b) => b.clear),
  };
  return rules.tied(c, core);
}

/** Whether the ties press enough on the core, where the code asks for it. */
export function confinementCheck(basis: ColumnBasis): DerivableCheck[] {
  const { code, column } = basis;
  const rules = code.column.confinement;
  if (!rules) return [];
  const base = { id: 'confinement', family: 'detailing' as const, title: 'Confinement of the core', clause: rules.clause, place: nowhere };
  const [first] = confinementAsked(basis);
  if (!first)
    return [checkInWords({ ...base, status: 'notApplicable', reason: 'No load set asks for more than the usual ties round the core.' })];
  const combination = first.r.set.name;
  if (confiningPressure(silent, basis, rules, column.ties.spacing) === null)
    return [
      checkInWords({
        ...base,
        combination,
        status: 'notCovered',
        reason: 'The pressure on a core of this outline is not worked out here.',
      }),
    ];
  return [
    compareCheck({
      ...base,
      place: { x: null, label: placeName(column, first.p.place) },
      combination,
      kind: 'stress',
      compare: (c) => ({
        demand: rules.needed(c, column.materials),
        demandIs: ['pressure needed on the core', `asked for at ${placeName(column, first.p.place)} by ${combination}`],
        capacity: confiningPressure(c, basis, rules, column.ties.spacing)!,
        capacityIs: ['pressure of the ties', 'of those at the spacing typed, the weaker direction'],
      }),
      fails: (needed, has) => `The core needs ${needed}, its ties give ${has}: closer ties, more legs or thicker ones.`,
    }),
  ];
}
