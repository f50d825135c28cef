import fc from 'fast-check';
import '@/core/codes/registry';
import { allFormulas, type Formula, type SymbolDef } from '@/core/calc/formula';
import { plain } from '@/core/calc/notations';
import { print } from '@/core/calc/typeset';

/**
 * Formulas whose numbers carry units stand in two forms, for metric and for inch-pound units. Put to the same members they must agree within what was
 * rounded when they were printed: a slip in either form shows here.
 */
const PSI = 0.006894757293168361;

const pairs = allFormulas.flatMap((si, i): [string, Formula, Formula][] => {
  const us = allFormulas[i + 1];
  const isPair = si.empirical === 'SI' && us?.empirical === 'US' && us.result.symbol === si.result.symbol && us.clause === si.clause;
  return isPair ? [[`${si.clause}: ${si.result.symbol} = ${print(si.expr, plain)}`, si, us]] : [];
});

/** Ranges of usual members, by symbol and else by dimension (N, mm). */
const bySymbol: Readonly<Record<string, readonly [number, number]>> = {
  f_c_prime: [21, 55],
  f_y: [280, 550],
  f_yt: [280, 420],
  lambda: [0.75, 1],
  rho_w: [0.004, 0.02],
  rho_l: [0.004, 0.02],
  w_c: [1800e-9, 2400e-9],
  f_s: [180, 380],
  c_c: [20, 70],
};

function rangeOf({ symbol, unit }: SymbolDef): readonly [number, number] {
  const known = bySymbol[symbol];
  if (known) return known;
  const [force, length] = [unit.dimension[0]!, unit.dimension[1]!];
  if (force === 1 && length === -2) return [10, 40];
  if (force === 1) return [5e4, 5e5];
  if (length === 1) return [200, 900];
  if (length === 2) return [3e4, 4e5];
  return [0.6, 1.4];
}

const seen = new Set(pairs.flatMap(([, si, us]) => [si, us]));

describe('empirical formulas in both systems', () => {
  test('every one of them has its other form, but where the code has but one', () => {
    expect(pairs.length).toBeGreaterThan(40);
    const alone = allFormulas.filter((f) => f.empirical && !seen.has(f) && f.empirical === 'US');
    expect(alone.map((f) => `${f.clause} ${f.result.symbol}`)).toEqual([]);
  });

  test.each(pairs)('%s', (_name, si, us) => {
    expect(si.inputs.map((s) => s.symbol).sort()).toEqual(us.inputs.map((s) => s.symbol).sort());
    const inputs = fc.record(
      Object.fromEntries(
        si.inputs.map((s) => {
          const [min, max] = rangeOf(s);
          return [s.symbol, fc.double({ min, max, noNaN: true })];
        }),
      ),
    );
    fc.assert(
      fc.property(inputs, (values) => {
        // The root of f'c is in the unit of f'c, by convention.
        const root = values.sqrt_fc;
        const metric = si.evaluate(root === undefined ? values : { ...values, sqrt_fc: Math.sqrt(root) });
        const inch = us.evaluate(root === undefined ? values : { ...values, sqrt_fc: Math.sqrt(root / PSI) * PSI });
        if (si.result.symbol === 'sqrt_fc') return Math.abs((inch / PSI) ** 2 * PSI - metric ** 2) < 0.01 * metric ** 2;
        if (Math.abs(metric) < 1e-9) return Math.abs(inch) < 1e-6;
        return Math.abs(inch / metric - 1) < 0.05;
      }),
    );
  });
});
