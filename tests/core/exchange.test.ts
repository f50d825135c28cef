import { createRequire } from 'node:module';
import { join } from 'node:path';
import { parseExpression } from '@/core/calc/expression';
import { boxes } from '@/exchange/pdf/formula-boxes';
import { formulaContent } from '@/exchange/pdf/formula-content';
import { drawingSvg } from '@/exchange/svg/drawing-svg';
import { resultsToJson, stepToJson } from '@/exchange/result-json';
import type { Drawing } from '@/core/drawing/shapes';
import { derive } from '@/core/calc/calc';
import { print } from '@/core/calc/typeset';
import { F as shear } from '@/core/codes/en1992/shear';
import { kindOf } from '@/core/members/kinds';
import { beamToJson } from '@/core/members/beam/to-json';
import { barLabel, linkLabel } from '@/core/members/parts/bar-labels';
import { completeBeam } from '@/core/members/beam/complete';
import { migrate } from '@/core/project/migrate';
import { readFileQuantity, readFileUnits, writeFileQuantity, fileUnitDefaults } from '@/core/units/file-units';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { readProject } from '@/core/project/read';

function project(member: Record<string, unknown> = {}, rest: Record<string, unknown> = {}): Project {
  const read = readProject({ format: 'intarsia', version: 1, members: [member], ...rest });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}

type BeamJson = ReturnType<typeof resultsToJson>['members'][number] & ReturnType<typeof beamToJson>;

describe('formulas for the page', () => {
  const { openSync } = createRequire(join(process.cwd(), 'package.json'))('fontkit') as { openSync(path: string): Face };
  interface Face {
    readonly unitsPerEm: number;
    layout(text: string, features?: Record<string, boolean>): { readonly advanceWidth: number };
  }
  const serif = (script: string, style: string) =>
    openSync(`node_modules/@fontsource/libertinus-serif/files/libertinus-serif-${script}-400-${style}.woff`);
  const faces = {
    upright: serif('latin', 'normal'),
    italic: serif('latin', 'italic'),
    greek: serif('greek', 'normal'),
    greekItalic: serif('greek', 'italic'),
    other: openSync('node_modules/pdfmake/build/fonts/Roboto/Roboto-Regular.ttf'),
  };
  const all = Object.values(shear).map((f) => boxes.equals(boxes.sym(f.result.symbol), print(f.expr, boxes)));

  test('a sum is as wide as its signs and the room about the operator: 475 + 250 + 550 + 250 + 465 thousandths of x + 1', () => {
    const { width, runs } = print(parseExpression('x + 1'), boxes);
    expect(width).toBeCloseTo((475 + 250 + 550 + 250 + 465) / 1000, 3);
    expect(runs.map((r) => [r.text, r.face])).toEqual([
      ['x', 'italic'],
      [' + 1', 'upright'],
    ]);
  });
  test('widths are those of the typefaces themselves', () => {
    for (const { runs } of all)
      for (const { text, face, size } of runs) {
        const own = [...text].reduce((sum, sign) => sum + faces[face].layout(sign).advanceWidth / faces[face].unitsPerEm, 0);
        const [next] = runs.filter((r) => r.face !== face || r.text !== text);
        expect(own).toBeGreaterThan(0);
        expect(size).toBeLessThanOrEqual(1);
        expect(next === undefined || Number.isFinite(next.x)).toBe(true);
        const alone = boxes.num(text);
        if (face === 'upright') expect(alone.width).toBeCloseTo(own, 2);
      }
  });
  test('nothing stands beyond its box: runs and rules of every formula of shear', () => {
    for (const box of all) {
      expect(box.runs.length).toBeGreaterThan(2);
      for (const { x, y, size } of box.runs) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThan(box.width);
        expect(y - 0.68 * size).toBeGreaterThanOrEqual(-box.ascent - 1e-9);
        expect(y + 0.2 * size).toBeLessThanOrEqual(box.descent + 1e-9);
      }
      for (const [x, y] of box.strokes.flatMap((s) => s.points)) {
        expect(x).toBeGreaterThanOrEqual(0);
        expect(x).toBeLessThanOrEqual(box.width + 1e-9);
        expect(y).toBeGreaterThanOrEqual(-box.ascent - 1e-9);
        expect(y).toBeLessThanOrEqual(box.descent + 1e-9);
      }
    }
  });
  test('a fraction stands on its rule: what is above ends above it, what is below begins below', () => {
    const { runs, strokes } = print(parseExpression('a / b'), boxes);
    const [[, rule]] = strokes[0]!.points as [[number, number]];
    expect(runs[0]!.y + 0.2).toBeLessThan(rule);
    expect(runs[1]!.y - 0.68).toBeGreaterThan(rule);
  });
  test('a run that begins with a space stands where its first sign does: page makers cut the space off', () => {
    const box = print(parseExpression('x + 1'), boxes);
    const [, sum] = formulaContent(box, 10, 1000).stack as { text: string; relativePosition: { x: number } }[];
    expect(sum!.text).toBe('+\u00a01');
    // x is 0.475 em wide and the space 0.25 em: 7.25 of 10 points.
    expect(sum!.relativePosition.x).toBeCloseTo(7.25, 6);
  });
  test('one wider than its room is set smaller, and only as much as it must', () => {
    const box = print(shear.VRdmax.expr, boxes);
    const whole = formulaContent(box, 9, 1000).stack as { fontSize?: number }[];
    const tight = formulaContent(box, 9, box.width * 6).stack as { fontSize?: number }[];
    expect(tight[0]!.fontSize! / whole[0]!.fontSize!).toBeCloseTo(6 / 9, 6);
  });
});

describe('drawings for the page', () => {
  const drawing: Drawing = {
    width: 120,
    height: 60,
    title: 'D',
    shapes: [
      {
        kind: 'path',
        points: [
          [0, 0],
          [10.123, 5],
        ],
        line: 'loadVariable',
      },
      {
        kind: 'path',
        points: [
          [0, 0],
          [1, 0],
          [1, 1],
        ],
        closed: true,
        fill: 'demandWash',
      },
      { kind: 'circle', at: [5, 5], r: 2.5, fill: 'steel' },
      { kind: 'text', at: [1, 2], text: 'A & <B> "C"', style: 'strong', anchor: 'end', turn: 90 },
    ],
  };
  const svg = drawingSvg(drawing, 'Roboto');
  test('the same shapes as on the screen', () => {
    expect(svg.match(/<path/g)).toHaveLength(2);
    expect(svg).toContain('stroke-dasharray="3 2"');
    expect(svg).toContain('M0 0 L10.12 5');
    expect(svg).toContain('<circle cx="5" cy="5" r="2.5" fill="#231E19"');
    expect(svg).toContain('transform="rotate(-90 1 2)"');
    expect(svg).toContain('font-family="Roboto"');
  });
  test('text is text', () => expect(svg).toContain('A &amp; &lt;B&gt; &quot;C&quot;'));
});

describe('results as JSON', () => {
  test('a member with faults lists them and has no figures', () => {
    const p = project({ section: { h: -3 } });
    const json = resultsToJson(p, [{ member: p.members[0]!, result: designNow(p, p.members[0]!) }]).members[0] as unknown as BeamJson;
    expect(json.faults).toEqual([{ path: 'section.h', reason: expect.any(String) }]);
    expect([json.governing, json.utilisation, json.strips, json.steel]).toEqual([null, null, null, null]);
    expect(json.input).toMatchObject({ section: { h: -3 } });
  });
  test('an infinite utilisation is null, and the sentence says why', () => {
    const p = project({
      section: { b: 200, h: 250 },
      spans: [{ length: 9000 }],
      cases: [{ id: 'Q', nature: 'imposed' }],
      loads: [{ type: 'uniform', case: 'Q', value: 200 }],
    });
    const text = JSON.stringify(
      resultsToJson(p, [{ member: p.members[0] as BeamMember, result: designNow(p, p.members[0] as BeamMember) }]),
    );
    expect(text).not.toMatch(/NaN|Infinity/);
  });
  test('a decision stands beside its check', () => {
    const p = project({
      decisions: [{ check: 'least-links', reason: 'As agreed.', utilisation: 3 }],
      cases: [{ id: 'Q', nature: 'imposed' }],
      loads: [{ type: 'uniform', case: 'Q', value: 10 }],
    });
    const json = resultsToJson(p, [{ member: p.members[0] as BeamMember, result: designNow(p, p.members[0] as BeamMember) }]).members[0]!;
    expect(json.checks.find((c) => c.id === 'least-links')).toMatchObject({ decision: { reason: 'As agreed.' } });
  });
  test('steps: notes, given values and formulas', () => {
    const steps = derive((c) => {
      c.note('A note.', '6.1');
      c.let(shear.z, { d: 450 });
    });
    expect(steps.map((s) => stepToJson(s, 'SI'))).toEqual([
      { note: 'A note.', clause: '6.1' },
      { symbol: 'z', name: 'lever arm', value: 405, unit: 'mm', clause: '6.2.3(1)', formula: '0.9 * d', numbers: '0.9 * 450' },
    ]);
  });
});

describe('labels', () => {
  const en = { code: { id: 'en1992', variant: 'uk', choices: {} }, display: 'SI' } as const;
  const us = { code: { id: 'aci318', variant: 'US', choices: {} }, display: 'US' } as const;
  test('bars and links as they are spoken', () => {
    expect(barLabel({ count: 4, size: '20' }, en)).toBe('4H20');
    expect(barLabel({ count: 4, size: '#6' }, us)).toBe('4 #6');
    expect(linkLabel({ size: '8', spacing: 150, legs: 2 }, en)).toBe('H8 @ 150');
    expect(linkLabel({ size: '10', spacing: 100, legs: 4 }, en)).toBe('4 legs H10 @ 100');
    expect(linkLabel({ size: '#3', spacing: 228.6, legs: 2 }, us)).toBe('#3 @ 9 in');
  });
  test('sizes in the units that are shown', () => {
    const member = project({ section: { b: 304.8, h: 609.6 } }).members[0]!;
    expect(kindOf(member).sizeLabel(member, 'US')).toBe('12 × 24 in');
    expect(kindOf(member).sizeLabel(member, 'SI')).toBe('305 × 610');
  });
  test('the steel of a beam in a few words', () => {
    const p = project({ cases: [{ id: 'Q', nature: 'imposed' }], loads: [{ type: 'uniform', case: 'Q', value: 20 }] });
    const beam = p.members[0] as BeamMember;
    expect(kindOf(beam).steelLabel(beam, designNow(p, beam), p)).toMatch(/^2H12 \/ \d+H\d+(\+\d+H\d+)?, H8 @ \d+$/);
  });
});

describe('completing and migrating', () => {
  test('lists by span and support get their length, what is there stays', () => {
    const beam = project({
      spans: [{ length: 4000 }, { length: 5000 }, { length: 4000 }],
      bars: { bottom: [{ main: { count: 3, size: '16' } }] },
    }).members[0] as BeamMember;
    expect(beam.supports.map((s) => s.type)).toEqual(['pinned', 'pinned', 'pinned', 'pinned']);
    expect(beam.bars.bottom.map((b) => b.main)).toEqual([{ count: 3, size: '16' }, null, null]);
    expect([beam.bars.top.length, beam.bars.links.length, beam.bars.support.length]).toEqual([3, 3, 4]);
    expect(completeBeam(beam)).toEqual(beam);
  });
  test('a file of today’s version is left as it is', () => {
    const raw = { format: 'intarsia', version: 1, members: [] };
    expect(migrate(raw)).toBe(raw);
  });
});

describe('units of a file', () => {
  test('defaults, other units, and units of another dimension', () => {
    expect(readFileUnits(undefined)).toEqual({ units: fileUnitDefaults, faults: [] });
    expect(readFileUnits({ length: 'in', lineLoad: 'klf' })).toMatchObject({
      units: { length: 'in', lineLoad: 'klf', force: 'kN' },
      faults: [],
    });
    expect(readFileUnits({ length: 'kN', force: 3 }).faults.map((f) => f.path)).toEqual(['units.length', 'units.force']);
    expect(readFileUnits('mm').faults).toHaveLength(1);
  });
  test('numbers, texts and what is neither', () => {
    expect(readFileQuantity(12, 'length', { ...fileUnitDefaults, length: 'in' })).toBeCloseTo(304.8, 9);
    expect(readFileQuantity('0.3 m', 'length', fileUnitDefaults)).toBeCloseTo(300, 9);
    expect(readFileQuantity(null, 'length', fileUnitDefaults)).toMatch(/must be a number/);
    expect(readFileQuantity(Infinity, 'length', fileUnitDefaults)).toMatch(/finite/);
    expect(readFileQuantity('5 kg', 'length', fileUnitDefaults)).toMatch(/not a unit for this value/);
  });
  test('written without the noise of conversion', () => {
    expect(writeFileQuantity(0.1 + 0.2, 'length')).toBe(0.3);
    expect(writeFileQuantity(25e-6, 'unitWeight')).toBe(25);
    expect(writeFileQuantity(180e6, 'moment')).toBe(180);
  });
});
