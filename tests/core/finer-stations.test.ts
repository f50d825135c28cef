import fc from 'fast-check';
import type { DerivableCheck } from '@/core/checks/check';
import { catalogues } from '@/core/materials/bars';
import { analyseBeam } from '@/core/members/beam/analysis';
import { bendingChecks, checkBasis } from '@/core/members/beam/bending-checks';
import { chooseSteel } from '@/core/members/beam/choose-steel';
import { atPlacesOf } from '@/core/members/beam/demand';
import { flangeChecks } from '@/core/members/beam/flange-checks';
import type { BeamMember } from '@/core/members/beam/input';
import { prepareBeam } from '@/core/members/beam/prepared';
import { anchorageLengths, ResistanceMap } from '@/core/members/beam/resistance';
import { beamService } from '@/core/members/beam/service/beam-service';
import { serviceMoments } from '@/core/members/beam/service/service-moments';
import { shearChecks } from '@/core/members/beam/shear-checks';
import { sharePlaces, shareSteps, SteelMap } from '@/core/members/beam/steel';
import { torsionChecks } from '@/core/members/beam/torsion-checks';
import { codeOf } from '@/core/members/member';
import { stripAsBeam } from '@/core/members/strip/as-beam';
import { chooseStripSteel } from '@/core/members/strip/choose-steel';
import type { StripMember } from '@/core/members/strip/input';
import { stripShearChecks } from '@/core/members/strip/shear-checks';
import { StripMap } from '@/core/members/strip/steel';
import { readProject } from '@/core/project/read';

/** No figure depends on how finely a beam is looked at: what is worst between two stations is worst at one of them. */

interface Random {
  readonly code: object;
  readonly section: object;
  readonly spans: readonly number[];
  readonly widths: readonly number[];
  readonly isHeld: boolean;
  readonly permanent: number;
  readonly imposed: number;
  readonly at: number;
  readonly point: number;
  readonly moment: number;
  readonly torque: number;
}

function beamOf(r: Random): { readonly member: BeamMember; readonly code: ReturnType<typeof codeOf> } {
  const isACI = (r.code as { id: string }).id === 'aci318';
  const inSpan = Math.round(r.at * r.spans[0]!);
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: r.code,
    members: [
      {
        ...(isACI ? { catalogue: 'softMetric', materials: { steelStrength: 420, linkStrength: 420 } } : {}),
        section: r.section,
        spans: r.spans.map((length) => ({ length })),
        supports: [...r.spans, 0].map((_, j) => ({ width: r.widths[j]!, type: j === 0 && r.isHeld ? 'fixed' : 'pinned' })),
        cases: [
          { id: 'G', nature: 'permanent' },
          { id: 'Q', nature: 'imposed', category: 'B' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: r.permanent },
          { type: 'uniform', case: 'Q', value: r.imposed },
          { type: 'point', case: 'Q', span: 0, at: inSpan, force: r.point },
          { type: 'moment', case: 'G', span: r.spans.length - 1, at: Math.round(r.at * r.spans.at(-1)!), moment: r.moment },
          ...(r.torque > 0 ? [{ type: 'torque', case: 'Q', span: 'all', value: r.torque }] : []),
        ],
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const member = read.project.members[0] as BeamMember;
  return { member, code: codeOf(read.project, member) };
}

/** The checks of a beam by the stations that it has, and by many more. */
function bothWays(r: Random, more: number) {
  const { member, code } = beamOf(r);
  const beam = prepareBeam(member, code);
  const found = analyseBeam(beam, code);
  const moments = serviceMoments(beam, code, found)!;
  const steel = chooseSteel(beam, code, found, moments);
  const plain = new SteelMap(beam, steel, code, anchorageLengths(beam, code, { catalogue: catalogues[beam.catalogue] }));
  const length = beam.starts.at(-1)!;
  const places = [...plain.places(), ...Array.from({ length: more }, (_, k) => ((k + 0.37) * length) / more)];
  const by = (map: SteelMap) => {
    const resistance = new ResistanceMap(beam, code, map);
    const analysis = atPlacesOf(beam, code, found, resistance);
    const basis = checkBasis(beam, code, analysis, resistance, 'SI');
    return [
      ...bendingChecks(basis),
      ...shearChecks(basis, analysis),
      ...torsionChecks(basis, analysis),
      ...flangeChecks(basis),
      ...beamService(beam, code, analysis, map, moments, basis).checks.filter(({ check }) => check.family === 'crack'),
    ];
  };
  const finer = Object.create(plain, { places: { value: () => places } }) as SteelMap;
  return { asItIs: by(plain), finer: by(finer) };
}

const utilisations = (list: readonly DerivableCheck[]) =>
  new Map(list.flatMap(({ check }) => (check.utilisation === null ? [] : [[check.id, check.utilisation] as const])));

const random: fc.Arbitrary<Random> = fc.record({
  code: fc.constantFrom(
    { id: 'en1992', variant: 'recommended' },
    { id: 'en1992', variant: 'uk' },
    { id: 'aci318', variant: 'SI' },
    { id: 'as3600', variant: '2018' },
    { id: 'as3600', variant: '2018', choices: { shearMethod: 'general' } },
  ),
  section: fc.constantFrom({ b: 300, h: 500 }, { b: 350, h: 700 }, { shape: 'T', b: 300, h: 600, flangeWidth: 1200, flangeDepth: 150 }),
  spans: fc.array(
    fc.integer({ min: 30, max: 80 }).map((v) => v * 100),
    { minLength: 1, maxLength: 3 },
  ),
  widths: fc.tuple(...Array.from({ length: 4 }, () => fc.constantFrom(0, 250, 374))),
  isHeld: fc.boolean(),
  permanent: fc.integer({ min: 5, max: 20 }),
  imposed: fc.integer({ min: 3, max: 15 }),
  at: fc.double({ min: 0.05, max: 0.95, noNaN: true }),
  point: fc.integer({ min: 5, max: 70 }),
  moment: fc.integer({ min: -40, max: 40 }).filter((v) => v !== 0),
  torque: fc.constantFrom(0, 0, 3),
});

/** The same for a slab. */
function slabBothWays(r: RandomSlab, more: number) {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code: r.code,
    members: [
      {
        type: 'strip',
        ...((r.code as { id: string }).id === 'aci318' ? { catalogue: 'softMetric', materials: { steelStrength: 420 } } : {}),
        h: r.h,
        breadth: 6000,
        spans: r.spans.map((length) => ({ length })),
        supports: [...r.spans, 0].map(() => ({ width: 250 })),
        cases: [
          { id: 'G', nature: 'permanent' },
          { id: 'Q', nature: 'imposed', category: 'B' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: 2 },
          { type: 'uniform', case: 'Q', value: r.load },
          { type: 'line', case: 'Q', span: 0, at: Math.round(r.at * r.spans[0]!), force: r.line },
        ],
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const strip = read.project.members[0] as StripMember;
  const code = codeOf(read.project, strip);
  const beam = prepareBeam(stripAsBeam(strip, 1000), code);
  const found = analyseBeam(beam, code);
  const moments = serviceMoments(beam, code, found)!;
  const steel = chooseStripSteel(strip, beam, code, found);
  const anchorage = anchorageLengths(beam, code, { catalogue: catalogues[strip.catalogue] });
  const plain = new StripMap(strip, steel, code, 1000, anchorage);
  const length = beam.starts.at(-1)!;
  const places = [...plain.places(), ...Array.from({ length: more }, (_, k) => ((k + 0.37) * length) / more)];
  const finer = Object.create(plain, { places: { value: () => places } }) as StripMap;
  return [plain, finer].map((map) => {
    const resistance = new ResistanceMap(beam, code, map);
    const analysis = atPlacesOf(beam, code, found, resistance);
    const basis = { ...checkBasis(beam, code, analysis, resistance, 'SI'), strip, analysis };
    const service = beamService(beam, code, analysis, map, moments, basis);
    return [...bendingChecks(basis), ...stripShearChecks(basis), ...service.checks.filter(({ check }) => check.family === 'crack')];
  });
}

interface RandomSlab {
  readonly code: object;
  readonly h: number;
  readonly spans: readonly number[];
  readonly load: number;
  readonly at: number;
  readonly line: number;
}

const slabs: fc.Arbitrary<RandomSlab> = fc.record({
  code: fc.constantFrom(
    { id: 'en1992', variant: 'recommended' },
    { id: 'en1992', variant: 'uk' },
    { id: 'aci318', variant: 'SI' },
    { id: 'as3600', variant: '2018' },
    { id: 'as3600', variant: '2018', choices: { shearMethod: 'general' } },
  ),
  h: fc.integer({ min: 6, max: 12 }).map((v) => v * 25),
  spans: fc.array(
    fc.integer({ min: 25, max: 60 }).map((v) => v * 100),
    { minLength: 1, maxLength: 3 },
  ),
  load: fc.integer({ min: 1, max: 12 }),
  at: fc.double({ min: 0.1, max: 0.9, noNaN: true }),
  line: fc.integer({ min: 1, max: 20 }),
});

describe('finer stations', () => {
  it('find nothing that is worse: bending, shear, torsion, flanges and cracks of any beam', () => {
    fc.assert(
      fc.property(random, (r) => {
        const { asItIs, finer } = bothWays(r, 500);
        const [is, would] = [utilisations(asItIs), utilisations(finer)];
        const missed = [...would].filter(([id, utilisation]) => utilisation > (is.get(id) ?? 0) * 1.002 + 5e-4);
        expect(missed.map(([id, utilisation]) => [id, is.get(id), utilisation])).toEqual([]);
      }),
      {
        numRuns: 15,
        endOnFailure: true,
        examples: [
          // The cracks are widest where what the full loads crack ends, for the quasi-permanent moment still grows there.
          [
            {
              code: { id: 'en1992', variant: 'uk' },
              section: { shape: 'T', b: 300, h: 600, flangeWidth: 1200, flangeDepth: 150 },
              spans: [4800, 7100],
              widths: [374, 0, 374, 0],
              isHeld: false,
              permanent: 10,
              imposed: 8,
              at: 0.21515099306551955,
              point: 53,
              moment: 3,
              torque: 3,
            },
          ],
          // Cracked at its peak alone: whoever does not look there sees no crack.
          [
            {
              code: { id: 'en1992', variant: 'recommended' },
              section: { b: 350, h: 700 },
              spans: [6500, 5500],
              widths: [374, 250, 0, 0],
              isHeld: true,
              permanent: 12,
              imposed: 15,
              at: 0.05,
              point: 67,
              moment: 5,
              torque: 3,
            },
          ],
          // What is largest in the middle of a span belongs to one of its supports, however the middle is rounded.
          [
            {
              code: { id: 'aci318', variant: 'SI' },
              section: { b: 350, h: 700 },
              spans: [4000, 8000, 3900],
              widths: [0, 250, 374, 0],
              isHeld: false,
              permanent: 15,
              imposed: 5,
              at: 0.05000000000000001,
              point: 64,
              moment: 1,
              torque: 0,
            },
          ],
        ],
      },
    );
  });

  it('find nothing that is worse of any slab', () => {
    fc.assert(
      fc.property(slabs, (r) => {
        const [is, would] = slabBothWays(r, 500).map(utilisations) as [Map<string, number>, Map<string, number>];
        const missed = [...would].filter(([id, utilisation]) => utilisation > (is.get(id) ?? 0) * 1.002 + 5e-4);
        expect(missed.map(([id, utilisation]) => [id, is.get(id), utilisation])).toEqual([]);
      }),
      { numRuns: 8, endOnFailure: true },
    );
  });

  it('in shear bars count that run on by d and their anchorage: EN 1992-1-1 6.2.2(1), figure 6.3', () => {
    const { member, code } = beamOf({
      code: { id: 'en1992', variant: 'recommended' },
      section: { b: 300, h: 500 },
      spans: [6000],
      widths: [0, 0],
      isHeld: false,
      permanent: 10,
      imposed: 5,
      at: 0.5,
      point: 5,
      moment: 5,
      torque: 0,
    });
    const beam = prepareBeam(member, code);
    const zone = { to: 6000, size: '8', legs: 2, spacing: 200 };
    const bars = { count: 2, size: '20' };
    const steel = {
      bottom: [{ main: bars, extra: { bars, from: 1000, to: 5000 } }],
      top: [{ main: bars }],
      support: [null, null],
      links: [[zone]],
    };
    const resistance = new ResistanceMap(beam, code, new SteelMap(beam, steel, code, () => 800));
    const { d } = resistance.shearSection(0, 3000, ['sagging']);
    const area = (x: number) => resistance.shearSection(0, x, ['sagging']).tensionArea;
    // Four bars of 314.2 mm2 from 1000 + 800 + d on, two before.
    expect(area(1800 + d + 1)).toBeCloseTo(4 * 314.16, 0);
    expect(area(1800 + d - 1)).toBeCloseTo(2 * 314.16, 0);
    expect(area(4200 - d - 1)).toBeCloseTo(4 * 314.16, 0);
    expect(area(4200 - d + 1)).toBeCloseTo(2 * 314.16, 0);
  });

  it('by hand: a bar from 1000 to 5000 with 800 to anchor gains a sixteenth each 50 mm, and counts less just outside of each place', () => {
    const run = { from: 1000, to: 5000 };
    const places = sharePlaces(run, 800, 6000);
    expect(places).toHaveLength(34);
    expect(places.slice(0, 3)).toEqual([999.95, 1049.95, 1099.95]);
    expect(places.at(-1)).toBeCloseTo(4200.05, 9);
    expect([999.95, 1049.95, 1799.95, 1800, 4200, 4200.05].map((x) => shareSteps(run, x, 800, 6000))).toEqual([0, 0, 15, 16, 16, 15]);
    // At an end of the member a bar is held.
    expect(sharePlaces({ from: 0, to: 6000 }, 800, 6000)).toEqual([]);
  });
});
