import fc from 'fast-check';
import { silent } from '@/core/calc/calc';
import { criticalTemperature } from '@/core/codes/en1992/fire';
import { FIRE_PERIODS, type FireBeam, type FireColumn, type FireSlab, type FireWall, type FireWay } from '@/core/codes/fire-rules';
import { axisFor, beamSimple, columnTables, columnTablesB, periodsKept, type FireTable } from '@/core/codes/fire-tables';
import { makeCode } from '@/core/codes/registry';
import { fireChecks } from '@/core/members/parts/fire-check';
import { readFileSync } from 'node:fs';
import type { BeamMember } from '@/core/members/beam/input';
import type { BeamResult } from '@/core/members/beam/result';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { referenceCases } from './reference';

const as = makeCode({ id: 'as3600', variant: '2018', choices: {} });
const en = makeCode({ id: 'en1992', variant: 'recommended', choices: {} });
const aci = makeCode({ id: 'aci318', variant: 'US', choices: {} });
const cases = referenceCases('as3600');
const wanted = (id: string, key: string) => cases.get(id)!.expected[key] as number;
const best = (ways: readonly FireWay[]) => Math.max(...ways.map((w) => w.minutes));

const column = (patch: Partial<FireColumn> = {}): FireColumn => ({
  materials: { ...en.defaults, concreteStrength: 30 },
  width: 350,
  depth: 350,
  isRound: false,
  axis: 50,
  cover: 38,
  bars: 8,
  area: 122_500,
  steelArea: 3927,
  use: 0.7,
  isOfFire: false,
  N: 1500e3,
  e: 20,
  height: 3000,
  l0: 2800,
  slenderness: 27.7,
  isBraced: true,
  isOneSided: false,
  ...patch,
});

/** To AS 3600 a level of load that is typed: N*f / Nu = 0.79 use. */
const atLevel = (level: number) => ({ use: level / 0.79 });

describe('fire: tables that two codes have alike', () => {
  test('FIR-01: at a level of 0.5 a column of 350 needs 41.5 mm for 90 minutes, 45 for 120, 63 for 180', () => {
    expect(axisFor(columnTables[0.5][2], 350)).toBe(wanted('FIR-01', 'rows.90.needed_axis_mm'));
    expect(axisFor(columnTables[0.5][3], 350)).toBe(wanted('FIR-01', 'rows.120.needed_axis_mm'));
    const [byLevel] = as.fire.column(silent, column({ ...atLevel(0.5), axis: 50 }));
    expect(byLevel!.minutes).toBe(wanted('FIR-01', 'FRP_conservative_min'));
    expect(byLevel!.reason).toMatch(/180 minutes need 63 mm/);
  });
  test('FIR-04: 200 wide, 40 to the bars, one side exposed: 120 minutes', () => {
    const q = column({ width: 200, depth: 400, axis: 40, isOneSided: true, ...atLevel(0.7) });
    expect(as.fire.column(silent, q)[0]!.minutes).toBe(wanted('FIR-04', 'FRP_conservative_min'));
  });
  test('FIR-06: a wall of 170, 36 to the bars: 120 minutes; it keeps cool for 180', () => {
    const wall: FireWall = {
      materials: as.defaults,
      thickness: 170,
      axis: 36,
      cover: 28,
      height: 3400,
      isOfFire: false,
      ...atLevel(0.7),
      isOneSided: true,
    };
    expect(best(as.fire.wall(silent, wall))).toBe(wanted('FIR-06', 'FRP_adequacy_min'));
    expect(best(as.fire.wall(silent, { ...wall, height: 7000 }))).toBe(0);
    expect(best(as.fire.wall(silent, { ...wall, ...atLevel(0.75) }))).toBe(0);
  });
  const beam = (patch: Partial<FireBeam> = {}): FireBeam => ({
    materials: as.defaults,
    width: 350,
    axis: 45,
    side: 60,
    cover: 33,
    layers: 1,
    use: 1,
    system: 'simple',
    topAlong: () => 0,
    isRedistributed: false,
    ...patch,
  });
  test('FIR-07: a beam of 350: 37.5 mm for 90 minutes, 53.75 for 120', () => {
    expect(axisFor(beamSimple[3], 350)).toBe(wanted('FIR-07', 'needed_axis_mm.120'));
    expect(best(as.fire.beam(silent, beam()))).toBe(wanted('FIR-07', 'FRP_min'));
    // Corner bars of one layer need 10 mm more to the side: 46 - 10 is less than 37.5.
    expect(best(as.fire.beam(silent, beam({ side: 46 })))).toBe(60);
  });
  test('FIR-09: a flat slab of 210, 38 to the bars: 120 minutes', () => {
    const slab: FireSlab = { materials: as.defaults, depth: 210, axis: 38, cover: 30, use: 1, kind: 'flat', ratio: 1 };
    expect(best(as.fire.slab(silent, slab))).toBe(wanted('FIR-09', 'FRP_min'));
  });

  test('a row for longer that asks for less width counts for shorter periods as well: 500 / 60 of 120 minutes where 90 ask for 550', () => {
    expect(periodsKept(columnTablesB[0.5][3], 500, 60).minutes).toBe(120);
    expect(periodsKept(columnTablesB[0.5][3], 500, 55)).toMatchObject({ minutes: 60, reason: '90 minutes need 550 mm of width' });
  });

  test('no table gives more for less: width and axis distance', () => {
    const all: FireTable[] = [...Object.values(columnTables), ...Object.values(columnTablesB).flat(), beamSimple];
    fc.assert(
      fc.property(fc.constantFrom(...all), fc.integer({ min: 80, max: 800 }), fc.integer({ min: 10, max: 90 }), (table, width, axis) => {
        const at = (w: number, a: number) => periodsKept(table, w, a).minutes;
        expect(at(width + 25, axis)).toBeGreaterThanOrEqual(at(width, axis));
        expect(at(width, axis + 5)).toBeGreaterThanOrEqual(at(width, axis));
      }),
      { numRuns: 400 },
    );
  });
});

describe('fire to EN 1992-1-2', () => {
  test('(5.7) by hand: mu 0.49, omega 0.698, b 350: R_eta 38.4, R_a 32, R_l 21.1, R_b 31.5, R_n 12', () => {
    const q = column();
    const [, formula] = en.fire.column(silent, q);
    const [fcd, fyd] = [30 / 1.5, 500 / 1.15];
    const omega = (3927 * fyd) / (122_500 * fcd);
    const mu = 0.7 * 0.7;
    const R = [83 * (1 - (mu * (1 + omega)) / (0.85 + omega)), 1.6 * 20, 9.6 * (5 - 2.8), 0.09 * 350, 12];
    const minutes = 120 * (R.reduce((a, b) => a + b, 0) / 120) ** 1.8;
    expect(formula!.minutes).toBe(Math.floor(minutes));
    expect(minutes).toBeGreaterThan(120);
  });
  test('method A: 350 / 50 at mu 0.49 keeps 120 minutes with eight bars, 90 with four', () => {
    expect(en.fire.column(silent, column())[0]!.minutes).toBe(120);
    expect(en.fire.column(silent, column({ bars: 4 }))[0]!.minutes).toBe(90);
  });
  test('method B: n = 0.7 x 1500 / (0.7 (2450 + 1707)) = 0.361, taken as 0.5, omega 0.697 as 0.5: 300 / 45 for 90 minutes', () => {
    const [, , b] = en.fire.column(silent, column());
    expect(b!.title).toContain('n 0.5, ω 0.5');
    expect(b!.minutes).toBe(90);
  });
  test('what no table covers is said', () => {
    const reasons = (patch: Partial<FireColumn>) => en.fire.column(silent, column(patch)).map((w) => w.reason);
    expect(reasons({ isBraced: false }).every((r) => /braced/.test(r))).toBe(true);
    expect(reasons({ l0: 3500, slenderness: 34.6 })[0]).toMatch(/3 m/);
    expect(reasons({ l0: 3500, slenderness: 34.6 })[2]).toMatch(/slenderness/);
    expect(reasons({ e: 60 })[0]).toMatch(/0.15 b/);
    expect(reasons({ materials: { ...en.defaults, concreteStrength: 90 } })[0]).toMatch(/C80\/95/);
  });
  test('in fire columns of inner storeys are half as long', () => {
    const inner = makeCode({ id: 'en1992', variant: 'recommended', choices: { fireLength: 'inner' } });
    expect(en.fire.column(silent, column({ l0: 4000, height: 4000, slenderness: 39.6 }))[0]!.minutes).toBe(0);
    expect(inner.fire.column(silent, column({ l0: 4000, height: 4000, slenderness: 39.6 }))[0]!.minutes).toBe(120);
  });
  test('strong concrete counts with less width', () => {
    const minutes = (f: number) => en.fire.column(silent, column({ materials: { ...en.defaults, concreteStrength: f } }))[0]!.minutes;
    // 350 - 2 x 0.3 x 50 = 320 is below the 350 of 120 minutes.
    expect([minutes(50), minutes(80)]).toEqual([120, 90]);
  });
  test('critical temperatures of figure 5.1: 350 at all of the strength, 500 at 0.6, 700 at 0.1', () => {
    expect([1, 0.8, 0.6, 0.35, 0.1, 0].map(criticalTemperature)).toEqual([350, 425, 500, 600, 700, 1200]);
    const stress = makeCode({ id: 'en1992', variant: 'recommended', choices: { fireSteel: 'stress' } });
    const slab: FireSlab = { materials: en.defaults, depth: 160, axis: 36, cover: 30, use: 0.5, kind: 'oneWay', ratio: 9 };
    // ks = 0.7 x 0.5 / 1.15 = 0.304: 618 degrees, 11.8 mm less: 120 minutes need 28.2 in place of 40.
    expect(best(en.fire.slab(silent, slab))).toBe(90);
    expect(best(stress.fire.slab(silent, slab))).toBe(120);
  });
  test('continuous beams beyond an hour ask for top bars along the span, 5.6.3(3): where they lack, an hour or the table of simple ones counts', () => {
    const q: FireBeam = {
      materials: en.defaults,
      width: 250,
      axis: 30,
      side: 45,
      cover: 20,
      layers: 1,
      use: 1,
      system: 'continuous',
      topAlong: (reach, fall) => (reach === 0.3 && fall === 2.5 ? 1.2 : 0),
      isRedistributed: false,
    };
    expect(en.fire.beam(silent, q).map((w) => w.minutes)).toEqual([60, 60]);
    expect(en.fire.beam(silent, q)[1]!.reason).toContain('1.20 times');
    // Table 5.6: 90 minutes 250 / 25, 120 minutes 200 / 45 and 300 / 35.
    expect(en.fire.beam(silent, { ...q, topAlong: () => 1 }).map((w) => w.minutes)).toEqual([60, 90]);
    expect(en.fire.beam(silent, { ...q, system: 'simple' })).toHaveLength(1);
    expect(en.fire.beam(silent, { ...q, width: 160 }).map((w) => w.minutes)).toEqual([30, 60]);
    expect(en.fire.beam(silent, { ...q, width: 160, isRedistributed: true }).map((w) => w.minutes)).toEqual([30, 0]);
  });
});

describe('fire to ACI/TMS 216.1', () => {
  const inch = 25.4;
  test('columns: 12 in and 2 in of cover for three hours; an inch of cover for one', () => {
    expect(best(aci.fire.column(silent, column({ width: 12 * inch, cover: 2 * inch })))).toBe(180);
    expect(best(aci.fire.column(silent, column({ width: 14 * inch, cover: 1.5 * inch })))).toBe(90);
    expect(best(aci.fire.column(silent, column({ width: 7.5 * inch, cover: 2 * inch })))).toBe(0);
  });
  test('slabs: 5 in of siliceous concrete and an inch for two hours; carbonate needs 4.6 in', () => {
    const slab: FireSlab = { materials: aci.defaults, depth: 5 * inch, axis: 30, cover: inch, use: 1, kind: 'oneWay', ratio: 9 };
    expect(best(aci.fire.slab(silent, slab))).toBe(120);
    expect(best(aci.fire.slab(silent, { ...slab, cover: 0.75 * inch }))).toBe(90);
    const carbonate = makeCode({ id: 'aci318', variant: 'US', choices: { fireAggregate: 'carbonate' } });
    expect(best(carbonate.fire.slab(silent, { ...slab, depth: 4.6 * inch, cover: 0.75 * inch }))).toBe(120);
  });
  test('beams: 10 in and 1 in for three hours; 5 in permits none of three; restrained ones need less', () => {
    const q: FireBeam = {
      materials: aci.defaults,
      width: 10 * inch,
      axis: 50,
      side: 50,
      cover: inch,
      layers: 1,
      use: 1,
      system: 'simple',
      topAlong: () => 0,
      isRedistributed: false,
    };
    expect(best(aci.fire.beam(silent, q))).toBe(180);
    expect(best(aci.fire.beam(silent, { ...q, width: 5 * inch, cover: 2 * inch }))).toBe(120);
    expect(best(aci.fire.beam(silent, { ...q, width: 4 * inch, cover: 2 * inch }))).toBe(0);
    const held = makeCode({ id: 'aci318', variant: 'US', choices: { fireRestraint: 'restrained' } });
    expect(best(held.fire.beam(silent, q))).toBe(240);
  });
});

describe('fire on the ladder', () => {
  const way = (title: string, minutes: number): FireWay => ({ title, clause: title, minutes, reason: 'reason' });
  test('the best way of the worst part counts; the others stand beside it', () => {
    const parts = [
      { label: 'span 1', ways: () => [way('a', 60), way('b', 90)] },
      { label: 'span 2', ways: () => [way('a', 60), way('b', 30)] },
    ];
    const found = fireChecks({ minutes: 90, isOneSided: false }, en, parts).map((d) => d.check);
    expect(found[0]).toMatchObject({ id: 'fire', status: 'exceeds', utilisation: 1.5, place: { label: 'span 2' } });
    expect(found[1]).toMatchObject({ status: 'notApplicable', reason: '30 min: reason.' });
    expect(fireChecks({ minutes: 60, isOneSided: false }, en, parts)[0]!.check.status).toBe('holds');
    expect(fireChecks({ minutes: null, isOneSided: false }, en, parts)[0]!.check.status).toBe('notApplicable');
  });

  test.each([
    ['en1992', 'recommended'],
    ['aci318', 'SI'],
    ['as3600', '2018'],
  ])('every kind of member has its fire resistance to %s', (id, variant) => {
    const common = {
      fire: { minutes: 60 },
      cases: [
        { id: 'G', nature: 'permanent' },
        { id: 'Q', nature: 'imposed' },
      ],
    };
    const read = readProject({
      format: 'intarsia',
      version: 1,
      code: { id, variant },
      members: [
        { ...common, spans: [{ length: 6000 }], loads: [{ type: 'uniform', case: 'G', value: 10 }] },
        { type: 'strip', ...common, spans: [{ length: 4000 }], loads: [{ type: 'uniform', case: 'Q', value: 3 }] },
        { type: 'panel', ...common, loads: [{ case: 'Q', value: 3 }] },
        { type: 'column', fire: { minutes: 60 }, sets: [{ name: 'L1', N: 600, mxTop: 10, sustained: 0.6 }] },
        { type: 'wall', fire: { minutes: 60, isOneSided: true }, sets: [{ name: 'L1', N: 300, sustained: 0.6 }] },
      ],
    });
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    for (const member of read.project.members) {
      const { checks, faults } = designNow(read.project, member);
      expect(faults).toEqual([]);
      const fire = checks.find((c) => c.id === 'fire')!;
      expect([member.type, fire.family, fire.demand?.kind]).toEqual([member.type, 'fire', 'minutes']);
      expect(fire.capacity!.value * 1440).toBeGreaterThanOrEqual(0);
      expect(['holds', 'exceeds']).toContain(fire.status);
    }
  });

  test('of many load sets the worst one counts: as when each is looked at by itself', () => {
    fc.assert(
      fc.property(
        fc.constantFrom({ id: 'en1992', variant: 'uk' }, { id: 'as3600', variant: '2018' }),
        fc.array(fc.tuple(fc.integer({ min: 100, max: 2500 }), fc.integer({ min: 0, max: 120 }), fc.integer({ min: -60, max: 60 })), {
          minLength: 2,
          maxLength: 8,
        }),
        (code, list) => {
          const sets = list.map(([N, top, foot], i) => ({ name: `L${i}`, N, mxTop: top, mxBottom: foot, myTop: foot / 2, sustained: 0.6 }));
          const minutes = (some: readonly object[]) => {
            const size = code.id === 'as3600' ? 'N24' : '25';
            const bars = { kind: 'sides', corner: size, alongX: 1, sizeX: size, alongY: 1, sizeY: size };
            const shape = { kind: 'rectangle', b: 350, h: 400 };
            const read = readProject({
              format: 'intarsia',
              version: 1,
              code,
              members: [{ type: 'column', height: 2800, cover: 40, shape, bars, fire: { minutes: 60 }, sets: some }],
            });
            if (!read.ok) throw new Error(JSON.stringify(read.faults));
            const found = designNow(read.project, read.project.members[0]!).checks.filter((c) => c.title.startsWith('Fire: '));
            const each = found.map((c) => ({
              isIsotherm: c.title.includes('isotherm'),
              minutes: c.capacity ? Math.round(c.capacity.value * 1440) : Number(/^(\d+) min/.exec(c.reason ?? '')?.[1] ?? Infinity),
            }));
            const most = (isIsotherm: boolean) => Math.max(0, ...each.filter((e) => e.isIsotherm === isIsotherm).map((e) => e.minutes));
            return { tables: most(false), isotherm: most(true) };
          };
          // The isotherm is that of all sets together; a table counts for each by itself.
          const alone = sets.map((s) => minutes([s]));
          const least = (key: 'tables' | 'isotherm') => Math.min(...alone.map((a) => a[key]));
          const together = minutes(sets);
          expect(Math.max(together.tables, together.isotherm)).toBe(Math.max(least('tables'), least('isotherm')));
        },
      ),
      { numRuns: 25 },
    );
  });

  test('every end has its row, each axis by itself a row in words, and the least of the ends is the one that counts', () => {
    const bars = { kind: 'sides', corner: '25', alongX: 1, sizeX: '25', alongY: 1, sizeY: '25' };
    const set = { name: 'L', N: 1500, mxTop: 60, mxBottom: -20, myTop: 30, myBottom: 10, sustained: 0.6 };
    const column = {
      type: 'column',
      height: 2800,
      cover: 40,
      shape: { kind: 'rectangle', b: 350, h: 400 },
      bars,
      fire: { minutes: 60 },
      sets: [set],
    };
    for (const code of [
      { id: 'en1992', variant: 'uk' },
      { id: 'as3600', variant: '2018' },
    ]) {
      const typed = code.id === 'as3600' ? { ...column, bars: { ...bars, corner: 'N24', sizeX: 'N24', sizeY: 'N24' } } : column;
      const read = readProject({ format: 'intarsia', version: 1, code, members: [typed] });
      if (!read.ok) throw new Error(JSON.stringify(read.faults));
      const found = designNow(read.project, read.project.members[0]!).checks.filter((c) => c.family === 'fire');
      const [counts] = found;
      const parts = found.filter((c) => c.id.startsWith('fire-part-'));
      expect([counts!.place.label, ...parts.map((c) => c.place.label)].sort()).toEqual(['foot', 'mid-height', 'top']);
      for (const part of parts) expect(part.capacity!.value).toBeGreaterThanOrEqual(counts!.capacity!.value);
      const alone = found.filter((c) => c.id.startsWith('fire-alone-'));
      expect(alone.map((c) => c.title).sort()).toEqual(
        ['foot', 'mid-height', 'top'].flatMap((end) => [`Fire, ${end}, alone about x`, `Fire, ${end}, alone about y`]).sort(),
      );
      for (const row of alone) expect(row.reason).toMatch(/^\d+ min by /);
    }
  });

  test('the periods are those that may be asked for', () => {
    const ask = (minutes: unknown) => readProject({ format: 'intarsia', version: 1, members: [{ fire: { minutes } }] });
    for (const p of FIRE_PERIODS) expect(ask(p).ok).toBe(true);
    const wrong = ask(45);
    expect(!wrong.ok && wrong.faults[0]!.path).toBe('members[0].fire.minutes');
  });
});

test('top bars of a continuous beam in fire: the ratio said is that of the curves of steel needed and there', () => {
  const read = readProject(JSON.parse(readFileSync('examples/alderlight-playhouse.intarsia', 'utf8')));
  if (!read.ok) throw new Error('demo');
  const member = read.project.members.find((m) => m.id === 'g2') as BeamMember;
  const result = designNow(read.project, { ...member, fire: { minutes: 120, isOneSided: false } }) as BeamResult;
  const said = Number(/: ([\d.]+) times/.exec(result.checks.find((k) => k.title === 'Fire: continuous beam')!.reason!)![1]);
  const { x, requiredTop, providedTop } = result.strips!;
  // Span 1 of g2 meets one inner support: 0.3 of the longer span to both sides of it.
  const lengths = member.spans.map((s) => s.length);
  const at = lengths[0]!;
  const l = Math.max(lengths[0]!, lengths[1]!);
  const near = [...x.keys()].filter((i) => Math.abs(x[i]! - at) <= member.supports[1]!.width / 2 + 1);
  const needed = Math.max(...near.map((i) => requiredTop[i]!));
  const ratios = [...x.keys()]
    .filter((i) => Math.abs(x[i]! - at) <= 0.3 * l)
    .map((i) => (needed * (1 - (2.5 * Math.abs(x[i]! - at)) / l)) / providedTop[i]!);
  expect(said).toBeGreaterThanOrEqual(Math.max(...ratios) - 0.006);
  expect(said).toBeLessThan(Math.max(...ratios) * 1.08);
});
