import { stripPictures } from '@/core/members/beam/drawing/strips';
import { elevationDrawing, loadText } from '@/core/members/beam/drawing/elevation';
import { isSetByHand } from '@/core/members/beam/drawing/handles';
import { sectionDrawing } from '@/core/members/beam/drawing/section';
import { arcPoints, arrow, dimension, type Drawing, type Shape, keyOf } from '@/core/drawing/shapes';
import { roundValue, stripDrawing } from '@/core/drawing/strip-drawing';
import { outlinePoints, type BeamOutline } from '@/core/geometry/beam-outline';
import { sectionState } from '@/core/members/beam/section-state';
import { modelOf } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { barsCut } from '@/core/members/beam/model';
import { codeOf } from '@/core/members/member';
import { readProject } from '@/core/project/read';
import { readFileSync } from 'node:fs';
import { readProjectText } from '@/exchange/project-text';

const frame = { width: 740, left: 100, right: 700 };

function project(member: Record<string, unknown>): Project {
  const read = readProject({ format: 'intarsia', version: 1, code: { id: 'en1992', variant: 'uk' }, members: [member] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const busy = {
  section: { shape: 'T', b: 300, h: 500, flangeWidth: 1200, flangeDepth: 140 },
  spans: [{ length: 2000 }, { length: 6000 }, { length: 5000 }],
  supports: [{ type: 'free' }, { width: 300 }, {}, { type: 'fixed' }],
  cases: [
    { id: 'G', nature: 'permanent' },
    { id: 'Q', nature: 'imposed' },
  ],
  loads: [
    { type: 'uniform', case: 'G', value: 12 },
    { type: 'partial', case: 'Q', span: 1, from: 1000, to: 4000, value: 9 },
    { type: 'trapezoidal', case: 'Q', span: 2, from: 0, to: 5000, start: 3, end: 12 },
    { type: 'point', case: 'G', span: 1, at: 3000, force: 45 },
    { type: 'point', case: 'Q', span: 1, at: 3000, force: 20 },
    { type: 'moment', case: 'Q', span: 2, at: 2500, moment: -15 },
  ],
};

const texts = (d: Drawing) => d.shapes.filter((s): s is Shape & { kind: 'text' } => s.kind === 'text');
const edits = (d: Drawing) => texts(d).flatMap((t) => (t.edit ? [keyOf(t.edit)] : []));

function expectSane(d: Drawing): void {
  for (const s of d.shapes) {
    const points = s.kind === 'path' ? s.points : [s.at];
    for (const [x, y] of points) expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
  }
  for (const t of texts(d)) expect(t.text).not.toMatch(/NaN|undefined|Infinity/);
}

function elevation(p: Project) {
  const member = p.members[0] as BeamMember;
  const result = designNow(p, member);
  return {
    member,
    result,
    drawing: elevationDrawing(
      {
        beam: member,
        steel: result.steel,
        bars: modelOf(p, member, result).bars,
        units: p.display,
        barLabel: (g) => `${g.count}H${g.size}`,
      },
      frame,
    ),
  };
}

describe('the elevation', () => {
  const { drawing, result, member } = elevation(project(busy));
  test('is finite everywhere and says how far its depth is stretched', () => {
    expectSane(drawing);
    expect(drawing.title).toMatch(/^Elevation, depth drawn ×\d+$/);
  });
  test('every load, span and support has its place to be edited', () => {
    const paths = edits(drawing);
    member.loads.forEach((_, i) => expect(paths).toContain(`load.${i}`));
    member.spans.forEach((_, i) => expect(paths).toContain(`spanLength.${i}`));
    member.supports.forEach((_, i) => expect(paths).toContain(`support.${i}`));
    member.spans.forEach((_, i) => expect(paths).toContain(`bottom.${i}`));
    expect(new Set(paths).size).toBe(paths.length);
  });
  test('two loads at one place have their figures above one another', () => {
    const at = (key: string) => texts(drawing).find((t) => t.edit && keyOf(t.edit) === key)!.at;
    expect(at('load.3')[0]).toBe(at('load.4')[0]);
    expect(at('load.3')[1]).not.toBe(at('load.4')[1]);
  });
  test('bars that stop are drawn with their ends', () => {
    const heavy = drawing.shapes.flatMap((s) => (s.kind === 'path' && s.line === 'barHeavy' ? [s] : []));
    const runs = [...result.steel!.support, ...result.steel!.bottom.map((b) => b.extra)].filter(Boolean);
    expect(heavy).toHaveLength(runs.length);
    heavy.forEach((bar) => expect(bar.points[1]![0]).toBeGreaterThan(bar.points[0]![0]));
  });
  test('without a result it still shows beam and loads', () => {
    const bare = elevationDrawing({ beam: member, steel: null, bars: [], units: 'SI', barLabel: () => '' }, frame);
    expectSane(bare);
    expect(edits(bare)).toContain('load.0');
  });
  test.each([
    [{ type: 'uniform', case: 'G', note: '', span: 'all', value: 12 }, '12.0 kN/m', '0.82 kip/ft'],
    [{ type: 'trapezoidal', case: 'G', note: '', span: 0, from: 0, to: 1, start: 3, end: 12 }, '3.0 to 12.0 kN/m', '0.21 to 0.82 kip/ft'],
    [{ type: 'point', case: 'G', note: '', span: 0, at: 0, force: 45_000 }, '45.0 kN', '10.1 kip'],
    [{ type: 'moment', case: 'G', note: '', span: 0, at: 0, moment: 15e6 }, '15.0 kNm', '11.1 kip ft'],
  ] as const)('a %j in figures', (load, metric, customary) => {
    expect(loadText(load, 'SI')).toBe(metric);
    expect(loadText(load, 'US')).toBe(customary);
  });
});

describe('the strips', () => {
  const p = project(busy);
  const member = p.members[0] as BeamMember;
  const result = designNow(p, member);
  const pictures = (units: 'SI' | 'US') =>
    stripPictures({
      member,
      strips: result.strips!,
      units,
      links: { zones: result.steel!.links, label: (z) => `H${z.size} @ ${z.spacing}`, isSet: (handle) => handle.span === 1 },
    });
  test.each(['bending', 'shear', 'steel'] as const)('%s', (key) => {
    const drawing = stripDrawing(pictures('SI')[key], frame, 150, [0, 2000, 8000, 13_000]);
    expectSane(drawing);
    expect(drawing.shapes.some((s) => s.kind === 'path' && s.line === 'resistance')).toBe(true);
  });
  test('figures on the axis are round in the unit that is shown', () => {
    for (const units of ['SI', 'US'] as const) {
      const drawing = stripDrawing(pictures(units).bending, frame, 200, []);
      const figures = texts(drawing)
        .filter((t) => t.anchor === 'end')
        .map((t) => Number(t.text.replace(/\s/g, '')));
      for (const f of figures.filter((v) => v > 0)) expect([1, 2, 2.5, 5]).toContain(f / 10 ** Math.floor(Math.log10(f)));
    }
  });
  test('in a narrow frame the figures of the axis give way; all else stays', () => {
    const texts = (isNarrow: boolean) =>
      stripDrawing(pictures('SI').bending, { ...frame, isNarrow }, 200, []).shapes.flatMap((s) => (s.kind === 'text' ? [s] : []));
    const ends = texts(false).filter((t) => t.anchor === 'end');
    expect(ends.length).toBeGreaterThan(1);
    expect(texts(true)).toEqual(texts(false).filter((t) => t.anchor !== 'end'));
  });

  test('each zone of links is named and edited on the shear strip', () => {
    const paths = edits(stripDrawing(pictures('SI').shear, frame, 120, []));
    result.steel!.links.forEach((zones, i) => zones.forEach((_, k) => expect(paths).toContain(`links.${i}.${k}`)));
  });
  test('links set by hand are marked and told, others are not', () => {
    const names = texts(stripDrawing(pictures('SI').shear, frame, 120, [])).filter((t) => t.label?.startsWith('Links'));
    expect(names.length).toBeGreaterThan(2);
    for (const name of names) {
      const own = name.label!.startsWith('Links of span 2');
      expect([name.isSet === true, name.label!.endsWith(', set by hand')]).toEqual([own, own]);
    }
  });
  test('a handle says whether its bars or links were set: bars of a support, of a span, links of a zone', () => {
    const main = { size: '20', count: 3 };
    const bars = {
      bottom: [
        { main, extra: { bars: null } },
        { main: null, extra: { bars: main } },
      ],
      top: [{ main: null }, { main }],
      support: [{ bars: null }, { bars: main }, { bars: null }],
      links: [{ zones: null }, { zones: [] }],
    };
    const set = (of: 'bottom' | 'extra' | 'top') => [0, 1].map((span) => isSetByHand(bars, { of, span }));
    expect([set('bottom'), set('extra'), set('top')]).toEqual([
      [true, false],
      [false, true],
      [false, true],
    ]);
    expect([0, 1, 2].map((support) => isSetByHand(bars, { of: 'over', support }))).toEqual([false, true, false]);
    expect([0, 1, 2].map((span) => isSetByHand(bars, { of: 'links', span, zone: 0 }))).toEqual([false, true, false]);
  });
  test('where demand leaves resistance the stretch is hatched, elsewhere nothing is', () => {
    const hatched = (demand: number[]) => {
      const none = [0, 0, 0, 0];
      const picture = {
        ...pictures('SI').bending,
        length: 3,
        x: [0, 1, 2, 3],
        above: { demand, resistance: [5, 5, 5, 5] },
        below: { demand: none, resistance: none },
        marks: [],
      };
      return stripDrawing(picture, frame, 100, []).shapes.filter((s) => s.kind === 'path' && s.fill === 'excessHatch').length;
    };
    expect(hatched([1, 2, 3, 4])).toBe(0);
    expect(hatched([1, 6, 7, 4])).toBe(1);
  });
  test.each([
    [0, 0],
    [0.9, 0.5],
    [1, 1],
    [26, 25],
    [499, 250],
    [5000, 5000],
  ])('the round value not above %d is %d', (value, round) => expect(roundValue(value)).toBe(round));
});

describe('the section', () => {
  const shapes: BeamOutline['shape'][] = ['rectangular', 'T', 'L', 'invertedT'];
  test.each(shapes)('%s: outline closed, bars inside the concrete, dimensions edited', (shape) => {
    const p = project({ ...busy, section: { ...busy.section, shape } });
    const member = p.members[0] as BeamMember;
    const result = designNow(p, member);
    const { steel } = result;
    const model = modelOf(p, member, result);
    for (const sense of ['sagging', 'hogging'] as const) {
      const state = sectionState(member, codeOf(p, member), steel!, 5000, sense);
      const drawing = sectionDrawing(
        {
          outline: state.outline,
          cover: member.cover,
          linkDiameter: state.linkDiameter,
          legs: state.zone.legs,
          bars: barsCut(model, 5000, () => true).map(({ set, at: [, x, z] }) => ({
            x,
            y: state.outline.h + z,
            diameter: set.bar.diameter,
          })),
          labels: {
            top: 'T',
            bottom: 'B',
            links: 'L',
            b: '300',
            h: '500',
            ...(shape === 'rectangular' ? {} : { flange: '1200', flangeDepth: '× 140' }),
          },
          edits: { top: { of: 'top', span: 1 }, bottom: { of: 'bottom', span: 1 }, links: { of: 'links', span: 1, zone: 0 } },
          block: { face: sense === 'sagging' ? 'top' : 'bottom', depth: 0.8 * state.resistance!.x },
        },
        200,
        190,
      );
      expectSane(drawing);
      expect(edits(drawing)).toEqual(expect.arrayContaining(['section.h', 'section.b', 'bottom.1']));
      const outline = drawing.shapes[0]! as Shape & { kind: 'path' };
      const ys = outline.points.map(([, y]) => y);
      for (const bar of drawing.shapes.flatMap((s) => (s.kind === 'circle' ? [s] : []))) {
        expect(bar.at[1]).toBeGreaterThan(Math.min(...ys));
        expect(bar.at[1]).toBeLessThan(Math.max(...ys));
      }
    }
  });
  test.each(shapes)('%s: the corner points enclose the gross area', (shape) => {
    const o: BeamOutline = { shape, b: 300, h: 600, flangeWidth: 900, flangeDepth: 150 };
    const points = outlinePoints(o);
    const area = points.reduce((sum, [x, y], i) => {
      const [x2, y2] = points[(i + 1) % points.length]!;
      return sum + (x * y2 - x2 * y) / 2;
    }, 0);
    expect(area).toBeCloseTo(shape === 'rectangular' ? 180_000 : 300 * 450 + 900 * 150, 6);
  });
});

describe('pieces', () => {
  test('a dimension has two ticks and its figure, upright ones turned', () => {
    const upright = dimension([0, 0], [0, 40], '550', 'section.h');
    expect(upright.filter((s) => s.kind === 'path' && s.line === 'tick')).toHaveLength(2);
    expect(upright.find((s) => s.kind === 'text')).toMatchObject({ text: '550', turn: 90, edit: 'section.h' });
  });
  test('an arrow ends in its head', () => {
    const [shaft, head] = arrow([0, 0], [10, 0], 'load', 'demandSolid', 4) as (Shape & { kind: 'path' })[];
    expect(shaft!.points[1]).toEqual([6, 0]);
    expect(head!.points[0]).toEqual([10, 0]);
    expect(arrow([1, 1], [1, 1], 'load', 'demandSolid').every((s) => s.kind === 'path' && s.points.flat().every(Number.isFinite))).toBe(
      true,
    );
  });
  test('an arc begins and ends where it should', () => {
    const points = arcPoints([0, 0], 10, 0, Math.PI / 2);
    expect(points[0]![0]).toBeCloseTo(10, 9);
    expect(points[points.length - 1]![1]).toBeCloseTo(-10, 9);
  });
});

test('every beam of both demo files is drawn without a fault', () => {
  for (const file of ['alderlight-playhouse', 'alderlight-annex-us']) {
    const read = readProjectText(readFileSync(`examples/${file}.intarsia`, 'utf8'));
    if (!read.ok) throw new Error('demo');
    for (const member of read.project.members.filter((m) => m.type === 'beam' && m.mode === 'loads'))
      expectSane(elevation({ ...read.project, members: [member] }).drawing);
  }
});
