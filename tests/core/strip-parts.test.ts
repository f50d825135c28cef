import { silent } from '@/core/calc/calc';
import { nothingDesigned } from '@/core/checks/result';
import { kindOf } from '@/core/members/kinds';
import fc from 'fast-check';
import { proposeStrip, slabBuildability } from '@/core/members/strip/proposals';
import { isSetByHand, singleChanges, rankChanges, tryChanges, type Change } from '@/core/advice/single-changes';
import { costRates, usualRates } from '@/core/advice/rates';
import { elevationDrawing } from '@/core/members/beam/drawing/elevation';
import { keyOf, type Drawing } from '@/core/drawing/shapes';
import { slabSectionDrawing } from '@/core/members/strip/drawing/section';
import { stripPlan } from '@/core/members/strip/drawing/plan';
import { makeCheck } from '@/core/checks/check';
import { grossOf, outlineOf, plainOf, prepareBeam } from '@/core/members/beam/prepared';
import { stripAsBeam, stripWidth } from '@/core/members/strip/as-beam';
import { stripCut } from '@/core/members/strip/cut';
import { stripLoadText } from '@/core/members/strip/load-text';
import { checkPerWidth, handCheckPerWidth, showPerWidth } from '@/core/members/strip/per-width';
import { stretchesWithTop } from '@/core/members/strip/model';
import { designNow } from '@/core/project/design-member';
import { layerLabel } from '@/core/members/parts/bar-labels';
import { codeOf } from '@/core/members/member';
import type { StripLoad, StripMember } from '@/core/members/strip/input';
import { readProject } from '@/core/project/read';
import { groupsIn, layerOf, layingScore, slabBarFaults, slabOptions } from '@/core/reinforcement/slab-bars';
import { memberSchedule, modelOf } from '@/core/project/as-built';
import { readLoads } from '@/exchange/paste-loads';
import { stripWords } from '@/features/strip/loads';
import { resultsToJson } from '@/exchange/result-json';
import { scheduleTable } from '@/core/schedule/schedule-table';

function slab(change: object = {}, code: object = { id: 'en1992', variant: 'uk' }, rest: object = {}) {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code,
    members: [
      {
        type: 'strip',
        mark: 'S1',
        h: 200,
        breadth: 6000,
        cover: { top: 25, bottom: 25 },
        spans: [{ length: 4000 }, { length: 4000 }],
        supports: [{ width: 200 }, { width: 200 }, { width: 200 }],
        cases: [
          { id: 'G', nature: 'permanent' },
          { id: 'Q', nature: 'imposed' },
        ],
        loads: [
          { type: 'uniform', case: 'G', value: 2 },
          { type: 'partial', case: 'Q', span: 1, from: 500, to: 3000, value: 5 },
          { type: 'line', case: 'G', span: 0, at: 2000, force: 4 },
          { type: 'point', case: 'Q', span: 0, at: 1000, load: 9, width: 900 },
        ],
        ...change,
      },
    ],
    ...rest,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const member = read.project.members[0] as StripMember;
  return { project: read.project, member, result: designNow(read.project, member, 'all'), code: codeOf(read.project, member) };
}

/** Every shape stands on its sheet, give or take, at finite places. */
function expectSane(d: Drawing, slack = 40) {
  for (const s of d.shapes)
    for (const [x, y] of s.kind === 'path' ? s.points : [s.at]) {
      expect(x > -slack && x < d.width + slack).toBe(true);
      expect(y > -slack && y < d.height + slack).toBe(true);
    }
}
const edits = (d: Drawing) => d.shapes.flatMap((s) => (s.kind === 'text' && s.edit ? [keyOf(s.edit)] : []));
const frame = { width: 748, left: 100, right: 714 };

describe('layers of bars', () => {
  it('area and number in a strip', () => {
    // 113.1/150 = 0.754 mm2/mm; in a metre 6.67 bars
    expect(layerOf({ size: '12', alternate: null, spacing: 150 }, 'metric').area).toBeCloseTo(0.754, 3);
    expect(groupsIn({ size: '12', alternate: null, spacing: 150 }, 1000)).toEqual([{ count: 1000 / 150, size: '12' }]);
    const mixed = groupsIn({ size: '16', alternate: '12', spacing: 125 }, 1000);
    expect(mixed).toEqual([
      { count: 4, size: '16' },
      { count: 4, size: '12' },
    ]);
    expect(layerOf({ size: '16', alternate: '12', spacing: 125 }, 'metric')).toEqual({
      area: expect.closeTo((201.06 + 113.1) / 2 / 125, 3) as number,
      diameter: 16,
    });
  });
  it('what may be chosen: the usual, or what the office allows, closest first', () => {
    const all = slabOptions({ catalogue: 'metric', barRules: { sizes: [], spacings: [] } });
    expect(all).toHaveLength(5 * 8);
    const own = slabOptions({ catalogue: 'metric', barRules: { sizes: ['12'], spacings: [300, 150] } });
    expect(own.map((o) => o.spacing)).toEqual([150, 300]);
    expect(slabOptions({ catalogue: 'us', barRules: { sizes: [], spacings: [] } })[0]).toEqual({
      size: '#3',
      alternate: null,
      spacing: 4 * 25.4,
    });
  });
  it('close bars weigh more than their steel', () => {
    expect(layingScore(1, 200)).toBe(1);
    expect(layingScore(1, 100)).toBeCloseTo(1.05, 9);
  });
  it('sizes and spacings that cannot be meant', () => {
    expect(slabBarFaults('p', { size: '12', alternate: '13', spacing: 150 }, 'metric')[0]).toMatchObject({ path: 'p.size' });
    expect(slabBarFaults('p', { size: '12', alternate: null, spacing: 1500 }, 'metric')[0]).toMatchObject({ path: 'p.spacing' });
    expect(slabBarFaults('p', { size: '12', alternate: null, spacing: 150 }, 'metric')).toEqual([]);
    expect(slabBarFaults('p', null, 'metric')).toEqual([]);
  });
});

describe('the strip as a beam', () => {
  const { project, member } = slab();
  it('loads on its width: areas and lines times it, points by the width that shares them', () => {
    const { loads } = stripAsBeam(member, 1000);
    expect(loads[0]).toMatchObject({ type: 'uniform', value: 2 });
    expect(loads[1]).toMatchObject({ type: 'partial', from: 500, to: 3000, value: 5 });
    expect(loads[2]).toMatchObject({ type: 'point', at: 2000, force: 4000 });
    expect(loads[3]).toMatchObject({ type: 'point', at: 1000, force: 10_000 });
    expect((stripAsBeam(member, 304.8).loads[2] as { force: number }).force).toBeCloseTo(4 * 304.8, 9);
  });
  it('is made ready once: the same sections for every step, their properties those of the width', () => {
    const beam = prepareBeam(stripAsBeam(member, 304.8), codeOf(project, member));
    expect(plainOf(beam, 1, 'hogging')).toBe(plainOf(beam, 1, 'hogging'));
    expect(outlineOf(beam, 1)).toMatchObject({ b: 304.8, h: member.h });
    // b h^3 / 12
    expect(grossOf(beam, 0).inertia).toBeCloseTo((304.8 * member.h ** 3) / 12, 3);
    expect(beam.starts).toEqual([0, member.spans[0]!.length, member.spans[0]!.length + member.spans[1]!.length]);
    expect([stripWidth('SI'), stripWidth('US')]).toEqual([1000, 304.8]);
  });
  it('values per length', () => {
    const made = makeCheck({
      id: 'x',
      family: 'bending',
      title: '',
      clause: '',
      demand: { value: 25e6, kind: 'moment' },
      capacity: { value: 0.3, kind: 'crack' },
      utilisation: 0.5,
      place: { x: null, label: '' },
    });
    expect(checkPerWidth(made, 1000).check).toMatchObject({
      demand: { value: 25e3, kind: 'lineTorque' },
      capacity: { value: 0.3, kind: 'crack' },
    });
    expect(showPerWidth(1000, 'SI')(25e6, 'moment')).toBe('25.0 kNm/m');
    expect(showPerWidth(1000, 'SI')(452, 'area')).toBe('452 mm²/m');
    expect(showPerWidth(304.8, 'US')(4448.22, 'force')).toBe('1.00 kip/ft');
    expect(handCheckPerWidth({ title: '', kind: 'force', byHand: 5000, byAnalysis: 5000, agrees: true }, 1000)).toMatchObject({
      kind: 'lineLoad',
      byHand: 5,
    });
  });
  it.each([
    [0, '2.00 kN/m²'],
    [1, '5.00 kN/m²'],
    [2, '4.0 kN/m'],
    [3, '9.0 kN over 900 mm'],
  ])('load %d in figures', (i, text) => {
    expect(stripLoadText(member.loads[i]!, 'SI')).toBe(text);
  });
});

describe('drawings', () => {
  const { project, member, result, code } = slab({
    bars: { bottom: [{ extra: { bars: { size: '10', spacing: 300 }, from: 800, to: 3200 } }] },
  });
  const name = (bars: Parameters<typeof layerLabel>[0]) => layerLabel(bars, project);
  it('elevation: every load by its figure, bars by size at spacing, ends with handles', () => {
    const beam = stripAsBeam(member, 1000);
    const d = elevationDrawing(
      {
        beam,
        steel: result.steel,
        bars: modelOf(project, member, result).bars,
        units: 'SI',
        barLabel: name,
        loadLabel: (k) => stripLoadText(member.loads[k]!, 'SI'),
      },
      frame,
    );
    expectSane(d);
    expect(edits(d)).toEqual(expect.arrayContaining(['load.0', 'load.3', 'bottom.0', 'extra.0', 'over.1']));
    const texts = d.shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
    expect(texts).toContain('Q 9.0 kN over 900 mm');
    expect(texts.some((t) => /^H\d+ @ \d+( \+)?$/.test(t))).toBe(true);
    expect(d.shapes.filter((s) => s.kind === 'circle' && s.drag).length).toBeGreaterThan(4);
  });
  it('plan: supports, one bar of each layer, bars across and the breadth', () => {
    const d = stripPlan(
      { strip: member, steel: result.steel, bars: modelOf(project, member, result).bars, barLabel: name, breadth: '6.00 m' },
      frame,
    );
    expectSane(d);
    expect(edits(d)).toEqual(['across.bottom', 'across.top', 'breadth']);
    expectSane(stripPlan({ strip: member, steel: null, bars: [], barLabel: name, breadth: '' }, frame));
  });
  it('cut: bars at their spacing, those across as a line, the compressed zone on the far face', () => {
    for (const [x, sense] of [
      [2000, 'sagging'],
      [4000, 'hogging'],
    ] as const) {
      const cut = stripCut(member, code, result.steel!, 1000, x, sense);
      expect(cut.resistance!.moment).toBeGreaterThan(0);
      const layer = (l: (typeof cut.top)[number], i: number) => ({ bars: l.bars, label: name(l.bars), edit: l.source, isBetween: i > 0 });
      const d = slabSectionDrawing(
        {
          h: cut.h,
          width: 1000,
          cover: member.cover,
          catalogue: member.catalogue,
          top: cut.top.map(layer),
          bottom: cut.bottom.map(layer),
          across: result.steel!.across,
          outer: member.outer,
          labels: { h: '200', width: 'a metre', coverTop: 'c 25', coverBottom: 'c 25' },
          depthEdit: { of: 'depth', span: null },
          block: { face: sense === 'sagging' ? 'top' : 'bottom', depth: 10 },
        },
        328,
        132,
      );
      expectSane(d);
      const discs = d.shapes.filter((s) => s.kind === 'circle').length;
      const expected = [...cut.top, ...cut.bottom].reduce((sum, l) => sum + 1000 / l.bars.spacing, 0);
      expect(Math.abs(discs - expected)).toBeLessThanOrEqual(3);
      expect(edits(d)).toEqual(expect.arrayContaining(['depth', 'cover.top', 'cover.bottom', `bottom.${cut.span}`]));
    }
  });
  it('the report has elevation, plan, bending, shear and what is in service, without handles', () => {
    const list = kindOf(member).figures(member, result, project);
    expect(list.length).toBeGreaterThanOrEqual(5);
    for (const { drawing } of list) {
      expectSane(drawing);
      expect(drawing.shapes.some((s) => (s.kind === 'circle' && s.drag) || (s.kind === 'text' && s.text === '+'))).toBe(false);
    }
    expect(list.some((d) => d.caption.includes('kNm/m'))).toBe(true);
  });
});

describe('schedule and amounts by hand', () => {
  const layer = { size: '12', spacing: 200 };
  const { project, member, result, code } = slab({
    bars: {
      bottom: [{ main: layer }, { main: layer }],
      support: [{}, { bars: { size: '12', spacing: 150 }, left: 1000, right: 1000 }, {}],
      across: { bottom: { size: '8', spacing: 250 }, top: { size: '8', spacing: 300 } },
    },
    choices: { heldEnds: 'free' },
  });
  const { items } = memberSchedule(project, member, result);
  const of = (place: RegExp) => items.find((k) => place.test(k.place))!;
  it('numbers: one more than the spaces over the breadth', () => {
    // Between the covers 6000 - 2 x 25 - 12 = 5938: 5938/200 = 29.7, 30 spaces and 31 bars in each of two spans, alike: one mark of 62; 5938/150 = 39.6: 41
    expect(of(/bottom, span 1/)).toMatchObject({ count: 62, size: '12' });
    expect(of(/support B/)).toMatchObject({ count: 41, length: 2000, shapeCode: '00' });
  });
  it('bars across: over the whole length, as long as the breadth less both covers', () => {
    // Below (8000 - 2 x 25 - 8)/250 = 31.8: 33; over 2000 mm of top bars (2000 - 8)/300 = 6.6: 8; one mark of 41
    expect(of(/across/)).toMatchObject({ count: 41, length: 5950 });
    expect(stretchesWithTop(member, result.steel!)).toEqual([[3000, 5000]]);
  });
  it('concrete, formwork and steel of the whole slab', () => {
    const q = result.quantities!;
    expect(q.concrete / 1e9).toBeCloseTo(0.2 * 6 * 8, 9);
    expect(q.formwork / 1e6).toBeCloseTo(48, 9);
    // 62H12 from 75 mm beyond the end support to half a lap beyond the inner one, 41H12 of 2 m over it, 41H8 across of 5.95 m.
    const question = { materials: member.materials, diameter: 12, isTop: false, h: 200, cover: 25, clear: 188, isBent: false };
    const lap = code.anchorage.lap(silent, question, 1) / 1000;
    expect(q.bars).toBeCloseTo(0.8878 * (62 * (4 + 0.075 + lap / 2) + 41 * 2) + 0.3946 * 41 * 5.95, 0);
    expect(q.links).toBe(0);
  });
  it('is written for the screen and the report', () => {
    const table = scheduleTable(memberSchedule(project, member, result), 'SI');
    expect(table.rows).toHaveLength(items.length);
    expect(table.foot).toMatch(/Together/);
  });
  it('ends that are held bend their top bars down', () => {
    const held = slab();
    const top = memberSchedule(held.project, held.member, held.result).items.find((k) => /support A/.test(k.place))!;
    expect(top.shapeCode).toBe('11');
    expect(top.dimensions).toHaveLength(2);
  });
});

describe('what is said of a slab', () => {
  const { project, member, result } = slab();
  it('facts, labels and JSON', () => {
    const facts = Object.fromEntries(kindOf(member).facts(member, result, project));
    expect(facts.Slab).toMatch(/200 mm deep, a strip a metre wide/);
    const [loads] = kindOf(member).inputTables(member, result, project, 'full');
    expect(loads?.kind === 'table' && loads.rows.map((r) => `${String(r[0])} ${String(r[3])}`)).toContain('Q 9.0 kN over 900 mm');
    expect(facts['Cover to the outer bars']).toMatch(/along the span/);
    expect(kindOf(member).sizeLabel(member, 'SI')).toBe('200 deep');
    expect(kindOf(member).steelLabel(member, result, project)).toMatch(/ \/ .*across/);
    const json = resultsToJson(project, [{ member, result }]).members[0] as unknown as { stripWidth: unknown; reactions: unknown[] };
    expect(json.stripWidth).toEqual({ value: 1000, unit: 'mm' });
    expect(json.reactions).toHaveLength(3);
    expect(JSON.stringify(json)).not.toMatch(/NaN/);
  });
});

describe('pasted loads', () => {
  const cases = [
    { id: 'G', title: 'Floor', nature: 'permanent' as const, category: 'A' as const, pattern: false },
    { id: 'Q', title: 'People', nature: 'imposed' as const, category: 'A' as const, pattern: true },
  ];
  it('units, decimal commas, names of cases and headings are understood', () => {
    const read = readLoads(
      'Case;Type;Span;Value;From;To\nPeople;part;1;2,5;0,5 m;2 m\nG;area;all;150 kg/m2\ng;line;2;3 kN/m;1500',
      stripWords,
      { cases, spans: [0, 1] },
      'SI',
    );
    expect(read.loads).toEqual([
      { type: 'partial', case: 'Q', note: '', span: 0, value: 2.5e-3, from: 500, to: 2000 },
      { type: 'line', case: 'G', note: '', span: 1, force: 3, at: 1500 },
    ]);
    expect(read.refused.map((r) => r.row)).toEqual([3]);
  });
  it('any text gives loads or reasons, never an error', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 120 }), (text) => {
        const { loads, refused } = readLoads<StripLoad>(text, stripWords, { cases, spans: [0, 1] }, 'SI');
        for (const l of loads) expect(Object.values(l).every((v) => typeof v !== 'number' || Number.isFinite(v))).toBe(true);
        expect(refused.every((r) => r.reason.length > 5)).toBe(true);
      }),
    );
  });
});

describe('ways forward', () => {
  it('spacings that hold come ranked; each was designed in full', () => {
    const { project, member, code } = slab();
    const found = proposeStrip(member, code, 'arrangements', project.rates);
    expect(found.length).toBeGreaterThan(1);
    expect(found.every((p) => p.holds && p.utilisation <= 1.0005 && p.cost > 0)).toBe(true);
  });
  it('a thicker slab costs more concrete and is used less', () => {
    const { project, member, code } = slab();
    const list = proposeStrip(member, code, 'changes', project.rates, 20);
    const deep = list.find((p) => p.title === 'depth 275 mm')!;
    expect(deep.carbon).toBeGreaterThan(1);
    expect(list.some((p) => p.isAnew)).toBe(false);
  });
  it('layers set by hand stay; letting go of them is listed apart', () => {
    const { project, member, code } = slab();
    const own = { size: '12', alternate: null, spacing: 200 };
    const byHand = { ...member, bars: { ...member.bars, bottom: member.bars.bottom.map((b) => ({ ...b, main: own })) } };
    const list = proposeStrip(byHand, code, 'changes', project.rates, 20);
    for (const way of list) {
      const { bars } = { ...byHand, ...way.change };
      expect([way.title, isSetByHand(bars)]).toEqual([way.title, way.isAnew !== true]);
      if (!way.isAnew) expect(bars).toBe(byHand.bars);
      else expect(way.title).toMatch(/bars chosen anew$/);
    }
    expect(list.some((w) => w.isAnew) && list.some((w) => !w.isAnew)).toBe(true);
  });
  it('a slab with faults has no ways', () => {
    const { project, member, code } = slab();
    expect(proposeStrip({ ...member, h: 20 }, code, 'changes', project.rates)).toEqual([]);
  });
  it('few kinds and wide spacings are easier to lay', () => {
    const steel = (spacings: readonly number[]) => ({
      steel: {
        bottom: spacings.map((spacing) => ({ main: { size: '12', alternate: null, spacing }, extra: null })),
        top: spacings.map(() => ({ main: null })),
        support: [],
        across: { bottom: { size: '8', alternate: null, spacing: 250 }, top: null },
      },
    });
    expect(slabBuildability(steel([200, 200]))).toBeGreaterThan(slabBuildability(steel([100, 150])));
    expect(slabBuildability({ steel: null })).toBe(0);
  });
  it('changes are weighed against the member as it is, and those that hold come first', () => {
    const check = (utilisation: number) =>
      makeCheck({
        id: 'c',
        family: 'bending',
        title: 'Bending',
        clause: '',
        demand: null,
        capacity: null,
        utilisation,
        place: { x: null, label: '' },
      }).check;
    const trial = {
      now: 10,
      rates: usualRates,
      design: (m: number) => ({
        ...nothingDesigned(m < 0 ? [{ path: 'h', reason: 'no' }] : []),
        type: 'toy',
        checks: [check(10 / m)],
        governing: check(10 / m),
        quantities: m < 0 ? null : { concrete: m * 1e9, bars: 0, links: 0, formwork: 0 },
      }),
      applied: (m: number, by: number) => m + by,
      strength: () => 30,
      buildability: () => 1,
    };
    const found = tryChanges(trial, [
      { title: 'thin', about: 'h', change: -5 },
      { title: 'thick', about: 'h', change: 10 },
      { title: 'impossible', about: 'h', change: -20 },
    ]);
    expect(found.map((f) => [f.title, f.holds, f.cost])).toEqual([
      ['thin', false, 0.5],
      ['thick', true, 2],
    ]);
    // From 4, which is 2.5 times over: no step of these reaches the 10 that holds, two of different kinds do.
    const steps = (m: number) => [
      { title: 'three more', about: 'a', change: { by: 3 } },
      { title: 'five more', about: 'b', change: { by: 5 } },
      { title: 'one less', about: 'a', change: { by: -1 } },
      { title: 'as it is', about: 'b', change: { by: 0 * m } },
    ];
    const toy = {
      now: { m: 4, by: 0 },
      rates: usualRates,
      design: ({ m, by }: { m: number; by: number }) => trial.design(m + by),
      applied: (t: { m: number; by: number }, c: { by?: number }) => ({ ...t, ...c }),
      strength: () => 30,
      buildability: () => 1,
    };
    const after = (n: { m: number; by: number }) => steps(n.m).map((s) => ({ ...s, change: { by: n.by + s.change.by } }));
    const ways = singleChanges<{ m: number; by: number }, { by: number }, ReturnType<typeof trial.design>>(toy, after);
    // 4 + 3 + 5 = 12 holds, by either step first: one of the two. 4 + 5 = 9 and 4 + 3 = 7 mend in part, 3 makes worse, 4 changes nothing.
    expect(ways.map((w) => [w.title, w.holds, w.isPair === true])).toEqual([
      ['five more and three more', true, true],
      ['three more', false, false],
      ['five more', false, false],
    ]);
    expect(rankChanges(found as Change<number>[]).map((f) => f.title)).toEqual(['thick', 'thin']);
    expect(tryChanges({ ...trial, now: -1 }, [{ title: 'x', about: 'h', change: 1 }])).toEqual([]);
    expect(costRates.concrete).toBe(100);
  });
});
