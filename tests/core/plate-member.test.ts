import { checkOf, corners, slabOf, slabs } from './plate-slabs';
import { significant } from '@/core/calc/typeset';
import type { PlateInput, PlateMember } from '@/core/members/plate/input';
import { platePlan } from '@/core/members/plate/drawing';
import { plateLabels } from '@/core/members/plate/labels';
import { chords } from '@/core/members/plate/straight-bars';
import { plateMaps, type PlateResult } from '@/core/members/plate/result';
import { kindOf } from '@/core/members/kinds';
import { workOf } from '@/core/members/works';
import { codeOf } from '@/core/members/member';
import { memberSchedule, modelOf } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { writeProject } from '@/core/project/write';
import { resultsToJson } from '@/exchange/result-json';
import { box, type Point } from '@/core/geometry/polygon';

const { project, design } = slabs((more) => ({
  meshSize: 400,
  outline: corners(box(0, 0, 6000, 5000)),
  ...more,
  // One mesh for each layer unless a test asks for bars beside them.
  bars: { extra: [], ...(more as { bars?: object }).bars },
}));
const memberOf = slabOf;
const check = checkOf;
const section = (r: PlateResult, face: string, along: string) => r.sections.find((s) => s.face === face && s.along === along);

describe('a slab as a plate, by hand', () => {
  // 1.35 (0.2 x 25 + 1.5) + 1.5 x 3 = 13.275 kN/m2
  const w = 13.275e-3;

  test('square, simple edges: 0.0442 w a2 in the middle with 0.2 for Poisson, twisting at the corners above and below', () => {
    const r = design({ outline: corners(box(0, 0, 5000, 5000)) });
    expect(r.load).toBeCloseTo(w, 9);
    // 0.0368 (1 + 0.2) w a2 = 0.04416 x 13.275 x 25 = 14.66 kNm/m
    expect(Math.max(...r.maps!.mx!) / (0.04416 * w * 5000 ** 2)).toBeCloseTo(1, 1);
    expect(Math.max(...r.maps!.mx!)).toBeCloseTo(Math.max(...r.maps!.my!), -3);
    // mxy at a corner: 0.0463 (1 - 0.2) w a2 = 12.3 kNm/m, carried by bars of both directions at both faces.
    for (const along of ['x', 'y']) expect(section(r, 'top', along)!.moment / (0.0371 * w * 5000 ** 2)).toBeCloseTo(1, 1);
    expect(r.handChecks.map((h) => [h.title.split(',')[0], h.agrees])).toEqual([
      ['Sum of loads and of reactions', true],
      ['Largest elastic deflection at that load: thin plate', true],
    ]);
  });
  test('corners that may lift: less twisting there, more moment in the middle; the plan shows where', () => {
    const edges = { outline: corners(box(0, 0, 5000, 5000)) };
    const [held, lifting] = [design(edges), design({ ...edges, corners: 'lift' })];
    expect(lifting.lifted.length).toBeGreaterThan(4);
    expect(held.lifted).toEqual([]);
    expect(section(lifting, 'bottom', 'x')!.moment).toBeGreaterThan(1.02 * section(held, 'bottom', 'x')!.moment);
    expect(lifting.handChecks.map((h) => h.agrees)).toEqual([true]);
    const p = project({ ...edges, corners: 'lift' });
    const drawing = platePlan({ plate: memberOf(p), result: lifting, map: 'mx', labels: plateLabels(p, memberOf(p), 'mx') }, 740, 600);
    expect(drawing.shapes.some((s) => s.kind === 'text' && s.text.startsWith('lifts off'))).toBe(true);
    // Loads that change where it lifts change the plate.
    const heavy = design({ ...edges, corners: 'lift', loads: [{ type: 'point', case: 'G', x1: 100, y1: 100, force: 200e3 }] });
    expect(heavy.lifted).not.toEqual(lifting.lifted);
  });
  test('one way, two edges free and no Poisson: a beam, w l2 / 8', () => {
    const r = design({ outline: corners(box(0, 0, 4000, 3000), ['free', 'simple', 'free', 'simple']), poisson: 0, meshSize: 150 });
    // 13.275 x 16 / 8 = 26.55 kNm/m
    expect(section(r, 'bottom', 'x')!.moment / ((w * 4000 ** 2) / 8)).toBeCloseTo(1, 2);
    // Nothing to speak of across, where a mesh lies all the same.
    expect(section(r, 'bottom', 'y')!.moment).toBeLessThan(0.02 * section(r, 'bottom', 'x')!.moment);
    // Above only what edges that hold a little ask for.
    expect(section(r, 'top', 'x')!.moment).toBeLessThan(0.02 * section(r, 'bottom', 'x')!.moment);
  });
  test('over a wall in the middle it hogs as a beam of two spans', () => {
    const r = design({
      outline: corners(box(0, 0, 8000, 3000), ['free', 'simple', 'free', 'simple']),
      walls: [{ x1: 4000, y1: 0, x2: 4000, y2: 3000 }],
      poisson: 0,
      meshSize: 120,
    });
    // Two spans of 4 m: w l2 / 8 over the wall; in the spans 9/128 of the permanent 8.775 and 49/512 of the imposed 4.5, which may be on one of them.
    expect(section(r, 'top', 'x')!.moment / ((w * 4000 ** 2) / 8)).toBeCloseTo(1, 1);
    expect(section(r, 'bottom', 'x')!.moment / (((9 / 128) * 8.775e-3 + (49 / 512) * 4.5e-3) * 4000 ** 2)).toBeCloseTo(1, 1);
    expect(section(r, 'top', 'x')!.at[0]).toBeCloseTo(4000, 0);
    // Shear at d from the wall: 5/8 w l - w d, by a triangle that reaches there; its middle lies less than a side away.
    const d = section(r, 'top', 'x')!.d;
    const shear = check(r, 'shear').demand!.value;
    expect(shear).toBeGreaterThan(0.99 * (0.625 * w * 4000 - w * d));
    expect(shear).toBeLessThan(1.02 * (0.625 * w * 4000 - w * (d - 120)));
  });
  test('wind that lifts it asks for steel above', () => {
    const more = {
      outline: corners(box(0, 0, 4000, 3000), ['free', 'simple', 'free', 'simple']),
      poisson: 0,
      cases: [
        { id: 'G', title: 'Permanent', nature: 'permanent' },
        { id: 'W', title: 'Suction', nature: 'wind' },
      ],
      loads: [{ case: 'W', value: -12 }],
    };
    const r = design(more);
    // Wind acts in both senses. 1.0 x 5 - 1.5 x 12 = -13 kN/m2: 13 x 16 / 8 = 26 kNm/m above; below 1.35 x 5 + 18 = 24.75: 49.5.
    expect(section(r, 'top', 'x')!.moment / ((13e-3 * 4000 ** 2) / 8)).toBeCloseTo(1, 2);
    expect(section(r, 'bottom', 'x')!.moment / ((24.75e-3 * 4000 ** 2) / 8)).toBeCloseTo(1, 2);
    // The steps of the top bars begin from the load that lifts: mx is -26 kNm/m, not that of the heaviest load.
    const p = project(more);
    const top = designNow(p, memberOf(p), 'all').checks.find((c) => c.id === 'bending-top-x')!;
    const mx = top.derivation!.find((s) => s.kind !== 'note' && s.kind !== 'table' && s.value < -20e3);
    expect(mx).toMatchObject({ kind: expect.anything() });
    expect(top.combination).not.toBe(check(r, 'bending-bottom-x').combination);
  });
});

describe('what was set, and what cannot be', () => {
  test('meshes set by hand stay, and fail where they are too few', () => {
    const thin = { size: '8', alternate: null, spacing: 300 };
    const r = design({ outline: corners(box(0, 0, 7000, 7000)), bars: { bottom: { x: thin } } });
    expect(section(r, 'bottom', 'x')!.bars).toEqual([thin]);
    expect(check(r, 'bending-bottom-x').status).toBe('exceeds');
    expect(check(r, 'bending-bottom-y').status).not.toBe('exceeds');
  });
  test.each<[string, object, RegExp]>([
    [
      'edges that cross',
      {
        outline: corners([
          [0, 0],
          [6000, 5000],
          [6000, 0],
          [0, 5000],
        ]),
      },
      /cross each other/,
    ],
    [
      'two corners',
      {
        outline: corners([
          [0, 0],
          [6000, 0],
        ]),
      },
      /at least three corners/,
    ],
    [
      'a corner on the next',
      {
        outline: corners([
          [0, 0],
          [6000, 0],
          [6000, 5],
          [0, 5000],
        ]),
      },
      /lies on the next one/,
    ],
    ['nothing that holds it', { outline: corners(box(0, 0, 6000, 5000), Array(4).fill('free')) }, /Nothing holds the slab/],
    ['an opening outside', { openings: [{ corners: box(5000, 1000, 7000, 2000) }] }, /does not lie within the slab/],
    [
      'openings on each other',
      { openings: [{ corners: box(1000, 1000, 2000, 2000) }, { corners: box(1500, 1500, 2500, 2500) }] },
      /overlaps opening 1/,
    ],
    ['a wall outside', { walls: [{ x1: 7000, y1: 0, x2: 8000, y2: 0 }] }, /does not lie under the slab/],
    ['covers without room', { h: 80 }, /leave no room/],
    ['an odd Poisson', { poisson: 0.6 }, /between 0 and 0\.3/],
    ['a load of no case', { loads: [{ case: 'X', value: 1 }] }, /no load case/],
  ])('%s: a word at its field, and nothing is worked out', (_, more, reason) => {
    const r = design(more);
    expect(r.faults.map((f) => f.reason).join(' ')).toMatch(reason);
    expect(r.checks).toEqual([]);
    expect(r.mesh).toBeNull();
  });
  test('a slab on one hinge can turn: said, not worked out', () => {
    const r = design({ outline: corners(box(0, 0, 6000, 5000), ['simple', 'free', 'free', 'free']) });
    expect(r.governing!.status).toBe('failed');
    expect(r.governing!.reason).toMatch(/move or turn without resistance/);
  });
  test('without loads nothing is designed, and that is said', () => {
    const r = design({ loads: [], selfWeight: false });
    expect(r.mesh).toBeNull();
    expect(r.checks).toHaveLength(1);
  });
});

describe('properties', () => {
  const ell: Point[] = [
    [0, 0],
    [7000, 0],
    [7000, 3000],
    [4000, 3000],
    [4000, 6000],
    [0, 6000],
  ];
  const opening = [
    [1000, 1000],
    [2200, 1000],
    [2200, 1900],
    [1000, 1900],
  ] as const;
  const peak = (r: PlateResult, face: string, along: string) => section(r, face, along)?.moment ?? 0;

  test('the mirror image of a slab has the same moments, within its mesh', () => {
    const flip = ([x, y]: readonly [number, number]): Point => [-x, y];
    // Edges run from corner to corner: mirrored and taken the other way round each belongs to the corner before.
    const a = design({ outline: corners(ell), openings: [{ corners: opening }], meshSize: 200 });
    const b = design({ outline: corners([...ell].reverse().map(flip)), openings: [{ corners: opening.map(flip) }], meshSize: 200 });
    for (const along of ['x', 'y']) expect(peak(b, 'bottom', along) / peak(a, 'bottom', along)).toBeCloseTo(1, 1);
    expect(Math.max(...b.maps!.deflection!) / Math.max(...a.maps!.deflection!)).toBeCloseTo(1, 2);
  });
  test('peaks are means over a width: the wider it is the less is asked; what stands at an inner corner is named as not covered', () => {
    const at = (spread: number | null) => design({ outline: corners(ell), meshSize: 200, spread });
    const top = (r: PlateResult) => section(r, 'top', 'x')!.moment;
    const [none, usual, wide] = [at(0), at(null), at(1200)];
    expect(top(usual)).toBeLessThan(top(none));
    expect(top(wide)).toBeLessThan(top(usual));
    // Three times 200 mm is the usual width.
    expect(top(usual)).toBeCloseTo(top(at(600)), 6);
    expect(check(usual, 'shear').status).not.toBe('exceeds');
    const said = (r: PlateResult) => r.checks.some((c) => c.status === 'notCovered' && c.title.startsWith('Punching at inner corners'));
    expect(said(usual)).toBe(true);
    expect(said(design({ meshSize: 400 }))).toBe(false);
  });
  test('turned by a quarter, x and y change places', () => {
    const a = design({ outline: corners(box(0, 0, 6000, 4000)) });
    const b = design({ outline: corners(box(0, 0, 4000, 6000)), outer: 'y' });
    expect(peak(b, 'bottom', 'x') / peak(a, 'bottom', 'y')).toBeCloseTo(1, 1);
    expect(peak(b, 'bottom', 'y') / peak(a, 'bottom', 'x')).toBeCloseTo(1, 1);
  });
  test('more load asks for no less; a deeper slab of the same load bends less; holding an edge bends less', () => {
    const most = (r: PlateResult) => Math.max(...r.maps!.deflection!);
    const base = { outline: corners(ell), selfWeight: false };
    const more = design({
      ...base,
      loads: [
        { case: 'G', value: 1.5 },
        { case: 'Q', value: 5 },
      ],
    });
    const as = design(base);
    for (const s of as.sections) expect(peak(more, s.face, s.along)).toBeGreaterThan(s.moment);
    expect(most(design({ ...base, h: 250 }))).toBeLessThan(most(as));
    expect(most(design({ ...base, outline: corners(ell, ['clamped']) }))).toBeLessThan(most(as));
  });
  test('units shown change nothing', () => {
    const p = project({ outline: corners(ell) });
    const us = { ...p, display: 'US' as const };
    const [a, b] = [p, us].map((q) => designNow(q, memberOf(q), []) as PlateResult);
    expect(b!.sections).toEqual(a!.sections);
    expect(b!.checks.map((c) => c.utilisation)).toEqual(a!.checks.map((c) => c.utilisation));
  });
});

describe('from the plate to the papers', () => {
  const opened = project({ openings: [{ corners: box(2000, 1000, 3200, 2200) }] });
  const member = memberOf(opened);
  const r = designNow(opened, member, 'all') as PlateResult;

  test.each(['en1992', 'aci318'])('every figure of a check stands among its steps, %s', (id) => {
    const p = project({}, id === 'aci318' ? { id, variant: 'SI', choices: {} } : undefined);
    const { checks } = designNow(p, memberOf(p), 'all');
    const four = (v: number) => significant(v, 4);
    const judged = checks.filter((c) => c.utilisation !== null);
    expect(judged.length).toBeGreaterThan(5);
    for (const c of judged) {
      const values = (c.derivation ?? []).flatMap((s) => (s.kind === 'note' || s.kind === 'table' ? [] : [four(s.value)]));
      for (const side of [c.demand!, c.capacity!]) expect(values).toContain(four(side.value));
    }
  });
  test('bars end at openings: their lengths add up to the chords of the slab', () => {
    const outline = { outer: box(0, 0, 6000, 5000), holes: [box(2000, 1000, 3200, 2200)] };
    expect(chords(outline, 'x', 1500, 25)).toEqual([
      [25, 1975],
      [3225, 5975],
    ]);
    expect(chords(outline, 'x', 4000, 25)).toEqual([[25, 5975]]);
    expect(chords(outline, 'y', 2500, 25)).toEqual([
      [25, 975],
      [2225, 4975],
    ]);
    const { bars } = modelOf(opened, member, r);
    const lengths = bars
      .filter((b) => b.face === 'bottom' && b.corners[0]!.at[1] === b.corners[1]!.at[1])
      .map((b) => Math.round(b.corners[1]!.at[0] - b.corners[0]!.at[0]));
    expect(new Set(lengths)).toEqual(new Set([5950, 1950, 2750]));
    expect(r.quantities!.concrete / 1e9).toBeCloseTo((30 - 1.44) * 0.2, 9);
    expect(memberSchedule(opened, member, r).items.length).toBeGreaterThan(3);
  });
  test('every map is drawn within its sheet, and the report has what was put in', () => {
    for (const map of plateMaps) {
      const drawing = platePlan({ plate: member, result: r, map, labels: plateLabels(opened, member, map) }, 700, 560);
      for (const s of drawing.shapes)
        for (const [x, y] of s.kind === 'path' ? [...s.points, ...(s.more ?? []).flat()] : [s.at])
          expect(x >= 0 && x <= 700 && y >= 0 && y <= 560).toBe(true);
    }
    expect(kindOf(member).figures(member, r, opened)).toHaveLength(6);
    const facts = Object.fromEntries(kindOf(member).facts(member, r, opened));
    expect(facts['Slab']).toBe('6.0 × 5.0 m, 200 mm deep'.replace(' mm', ''));
    expect(
      kindOf(member)
        .inputTables(member, r, opened, 'full')
        .map((t) => ('title' in t ? t.title : '')),
    ).toEqual(['Outline', 'Openings', 'Loads', 'Edges and walls']);
    expect(JSON.stringify(resultsToJson(opened, [{ member, result: r }]))).not.toMatch(/NaN/);
    const again = readProject(JSON.parse(writeProject(opened)));
    expect(again.ok && { ...(again.project.members[0] as PlateInput), unitWeight: member.unitWeight }).toEqual(member);
  });
  test('ways forward are designed in full, those set by hand kept', () => {
    const own = { size: '12', alternate: null, spacing: 150 };
    const p = project({ bars: { top: { y: own } } });
    const ways = workOf(memberOf(p)).propose(memberOf(p), 'changes', { project: p, code: codeOf(p, memberOf(p)), rates: p.rates });
    expect(ways.map((way) => way.title).join(' ')).toMatch(/depth 225 mm/);
    const kept = ways.filter((way) => !('bars' in way.change));
    expect(kept.length).toBeGreaterThan(2);
    for (const way of kept) {
      const changed = designNow(p, { ...memberOf(p), ...way.change } as PlateMember, []) as PlateResult;
      expect(section(changed, 'top', 'y')!.bars).toEqual([own]);
      expect(changed.governing!.utilisation).toBeCloseTo(way.utilisation, 6);
    }
  });
});
