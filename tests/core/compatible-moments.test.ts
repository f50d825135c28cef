import fc from 'fast-check';
import { makeCode } from '@/core/codes/registry';
import { readProject } from '@/core/project/read';
import { designNow } from '@/core/project/design-member';
import type { BeamMember } from '@/core/members/beam/input';
import { codeOf } from '@/core/members/member';
import { analyseBeam } from '@/core/members/beam/analysis';
import { prepareBeam } from '@/core/members/beam/prepared';
import { anchorageLengths } from '@/core/members/beam/resistance';
import { SteelMap } from '@/core/members/beam/steel';
import { StiffnessMap } from '@/core/members/beam/service/stiffness-map';
import { crackingRange, deflectedShape, shapeBySpans } from '@/core/members/beam/service/deflection';
import { momentsOn, serviceArrangements, serviceMoments, STEPS } from '@/core/members/beam/service/service-moments';
import { catalogues } from '@/core/materials/bars';
import { solveDense } from '@/core/analysis/dense';

/** A beam that has cracked still holds together: over its supports both spans turn alike, and its moments still carry the loads. */

const codes = [
  { id: 'en1992', variant: 'uk' },
  { id: 'aci318', variant: 'SI', choices: { deflectionInertia: 'section' } },
  { id: 'aci318', variant: 'SI' },
  { id: 'as3600', variant: '2018', choices: { deflectionInertia: 'section', longTermBy: 'creep' } },
  { id: 'as3600', variant: '2018' },
] as const;

function beamOf(fields: Record<string, unknown>, code: object) {
  const isACI = (code as { id: string }).id === 'aci318';
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code,
    members: [{ ...(isACI ? { catalogue: 'softMetric', materials: { steelStrength: 420, linkStrength: 420 } } : {}), ...fields }],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return { project: read.project, member: read.project.members[0] as BeamMember };
}

function shapesOf({ project, member }: ReturnType<typeof beamOf>) {
  const code = codeOf(project, member);
  const result = designNow(project, member);
  if (result.type !== 'beam' || !result.steel) throw new Error(JSON.stringify(result.faults));
  const beam = prepareBeam(member, code);
  const analysis = analyseBeam(beam, code);
  const moments = serviceMoments(beam, code, analysis)!;
  const map = new SteelMap(beam, result.steel, code, anchorageLengths(beam, code, { catalogue: catalogues[beam.catalogue] }));
  const basis = { ...moments, beam, code, analysis, stiffness: new StiffnessMap(beam, code, map, moments.grid) };
  const cracked = { ...basis, largest: crackingRange(basis, basis), uncracked: basis.largest };
  return code.service.stages.flatMap((stage) =>
    serviceArrangements(beam, code, analysis, stage.loads).map((a) => ({
      beam,
      first: momentsOn(moments.grid, a),
      shape: deflectedShape(cracked, stage, a),
      bySpans: shapeBySpans(cracked, stage, a),
    })),
  );
}

const random = fc.record({
  code: fc.constantFrom(...codes),
  spans: fc.array(
    fc.integer({ min: 35, max: 80 }).map((v) => v * 100),
    { minLength: 1, maxLength: 3 },
  ),
  held: fc.tuple(fc.boolean(), fc.boolean()),
  load: fc.integer({ min: 5, max: 25 }),
  h: fc.constantFrom(350, 450),
});

const fieldsOf = ({ spans, held, load, h }: { spans: number[]; held: [boolean, boolean]; load: number; h: number }) => ({
  section: { b: 300, h },
  spans: spans.map((length) => ({ length })),
  supports: [...spans, 0].map((_, j) => ({
    width: 250,
    type: (j === 0 && held[0]) || (j === spans.length && held[1]) ? 'fixed' : 'pinned',
  })),
  cases: [
    { id: 'G', nature: 'permanent' },
    { id: 'Q', nature: 'imposed', category: 'B' },
  ],
  loads: [
    { type: 'uniform', case: 'G', value: load },
    { type: 'uniform', case: 'Q', value: load / 2 },
  ],
});

test('slopes agree over inner supports, held ends do not turn, and what moved is in balance', () => {
  fc.assert(
    fc.property(random, ({ code, ...r }) => {
      for (const { beam, first, shape } of shapesOf(beamOf(fieldsOf(r as never), code))) {
        const turn = beam.spans.map((s, i) =>
          shape.curvature.subarray(i * STEPS, (i + 1) * STEPS).reduce((sum, k) => sum + (Math.abs(k) * s.length) / STEPS, 0),
        );
        const near = 3e-3 * Math.max(...turn, 1e-9);
        const slope = (span: number, k: number) => shape.slope[span * (STEPS + 1) + k]!;
        for (let i = 1; i < beam.spans.length; i += 1) expect(Math.abs(slope(i - 1, STEPS) - slope(i, 0))).toBeLessThan(near);
        if (r.held[0]) expect(Math.abs(slope(0, 0))).toBeLessThan(near);
        if (r.held[1]) expect(Math.abs(slope(beam.spans.length - 1, STEPS))).toBeLessThan(near);
        // What is added to the moments runs straight in every span: no load is added or lost.
        const size = first.reduce((most, m) => Math.max(most, Math.abs(m)), 1);
        beam.spans.forEach((_, i) => {
          const added = (k: number) => shape.moments[i * STEPS + k]! - first[i * STEPS + k]!;
          for (let k = 1; k + 1 < STEPS; k += 1) expect(Math.abs(added(k - 1) - 2 * added(k) + added(k + 1)) / size).toBeLessThan(1e-9);
        });
      }
    }),
    { numRuns: 12, seed: 31 },
  );
});

test('the mirrored beam sinks as much', () => {
  fc.assert(
    fc.property(random, ({ code, ...r }) => {
      // With the same bars in all spans and over all supports the mirror is exact.
      const size = code.id === 'aci318' ? 'No.19' : '20';
      const bars = (n: number) => ({
        bottom: Array.from({ length: n }, () => ({ main: { count: 3, size }, extra: { bars: { count: 0, size } } })),
        top: Array.from({ length: n }, () => ({ main: { count: 3, size } })),
        support: Array.from({ length: n + 1 }, () => ({ bars: { count: 0, size } })),
      });
      const at = (spans: number[], held: [boolean, boolean]) => {
        const { project, member } = beamOf(
          { ...fieldsOf({ ...(r as never as object), spans, held } as never), bars: bars(spans.length) },
          code,
        );
        return designNow(project, member)
          .checks.filter((c) => c.id.startsWith('deflection-total'))
          .map((c) => [Number(c.id.split('-').at(-1)), c.demand!.value] as const)
          .sort((a, b) => a[0] - b[0])
          .map(([, v]) => v);
      };
      const [held0, held1] = r.held as [boolean, boolean];
      const there = at(r.spans, [held0, held1]);
      const back = at([...r.spans].reverse(), [held1, held0]).reverse();
      there.forEach((v, i) => expect(v).toBeCloseTo(back[i]!, 1));
    }),
    { numRuns: 8, seed: 32 },
  );
});

test('a held slab whose supports crack sinks further than span by span says', () => {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: { id: 'en1992', variant: 'recommended' },
    members: [
      {
        section: { b: 1000, h: 160 },
        spans: [{ length: 6340 }],
        supports: [
          { type: 'fixed', width: 200 },
          { type: 'fixed', width: 200 },
        ],
        cases: [
          { id: 'G', nature: 'permanent' },
          { id: 'Q', nature: 'imposed', category: 'E' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: 2 },
          { type: 'uniform', case: 'Q', value: 3 },
        ],
        materials: { concreteStrength: 40 },
      },
    ],
  });
  if (!read.ok) throw new Error('bad');
  const all = shapesOf({ project: read.project, member: read.project.members[0] as BeamMember });
  const most = (list: Float64Array) => list.reduce((a, b) => Math.max(a, b));
  const [together, bySpans] = [
    Math.max(...all.map((s) => most(s.shape.deflection))),
    Math.max(...all.map((s) => most(s.bySpans.deflection))),
  ];
  expect(together).toBeGreaterThan(1.5 * bySpans);
  expect(makeCode(read.project.code).service.stages.length).toBeGreaterThan(1);
});

test('small systems: by hand, and none where there is no answer', () => {
  // 2x + y = 5, x - y = 1: x = 2, y = 1
  expect(
    solveDense(
      [
        [2, 1],
        [1, -1],
      ],
      [5, 1],
    )!.map((v) => v.toFixed(9)),
  ).toEqual(['2.000000000', '1.000000000']);
  expect(
    solveDense(
      [
        [0, 1],
        [1, 0],
      ],
      [3, 4],
    ),
  ).toEqual([4, 3]);
  expect(
    solveDense(
      [
        [1, 2],
        [2, 4],
      ],
      [1, 2],
    ),
  ).toBeUndefined();
});
