import fc from 'fast-check';
import { silent } from '@/core/calc/calc';
import { makeCode } from '@/core/codes/registry';
import type { ClosedTies, PunchingQuestion } from '@/core/codes/punching-rules';
import type { ControlPerimeter } from '@/core/geometry/control-perimeter';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { controlPerimeter } from '@/core/geometry/control-perimeter';
import { box } from '@/core/geometry/polygon';
import { referenceCases } from './reference';

const settings = { id: 'as3600', variant: '2018', choices: {} };
const code = makeCode(settings);
const rules = code.punching.closedTies!;
const cases = referenceCases('as3600');
const expected = (id: string, key: string) => cases.get(id)!.expected[key] as number;
const nowhere = { left: null, right: null, bottom: null, top: null, corner: null };
/** A column of 450: d 190 makes the critical perimeter 640 wide. */
const around = (distance: number): ControlPerimeter => controlPerimeter(box(-225, -225, 225, 225), distance, 'square', nowhere, []);
const question = (patch: Partial<PunchingQuestion> = {}): PunchingQuestion => ({
  materials: { ...code.defaults, concreteStrength: 40 },
  shape: 'rectangle',
  cx: 450,
  cy: 450,
  h: 220,
  d: 190,
  ratio: 0.008,
  inPlane: 0,
  V: 480e3,
  Mx: 55e6,
  My: 0,
  momentsBy: 'moments',
  beta: 1,
  position: 'internal',
  across: null,
  inwards: { x: 0, y: 0 },
  columnPerimeter: 1800,
  around,
  withoutOpenings: around,
  reinforcement: null,
  ...patch,
});
const ties = (aswPerSpacing: number, patch: Partial<ClosedTies> = {}): ClosedTies => ({
  area: 100 * aswPerSpacing,
  spacing: 100,
  cover: 40,
  beam: null,
  ...patch,
});

describe('closed ties at a column to AS 3600 9.3.4', () => {
  it('PUN-04: torsion strips 640 wide; the least ties 0.2 560 / 500, more of them by the root, at most 3 sqrt(x / y)', () => {
    const q = question();
    expect(rules.areas(silent, q, ties(0.5)).needed).toBeCloseTo(expected('PUN-04', 'Asw_s_min_mm2_mm'), 9);
    expect(rules.strength(silent, q, ties(0.224))!.capacity / 1e3).toBeCloseTo(0.7 * expected('PUN-04', 'Vu_min_kN'), 1);
    expect(rules.strength(silent, q, ties(0.5))!.capacity / 1e3).toBeCloseTo(0.7 * expected('PUN-04', 'Vu_kN'), 1);
    // 3 sqrt(220 / 640) = 1.7589 bounds it however many there are
    expect(rules.strength(silent, q, ties(9))!.capacity / 1e3).toBeCloseTo(
      0.7 * 3 * Math.sqrt(220 / 640) * expected('PUN-04', 'Vu_min_kN'),
      0,
    );
  });

  it('PUN-05: a spandrel of 350 x 400 along the edge', () => {
    const beam = { beam: { b: 350, depth: 400 } };
    const q = question({ across: 'y', position: 'edge' });
    expect(rules.areas(silent, q, ties(0.13, beam)).needed).toBeCloseTo(expected('PUN-05', 'Asw_s_min_mm2_mm'), 9);
    expect(rules.strength(silent, q, ties(0.128, beam))!.capacity / 1e3).toBeCloseTo(0.7 * expected('PUN-05', 'Vu_min_kN'), 1);
    expect(rules.strength(silent, q, ties(0.13, beam))!.capacity / 1e3).toBeCloseTo(0.7 * expected('PUN-05', 'Vu_kN'), 1);
  });

  it('with fewer than the least ties they do not count, nor a spandrel where there is no edge', () => {
    expect(rules.strength(silent, question(), ties(0.22))).toBeNull();
    expect(rules.strength(silent, question(), ties(1, { beam: { b: 350, depth: 400 } }))).toBeNull();
  });

  it('the moment along the edge finds no spandrel: its part is that of a slab without ties, 9.3.4(a)', () => {
    const q = question({ across: 'x', position: 'edge' });
    const beam = ties(0.128, { beam: { b: 350, depth: 400 } });
    // 1.2 (400/220) Vuo / 1.3015: the strength of PUN-03, times both factors of the spandrel
    expect(rules.strength(silent, q, beam)!.capacity).toBeCloseTo(0.7 * 1.2 * (400 / 220) * expected('PUN-03', 'Vu_kN') * 1e3, -3);
  });

  it('never falls with more ties, never rises with the moment, and is the same turned by a right angle', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.23, max: 3, noNaN: true }),
        fc.integer({ min: 0, max: 120 }),
        fc.integer({ min: 0, max: 120 }),
        (a, Mx, My) => {
          const at = (asw: number, x: number, y: number) =>
            rules.strength(silent, question({ Mx: x * 1e6, My: y * 1e6 }), ties(asw))!.capacity;
          expect(at(a * 1.1, Mx, My)).toBeGreaterThanOrEqual(at(a, Mx, My) - 1e-6);
          expect(at(a, Mx + 5, My)).toBeLessThan(at(a, Mx, My));
          expect(at(a, My, Mx)).toBeCloseTo(at(a, Mx, My), 3);
          expect(at(a, -Mx, My)).toBe(at(a, Mx, My));
        },
      ),
    );
  });
});

describe('a slab at a column with closed ties', () => {
  const design = (change: object, settingsOf: object = settings) => {
    const member = {
      type: 'punching',
      id: 'p',
      mark: 'P1',
      h: 220,
      column: { kind: 'rectangle', b: 450, h: 450 },
      sets: [{ name: 'U', V: 480, Mx: 55 }],
      ...change,
    };
    const read = readProject({ format: 'intarsia', version: 1, code: settingsOf, members: [member] });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const result = designNow(read.project, read.project.members[0]!);
    return { ...result, find: (id: string) => result.checks.find((c) => c.id === id) };
  };

  it('counts them, with their least area and their spacing', () => {
    const bare = design({}).find('plain')!;
    const tied = design({ ties: { size: 'N12', spacing: 150 } });
    expect(tied.find('plain')!.title).toBe('Punching with torsion strips');
    expect(tied.find('plain')!.capacity!.value).toBeGreaterThan(bare.capacity!.value);
    expect(tied.find('ties-area')!.status).toBe('holds');
    expect(tied.find('ties-spacing')!.capacity!.value).toBe(300);
    const few = design({ ties: { size: 'N10', spacing: 400 } });
    expect(few.find('ties-area')!.status).toBe('exceeds');
    expect(few.find('ties-spacing')!.status).toBe('exceeds');
    expect(few.find('plain')!.capacity!.value).toBeCloseTo(bare.capacity!.value, 6);
  });

  it('says a beam where there is no edge, faults at their fields, and codes to which ties do not count', () => {
    const beam = { size: 'N12', spacing: 150, beam: { b: 300, depth: 400 } };
    expect(design({ ties: beam }).find('ties-edge')!.status).toBe('failed');
    expect(design({ ties: beam, edges: { top: 0 } }).find('plain')!.title).toBe('Punching with a spandrel');
    expect(design({ ties: { ...beam, beam: { b: 300, depth: 150 } } }).faults.map((f) => f.path)).toEqual(['ties.beam.depth']);
    const en = design({ ties: { size: '12', spacing: 150 } }, { id: 'en1992', variant: 'recommended' });
    expect(en.checks.some((c) => c.status === 'notCovered' && c.title === 'Closed ties')).toBe(true);
  });
});
