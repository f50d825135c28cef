import { readFileSync } from 'node:fs';
import DxfParser from 'dxf-parser';
import type { Member, MemberResult } from '@/core/members/kinds';
import { countOf } from '@/core/model/bar-set';
import { lengthAlong } from '@/core/model/centre-line';
import { memberSchedule, modelOf } from '@/core/project/as-built';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import { memberSheet, projectSheets } from '@/core/sheets/member-sheet';
import { extentOf, type Entity, type Sheet } from '@/core/sheets/sheet';
import { sheetsDxf } from '@/exchange/dxf/sheet-dxf';
import { sheetSvg } from '@/exchange/svg/sheet-svg';

function example(name: string): Project {
  const read = readProject(JSON.parse(readFileSync(`examples/${name}.intarsia`, 'utf8')));
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}

interface Drawn {
  readonly project: Project;
  readonly member: Member;
  readonly result: MemberResult;
  readonly sheet: Sheet;
}

const drawn: Drawn[] = ['alderlight-playhouse', 'alderlight-annex-us'].map(example).flatMap((project) =>
  project.members.flatMap((member) => {
    const result = designNow(project, member);
    const sheet = memberSheet(project, member, result);
    return typeof sheet === 'string' ? [] : [{ project, member, result, sheet }];
  }),
);
const named = drawn.map((d) => [d.member.mark, d] as const);
const entitiesOf = (sheet: Sheet) => sheet.views.flatMap((v) => v.entities);
const flat = (entities: readonly Entity[]): Entity[] => entities.flatMap((e) => (e.kind === 'block' ? flat(e.entities) : [e]));

interface Read {
  readonly entities: readonly {
    readonly type: string;
    readonly layer: string;
    readonly name?: string;
    readonly vertices?: readonly { x: number; y: number }[];
    readonly text?: string;
    readonly radius?: number;
    readonly block?: string;
    readonly actualMeasurement?: number;
  }[];
  readonly blocks: Readonly<Record<string, { readonly entities?: Read['entities'] }>>;
  readonly tables: { readonly layer: { readonly layers: Readonly<Record<string, unknown>> } };
}
const readBack = (sheets: readonly Sheet[]): Read => new DxfParser().parseSync(sheetsDxf(sheets)) as unknown as Read;

const lengthOf = (vertices: readonly { x: number; y: number }[]) =>
  vertices.slice(1).reduce((sum, p, i) => sum + Math.hypot(p.x - vertices[i]!.x, p.y - vertices[i]!.y), 0);

describe('sheets', () => {
  test('nearly all members of the demos have one', () => expect(drawn.length).toBeGreaterThan(18));

  test.each(named)('%s: all views stand on the paper, beside each other and clear of the title block', (_mark, { sheet }) => {
    const boxes = sheet.views.map(({ at, from, scale, entities }) => {
      const e = extentOf(entities, scale);
      expect(e.from).toEqual(from);
      return { x1: at[0], x2: at[0] + (e.to[0] - from[0]) / scale, y1: at[1], y2: at[1] + (e.to[1] - from[1]) / scale };
    });
    boxes.forEach((a, i) => {
      expect(a.x1).toBeGreaterThan(10);
      expect(a.x2).toBeLessThan(sheet.paper.width - 10);
      expect(a.y1).toBeGreaterThan(10 + 14);
      expect(a.y2).toBeLessThan(sheet.paper.height - 10);
      for (const b of boxes.slice(i + 1)) expect(a.x2 < b.x1 || b.x2 < a.x1 || a.y2 < b.y1 || b.y2 < a.y1).toBe(true);
    });
  });

  test.each(named)(
    '%s: every mark of its schedule stands on it, with as many bars as are scheduled',
    (_mark, { project, member, result, sheet }) => {
      const texts = flat(entitiesOf(sheet)).flatMap((e) => (e.kind === 'text' ? [e.text] : []));
      for (const item of memberSchedule(project, member, result).items) {
        const own = texts.filter((t) => new RegExp(`-${item.mark}(?!\\d)`).test(t));
        expect([item.mark, own.length > 0]).toEqual([item.mark, true]);
      }
      const model = modelOf(project, member, result);
      for (const set of model.bars.filter((b) => b.role === 'bar' && b.turned === undefined)) {
        const count = Number((countOf(set) * (set.share ?? 1)).toFixed(1));
        const whole = Number(
          model.bars
            .filter((b) => b.mark === set.mark && b.role === 'bar')
            .reduce((sum, b) => sum + countOf(b) * (b.share ?? 1), 0)
            .toFixed(1),
        );
        const said = texts.filter((t) => new RegExp(`-${set.mark}(?!\\d)`).test(t)).map((t) => Number(/^[\d.]+/.exec(t)?.[0]));
        expect([set.mark, said.includes(count) || said.includes(whole)]).toEqual([set.mark, true]);
      }
    },
  );

  test.each(named)('%s: lengths on it are those of its schedule, mark by mark', (_mark, { project, member, result, sheet }) => {
    const texts = flat(entitiesOf(sheet)).flatMap((e) => (e.kind === 'text' ? [e.text] : []));
    const perMm = project.display === 'US' ? 1 / 25.4 : 1;
    const { items } = memberSchedule(project, member, result);
    for (const text of texts.filter((t) => /-\d+.* L = /.test(t))) {
      const [, mark, length] = /-(\d+).* L = ([\d. ]+)/.exec(text)!;
      const item = items.find((k) => k.mark === mark)!;
      expect([mark, Math.abs(Number(length!.replace(/ /g, '')) - item.length * perMm) <= 0.51 * (perMm < 1 ? 0.1 : 1)]).toEqual([
        mark,
        true,
      ]);
    }
  });

  test('schedule, bars in space and the bars pulled out add up to the same steel', () => {
    for (const { project, member, result, sheet } of drawn.filter(
      (d) => d.sheet.views[0]!.title === 'Elevation' && modelOf(d.project, d.member, d.result).concrete[0]!.along === 'x',
    )) {
      const { items } = memberSchedule(project, member, result);
      const { bars } = modelOf(project, member, result);
      const own = new Set(bars.filter((b) => b.role === 'bar').map((b) => b.mark));
      const texts = flat(sheet.views[0]!.entities).flatMap((e) => (e.kind === 'text' && / L = /.test(e.text) ? [e.text] : []));
      const told = texts.reduce((sum, t) => {
        const [, count, mark] = /^([\d.]+).*?-(\d+)/.exec(t)!;
        return sum + Number(count) * items.find((k) => k.mark === mark)!.length;
      }, 0);
      const scheduled = items.filter((k) => own.has(k.mark)).reduce((sum, k) => sum + k.count * k.length, 0);
      const inSpace = bars
        .filter((b) => b.role === 'bar')
        .reduce((sum, b) => sum + countOf(b) * (b.share ?? 1) * lengthAlong(b.corners), 0);
      expect([member.mark, told]).toEqual([member.mark, expect.closeTo(scheduled, 3)]);
      // Cut lengths are rounded up, by 25 mm or an inch at the most, and bends are taken off by their rule.
      expect(Math.abs(inSpace / scheduled - 1)).toBeLessThan(0.03);
    }
  });

  test.each(named)('%s: dots of its sections are the bars that go through there', (_mark, { project, member, result, sheet }) => {
    const { concrete } = modelOf(project, member, result);
    for (const view of sheet.views.filter((v) => /^\d+–\d+/.test(v.title))) {
      const dots = view.entities.filter((e) => e.kind === 'circle');
      expect(dots.length).toBeGreaterThan(1);
      const { outer } = concrete[0]!.outline;
      // None lies outside the concrete.
      for (const dot of dots)
        if (dot.kind === 'circle')
          for (const k of [0, 1] as const) {
            expect(dot.at[k] - dot.r).toBeGreaterThan(Math.min(...outer.map((p) => p[k])));
            expect(dot.at[k] + dot.r).toBeLessThan(Math.max(...outer.map((p) => p[k])));
          }
    }
  });

  test('a paper or a scale that is asked for is taken, or it is said that it does not fit', () => {
    const { project, member, result } = drawn[0]!;
    const wide = memberSheet(project, member, result, { paper: 'A1', scale: 50 });
    expect(typeof wide !== 'string' && [wide.paper.name, wide.views[0]!.scale]).toEqual(['A1', 50]);
    expect(memberSheet(project, member, result, { paper: 'A4', scale: 10 })).toBe('It does not fit on this paper at this scale.');
  });

  test('a set of drawings is on one size of paper; members without bars are told', () => {
    const project = example('alderlight-playhouse');
    const designed = project.members.map((member) => ({ member, result: designNow(project, member) }));
    const { sheets, without } = projectSheets(project, designed);
    expect(new Set(sheets.map((s) => s.paper.name)).size).toBe(1);
    expect(without).toContainEqual({ mark: 'D2', why: 'There are no bars to draw.' });
    expect(sheets.length + without.length).toBe(project.members.length);
  });
});

describe('DXF, read by a parser that is not ours', () => {
  test.each(named)(
    '%s: concrete in true millimetres, layers by name, one block for each mark that is pulled out',
    (_mark, { project, member, result, sheet }) => {
      const file = readBack([sheet]);
      for (const layer of ['concrete', 'bars', 'links', 'dimensions', 'marks', 'frame'])
        expect(Object.keys(file.tables.layer.layers)).toContain(layer);
      const model = modelOf(project, member, result);
      const [prism] = model.concrete;
      if (prism) {
        const outline = file.entities.filter((e) => e.layer === 'concrete' && e.type === 'LWPOLYLINE');
        const sizes = outline.map(({ vertices = [] }) =>
          [0, 1].map((k) => {
            const values = vertices.map((v) => (k === 0 ? v.x : v.y));
            return Math.max(...values) - Math.min(...values);
          }),
        );
        const long = prism.to - prism.from;
        expect(sizes.some((s) => s.some((v) => Math.abs(v - (prism.to - prism.from > 400 || prism.along === 'x' ? long : v)) < 0.01))).toBe(
          true,
        );
      }
      const blocks = Object.entries(file.blocks).filter(([name]) => name.startsWith('1-bar-'));
      for (const [name, { entities = [] }] of blocks) {
        const set = model.bars.find((b) => `1-bar-${b.mark}` === name)!;
        const drawnLength = lengthOf(entities[0]!.vertices!);
        // Arcs are drawn by chords, and a hook may be seen from its side.
        expect(drawnLength).toBeGreaterThan(0.9 * lengthAlong(set.corners));
        // A round tie meets itself where its hooks begin.
        expect(drawnLength).toBeLessThan((set.bend === 'other' ? 1.05 : 1.0001) * lengthAlong(set.corners));
        expect(file.entities.some((e) => e.type === 'INSERT' && e.name === name)).toBe(true);
      }
    },
  );

  test('dimensions are dimensions, true to what they measure, each with the block that shows it', () => {
    const { sheet } = drawn[0]!;
    const file = readBack([sheet]);
    const dimensions = file.entities.filter((e) => e.type === 'DIMENSION');
    expect(dimensions).toHaveLength(entitiesOf(sheet).filter((e) => e.kind === 'dimension').length);
    expect(dimensions.length).toBeGreaterThan(5);
    for (const d of dimensions) {
      expect(d.layer).toBe('dimensions');
      expect(d.actualMeasurement).toBeCloseTo(Number(d.text!.replace(/\s/g, '')), -0.31);
      const shown = file.blocks[d.block!]!.entities!;
      expect(shown.find((e) => e.type === 'TEXT')!.text).toBe(d.text);
      const [line] = shown.filter((e) => e.type === 'LWPOLYLINE');
      expect(lengthOf(line!.vertices!)).toBeCloseTo(d.actualMeasurement!, 4);
    }
  });

  test('a set in one file stands side by side', () => {
    const file = readBack(drawn.slice(0, 3).map((d) => d.sheet));
    const frames = file.entities.filter((e) => e.layer === 'frame' && e.type === 'LWPOLYLINE');
    expect(frames.length).toBeGreaterThanOrEqual(3 * 10);
  });
});

test('SVG is as large as its paper, and what a file says in it is text', () => {
  const { project, member, result } = drawn[0]!;
  const sheet = memberSheet({ ...project, name: '<b>A & B</b>' }, member, result) as Sheet;
  const svg = sheetSvg(sheet);
  expect(svg).toContain(`width="${sheet.paper.width}mm"`);
  expect(svg).toContain('&lt;b&gt;A &amp; B&lt;/b&gt;');
  expect(svg).not.toContain('NaN');
});
