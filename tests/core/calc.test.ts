import '@/core/codes/registry';
import { CalcError, derive, Recorder, remember, silent } from '@/core/calc/calc';
import { parseExpression, symbolsOf } from '@/core/calc/expression';
import { allFormulas, defineSymbols, dimensionOf, formulary } from '@/core/calc/formula';
import { mathml, plain } from '@/core/calc/notations';
import { print, printStep, significant, splitSymbol } from '@/core/calc/typeset';
import '@/core/codes/en1992/flange-shear';

const symbols = defineSymbols({
  M_Ed: ['moment', 'kNm'],
  b: ['width', 'mm'],
  d: ['depth', 'mm'],
  f_cd: ['strength', 'MPa'],
  mu: ['ratio', ''],
  V_c: ['shear', 'kN'],
  f_c_prime: ['strength', 'MPa'],
});
const formula = formulary(symbols);
const mu = formula('mu', 'M_Ed / (b * d^2 * f_cd)', '6.1');

describe('formulas', () => {
  test('evaluate in internal units', () => {
    // 200e6 / (300 * 500^2 * 20) = 0.1333
    expect(silent.let(mu, { M_Ed: 200e6, b: 300, d: 500, f_cd: 20 })).toBeCloseTo(0.133333, 6);
  });
  test('a US formula with numbers that carry units: 2 sqrt(4000 psi) 12 in 20 in = 30 358 lb', () => {
    const vc = formula('V_c', '2 * sqrt(f_c_prime) * b * d', '22.5', { empirical: 'US' });
    const newton = vc.evaluate({ f_c_prime: 4000 * 0.006894757293168, b: 304.8, d: 508 });
    expect(newton / 4.4482216152605).toBeCloseTo(30_357.9, 0);
  });
  test('only arithmetic is a formula', () => {
    for (const text of ['a ? b : c', 'alert(1)', 'a.b', '"x"', 'a && b', '[1]']) expect(() => parseExpression(text)).toThrow();
    expect(() => formula('mu', 'unknown_symbol * 2', '')).toThrow(RangeError);
  });
  test('powers bind tighter than products and to the right', () => {
    expect(formula('mu', '2 * 3^2', '').evaluate({})).toBe(18);
    expect(formula('mu', '2^3^2', '').evaluate({})).toBe(512);
    expect(symbolsOf(parseExpression('max(a, b) + sqrt(a) - -c'))).toEqual(['a', 'b', 'c']);
  });
  test('a value that cannot be is an error with its symbol, not NaN', () => {
    expect(() => silent.let(mu, { M_Ed: 1, b: 0, d: 0, f_cd: 0 })).toThrow(CalcError);
    expect(() => silent.let(mu, { b: 1, d: 1, f_cd: 1 })).toThrow('M_Ed has no value');
  });
});

describe('every formula of every code', () => {
  const own = allFormulas.filter(
    (f) => !f.inputs.some((i) => Object.values(symbols).includes(i)) && !Object.values(symbols).includes(f.result),
  );
  test('there are many', () => expect(own.length).toBeGreaterThan(90));
  test.each(own.map((f) => [`${f.clause}: ${f.result.symbol} = ${print(f.expr, plain)}`, f] as const))('%s', (_, f) => {
    const dimension = dimensionOf(f.expr, (name) => f.inputs.find((i) => i.symbol === name)!.unit.dimension);
    const holds = dimension !== undefined && dimension.every((x, i) => Math.abs(x - f.result.unit.dimension[i]!) < 1e-9);
    // An empirical formula is one whose numbers carry units: it must not claim so when it holds without.
    const isPlainNumber = f.inputs.every((i) => i.unit.dimension.every((x) => x === 0));
    // The root of f'c is by convention in the unit of f'c, so the coefficients before it belong to one system though the units agree.
    const byConvention = f.inputs.some((i) => i.symbol === 'sqrt_fc');
    if (f.empirical) expect(holds && !isPlainNumber && !byConvention).toBe(false);
    else expect(holds).toBe(true);
    expect(f.clause).not.toBe('');
  });
});

describe('recording', () => {
  test('the same statements give the same value and a step with its inputs', () => {
    const values = { M_Ed: 200e6, b: 300, d: 500, f_cd: 20 };
    const recorder = new Recorder();
    expect(recorder.let(mu, values)).toBe(silent.let(mu, values));
    const [step] = recorder.steps;
    expect(step).toMatchObject({ kind: 'formula', symbol: 'mu', clause: '6.1' });
    expect(printStep(step!, plain, 'SI')).toEqual({
      symbol: 'μ',
      formula: 'M_Ed / (b * d^2 * f_cd)',
      numbers: '200e6 / (300 * (500)^2 * 20)',
      result: '0.1333',
      unit: '',
    });
  });
  test('in US units the numbers are those of US units', () => {
    const [step] = derive((c) => c.let(mu, { M_Ed: 112.9848e6, b: 304.8, d: 508, f_cd: 6.894757 }));
    // 112.9848 kNm = 1 000 000 lb in; 12 * 20^2 * 1000 = 4 800 000
    expect(printStep(step!, plain, 'US')!.numbers).toBe('1\u202f000\u202f000 / (12 * (20)^2 * 1\u202f000)');
  });
  test('what is remembered is only what was not recorded', () => {
    const known = new WeakMap<object, number>();
    const key = {};
    let calls = 0;
    const make = () => (calls += 1);
    remember(known, key, silent, make);
    remember(known, key, silent, make);
    remember(known, key, new Recorder(), make);
    expect(calls).toBe(2);
  });
});

describe('typesetting', () => {
  test('symbols', () => {
    expect(splitSymbol('V_Rd_max')).toEqual({ base: 'V', sub: 'Rd,max', prime: false });
    expect(splitSymbol('f_c_prime')).toEqual({ base: 'f', sub: 'c', prime: true });
    expect(mathml.sym('alpha_cc')).toBe('<msub><mi>α</mi><mtext>cc</mtext></msub>');
  });
  test('brackets only where they are needed', () => {
    const show = (text: string) => print(parseExpression(text), plain);
    expect(show('a * (b + c)')).toBe('a * (b + c)');
    expect(show('a - (b - c)')).toBe('a - (b - c)');
    expect(show('(a * b) * c')).toBe('a * b * c');
    expect(show('(a + b)^2')).toBe('(a + b)^2');
    expect(print(parseExpression('(a + b) / c'), mathml)).not.toContain('(');
  });
  test('figures keep all whole digits and four significant ones', () => {
    expect(significant(1234.56, 4)).toBe('1\u202f235');
    expect(significant(0.0012347, 4)).toBe('0.001235');
    expect(significant(0, 4)).toBe('0');
    expect(significant(NaN, 4)).toBe('–');
  });
});
