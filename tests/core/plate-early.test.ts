import { answerOf } from '@/core/members/plate/analysis';
import { designPlate } from '@/core/members/plate/design-plate';
import type { PlateInput } from '@/core/members/plate/input';
import type { PlateResult } from '@/core/members/plate/result';
import { workOf } from '@/core/members/works';
import { codeOf } from '@/core/members/member';
import { box } from '@/core/geometry/polygon';
import { corners, slabOf, slabs } from './plate-slabs';

const square = slabs((more) => ({
  meshSize: 700,
  h: 220,
  outline: corners(box(0, 0, 6000, 6000)),
  columns: [{ x: 3000, y: 3000, shape: { kind: 'rectangle', b: 300, h: 300 }, below: 3000, above: 0 }],
  bars: { extra: [] },
  ...more,
}));

/** The result, and those that stood before it. */
function stepsOf(plate: PlateInput, code: ReturnType<typeof codeOf>) {
  const early: PlateResult[] = [];
  const work = designPlate(plate, code, { derive: [], units: 'SI' });
  for (;;) {
    const step = work.next();
    if (step.done) return { early, whole: step.value };
    if (step.value.early) early.push(step.value.early as PlateResult);
  }
}

describe('results that stand until the whole one is there', () => {
  const project = square.project();
  const code = codeOf(project, slabOf(project));

  test('strength comes first and says what is missing; the whole result has the same checks and those of deflection', () => {
    const { early, whole } = stepsOf(slabOf(project), code);
    expect(early).toHaveLength(1);
    expect(early[0]!.early).toBe('Deflections follow.');
    expect(whole.early).toBeUndefined();
    const strength = whole.checks.filter((c) => c.family !== 'deflection');
    expect(strength).toEqual(early[0]!.checks);
    expect(whole.checks.length).toBeGreaterThan(strength.length);
    expect(early[0]!.maps!.deflection).toBeUndefined();
    expect(whole.maps!.deflection).toBeDefined();
  });
  test('a fine mesh is preceded by a coarse one, near to it, that says so', () => {
    const { early, whole } = stepsOf(slabOf(square.project({ meshSize: 115 })), code);
    expect(early).toHaveLength(2);
    const [nodes, coarse] = [whole.mesh!, early[0]!.mesh!].map(({ at }) => at.length / 2) as [number, number];
    expect(early[0]!.early).toMatch(
      new RegExp(`^A mesh of about \\d+ nodes follows, with shear, punching, cracks and deflections: this one has ${coarse}\\.$`),
    );
    // What is expected is known before the mesh is made, to a tenth.
    expect(Math.abs(Number(/about (\d+)/.exec(early[0]!.early!)![1]) / nodes - 1)).toBeLessThan(0.1);
    expect(coarse).toBeLessThan(0.7 * nodes);
    const largest = (r: PlateResult) => Math.max(...r.sections.map((s) => s.moment));
    expect(largest(early[0]!) / largest(whole)).toBeGreaterThan(0.9);
    expect(largest(early[0]!) / largest(whole)).toBeLessThan(1.1);
  });
});

describe('ways forward', () => {
  const project = square.project();
  const code = codeOf(project, slabOf(project));
  const search = (id: string) => workOf(slabOf(project)).propose(slabOf(project), id, { project, code, rates: project.rates });

  test('every choice of the analysis is turned the other way, with what it moves', () => {
    const ways = search('choices');
    expect(ways.map((w) => w.title.split(':')[0])).toEqual([
      'cracked by its own moment alone',
      'half of the tensile strength',
      'a mesh 0.7 times as coarse',
      'moments as they are at peaks',
      'edges that turn along themselves',
      'edges that it may lift off',
    ]);
    const sinks = (title: string) => Number(/→ ([\d.]+) mm/.exec(ways.find((w) => w.title.startsWith(title))!.title)![1]);
    const now = Number(/sinks ([\d.]+) →/.exec(ways[0]!.title)![1]);
    expect(now).toBeGreaterThan(0);
    expect(sinks('cracked by its own')).toBeLessThanOrEqual(now);
    expect(sinks('half of the tensile')).toBeGreaterThanOrEqual(now);
    expect(sinks('edges that turn')).toBeGreaterThanOrEqual(now);
  });
  test('drops around columns and later loads are among the single changes, where they help', () => {
    const titles = search('changes').map((w) => w.title);
    // A sixth of the bay of 3 m to each side; a quarter of 220 deeper.
    expect(titles).toContain('drops 1000 mm wide, 50 mm deeper');
  });
});

describe('what is remembered of a slab', () => {
  const project = square.project();
  const code = codeOf(project, slabOf(project));
  const plateWith = (more: object, of?: object) => slabOf(square.project({ ...more, ...of }));

  test('other bars, lines, stages and names ask the plate nothing new', () => {
    const known = answerOf(slabOf(project), code);
    const mesh = { size: 'H12', spacing: 150 };
    const columns = [{ ...slabOf(project).columns[0]!, name: 'B2' }];
    for (const more of [{ bars: { extra: [], bottom: { x: mesh } } }, { straightedges: [] }, { cover: { top: 40 } }, { columns }])
      expect(answerOf(plateWith(more), code)).toBe(known);
  });
  test.each<[string, object]>([
    ['outline', { outline: corners(box(0, 0, 6000, 6001)) }],
    ['edges', { outline: corners(box(0, 0, 6000, 6000), ['free']) }],
    ['openings', { openings: [{ corners: box(1000, 1000, 1500, 1500) }] }],
    ['walls', { walls: [{ x1: 2000, y1: 1000, x2: 4000, y2: 1000 }] }],
    ['column', { columns: [{ x: 3000, y: 3000, shape: { kind: 'rectangle', b: 301, h: 300 }, below: 3000, above: 0 }] }],
    ['storeys', { columns: [{ x: 3000, y: 3000, shape: { kind: 'rectangle', b: 300, h: 300 }, below: 3000, above: 3000 }] }],
    ['beams', { beams: [{ x1: 1000, y1: 3000, x2: 5000, y2: 3000 }] }],
    ['regions', { regions: [{ x1: 2000, y1: 2000, x2: 4000, y2: 4000, h: 300 }] }],
    ['depth', { h: 221 }],
    ['Poisson', { poisson: 0.1 }],
    ['how simple edges hold', { simpleEdges: 'soft' }],
    ['corners', { corners: 'lift' }],
    ['mesh', { meshSize: 690 }],
    ['width of peaks', { spread: 500 }],
    ['direction of bars', { axes: { kind: 'straight', angle: 30, between: 90 } }],
    ['angle between bars', { axes: { kind: 'straight', angle: 0, between: 60 } }],
    ['middle of radial bars', { axes: { kind: 'ring', x: 3000, y: 3000, inner: 800 } }],
    ['concrete', { materials: { concreteStrength: 40 } }],
    ['unit weight', { unitWeight: 24e-6 }],
    ['self-weight', { selfWeight: false }],
    ['loads', { loads: [{ type: 'uniform', case: 'Q', value: 3.1 }] }],
    ['patterns', { cases: slabOf(project).cases.map((c) => ({ ...c, pattern: !c.pattern })) }],
  ])('another %s is worked out anew', (_, more) => {
    const known = answerOf(slabOf(project), code);
    expect(answerOf(plateWith(more), code)).not.toBe(known);
    expect(answerOf(slabOf(project), code)).toBe(known);
  });
});
