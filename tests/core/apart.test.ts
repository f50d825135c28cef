import fc from 'fast-check';
import { apart } from '@/core/drawing/apart';
import { textAt, type Drawing } from '@/core/drawing/shapes';

const drawing = (texts: readonly (readonly [x: number, y: number, text: string])[]): Drawing<never> => ({
  width: 600,
  height: 400,
  title: '',
  shapes: texts.map(([x, y, text]) => textAt([x, y], text, 'plain')),
});
const places = (d: Drawing<never>) => d.shapes.map((s) => ('at' in s ? s.at : null));

test('texts that stand apart stay where they are, turned ones always', () => {
  const d = drawing([
    [10, 20, '3H20'],
    [80, 20, '2H20'],
  ]);
  expect(apart(d)).toEqual(d);
  const turned = { ...d, shapes: [...d.shapes, textAt([12, 20], '400', 'plain', { turn: 90 })] };
  expect(apart(turned)).toEqual(turned);
});

test('one that lies on another goes the shortest way to where it is free; the first stays', () => {
  // Four letters of 0.54 x 11.5 px from 10 end at 34.84; the second begins at 30 and goes 4.84 + 3 px on.
  const [first, second] = places(
    apart(
      drawing([
        [10, 20, '3H20'],
        [30, 20, '2H20'],
      ]),
    ),
  );
  expect(first).toEqual([10, 20]);
  expect(second![0]).toBeCloseTo(37.84, 9);
});

test('one that reaches over the right side comes back within', () => {
  const [at] = places(apart(drawing([[590, 50, '74 % of the load']])));
  expect(at![0]).toBeCloseTo(600 - 11.5 * (10 * 0.54 + 5 * 0.27 + 0.84), 9);
});

test('with room, no two of many texts lie on each other, at any size of letters; and again nothing moves', () => {
  const text = fc.tuple(fc.integer({ min: 0, max: 500 }), fc.integer({ min: 20, max: 380 }), fc.constantFrom('120', '3H20 +', 'H8 @ 150'));
  fc.assert(
    fc.property(fc.array(text, { maxLength: 12 }), fc.constantFrom(1, 1.1, 1.25), (list, scale) => {
      const once = apart(drawing(list), scale);
      const boxes = once.shapes.map((s) => {
        if (s.kind !== 'text') throw new Error('a text');
        const size = 11.5 * scale;
        return [s.at[0], s.at[1] - 0.8 * size, s.at[0] + size * 0.54 * s.text.replace(/[ @]/g, '').length, s.at[1] + 0.2 * size] as const;
      });
      boxes.forEach((a, i) =>
        boxes.slice(i + 1).forEach((b) => {
          expect(a[0] < b[2] - 1.001 && b[0] < a[2] - 1.001 && a[1] < b[3] - 1.001 && b[1] < a[3] - 1.001).toBe(false);
        }),
      );
      expect(places(apart(once, scale))).toEqual(places(once));
    }),
    { numRuns: 300 },
  );
});
