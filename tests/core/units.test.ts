import fc from 'fast-check';
import { formatForEditing, formatNumber, formatQuantity, formatUtilisation, formatValue } from '@/core/units/format';
import { parseQuantity } from '@/core/units/parse';
import { displayUnit, quantityKinds } from '@/core/units/quantity';
import { findUnit, getUnit, sameDimension } from '@/core/units/unit';

const value = (text: string, kind: Parameters<typeof parseQuantity>[1], system: 'SI' | 'US' = 'SI') => {
  const p = parseQuantity(text, kind, system);
  return p.ok ? p.value : p.reason;
};

describe('reading typed quantities', () => {
  // Texts that made patterns look at the same blanks over and over: they must be answered at once, or the test runs out of time.
  test.each(["1'", '-', '- 1', '1', "1' 2", '3 /'].flatMap((head) => [200, 5000, 1_000_000].map((n) => [head, n] as const)))(
    '%s with %d blanks is answered',
    (head, n) => {
      for (const tail of ['x', '-', '"', '1 x'])
        for (const kind of ['length', 'force'] as const)
          expect(typeof parseQuantity(head + ' '.repeat(n) + tail, kind, 'US').ok).toBe('boolean');
    },
  );
  test('any text is answered, with a finite value or a reason', () => {
    const typed = fc.string({ unit: fc.constantFrom(...' -+*/().,\'"0123456789eftinmkN'), maxLength: 400 });
    fc.assert(
      fc.property(typed, (text) => {
        const read = parseQuantity(text, 'length', 'US');
        expect(read.ok ? Number.isFinite(read.value) : read.reason.length > 5).toBe(true);
      }),
    );
  });
  test.each([
    ['350', 350],
    ['14 in', 355.6],
    ['14"', 355.6],
    ['0.35 m', 350],
    ['0,35 m', 350],
    ['1\'-2"', 355.6],
    ['1\' 2 1/2"', 368.3],
    ["6'", 1828.8],
    ['3/4"', 19.05],
    ['2*175', 350],
    ['(300 + 50)', 350],
    ['300+2*25', 350],
    ['2.5e3', 2500],
    ['1 200', 1200],
    ['1,250.5', 1250.5],
    ['−40', -40],
  ])('%s is %d mm', (text, mm) => expect(value(text, 'length')).toBeCloseTo(mm, 9));

  test('loads, forces, moments and stresses in either system', () => {
    expect(value('25 kN/m', 'lineLoad')).toBe(25);
    expect(value('2.5e3 N/m', 'lineLoad')).toBeCloseTo(2.5, 12);
    // 1 kip/ft = 4448.2216 N / 304.8 mm = 14.5939 N/mm
    expect(value('1 kip/ft', 'lineLoad')).toBeCloseTo(14.5939, 4);
    expect(value('1', 'lineLoad', 'US')).toBeCloseTo(14.5939, 4);
    // 100 kip ft = 100 * 4448.2216 * 304.8 = 135.58 kNm
    expect(value('100 kip-ft', 'moment')).toBeCloseTo(135.5818e6, -2);
    expect(value('4 ksi', 'stress')).toBeCloseTo(27.579, 3);
    expect(value('30 kN', 'force')).toBe(30_000);
  });

  test.each([
    ['', 'Type a value.'],
    ['abc', '"abc" is not a number.'],
    ['12 kN', 'kN is not a unit for this value; use mm.'],
    ['12 bananas', '"bananas" is not a unit known here.'],
    ['1 + ', '"1 + " is not a number.'],
  ])('%s is refused with a reason', (text, reason) => expect(value(text, 'length')).toBe(reason));

  test('any text gives a finite value or a reason', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom(...quantityKinds), (text, kind) => {
        const p = parseQuantity(text, kind, 'SI');
        if (p.ok) expect(Number.isFinite(p.value)).toBe(true);
        else expect(p.reason).not.toBe('');
      }),
      { numRuns: 2000 },
    );
  });

  test('what is written for editing is read back as the same value, to six figures', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        fc.constantFrom(...quantityKinds),
        fc.constantFrom('SI' as const, 'US' as const),
        (v, kind, system) => {
          const back = parseQuantity(formatForEditing(v, kind, system), kind, system);
          expect(back.ok && Math.abs(back.value - v) <= 1e-5 * Math.abs(v) + 1e-12).toBe(true);
        },
      ),
    );
  });
});

describe('units', () => {
  test('both display units of every kind have one dimension', () => {
    for (const kind of quantityKinds)
      expect([kind, sameDimension(displayUnit(kind, 'SI').unit.dimension, displayUnit(kind, 'US').unit.dimension)]).toEqual([kind, true]);
  });
  test('other spellings', () => {
    for (const [text, name] of [
      ['kN·m', 'kNm'],
      ['N/mm²', 'N/mm2'],
      ['kips', 'kip'],
      ['k-ft', 'kip-ft'],
      ['″', 'in'],
      ['°', 'deg'],
    ] as const)
      expect(findUnit(text)?.name).toBe(name);
    expect(() => getUnit('furlong')).toThrow(RangeError);
  });
});

describe('showing', () => {
  test('thin spaces, minus signs, no negative zero, no figure for what is no number', () => {
    expect(formatNumber(12_345.678, 1)).toBe('12\u202f345.7');
    expect(formatNumber(-0.001, 1)).toBe('0.0');
    expect(formatNumber(-12, 0)).toBe('−12');
    expect(formatNumber(NaN, 2)).toBe('–');
    expect(formatQuantity(355.6, 'length', 'US')).toBe('14.00 in');
    expect(formatValue(135.5818e6, 'moment', 'US', 0)).toBe('100');
  });
  test('1.00 is never shown for what is over: three decimals show it', () => {
    expect(formatUtilisation(1.0004)).toBe('1.000');
    expect(formatUtilisation(1.004)).toBe('1.004');
    expect(formatUtilisation(1.03)).toBe('1.03');
    expect(formatUtilisation(0.996)).toBe('1.00');
    expect(formatUtilisation(Infinity)).toBe('–');
  });
});
