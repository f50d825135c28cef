import fc from 'fast-check';
import { FIRE_PERIODS } from '@/core/codes/fire-rules';
import { makeCode } from '@/core/codes/registry';
import { fireField } from '@/core/members/column/fire-field';
import { hotSection } from '@/core/members/column/fire-isotherm';
import type { ColumnMember } from '@/core/members/column/input';
import { columnModel } from '@/core/members/column/section';
import { designNow } from '@/core/project/design-member';
import { readProject } from '@/core/project/read';
import { outlineProperties } from '@/core/geometry/polygon';

const settings = { id: 'en1992', variant: 'recommended', choices: {} };
const code = makeCode(settings);
const rules = code.fire.isotherm!;
const base = {
  type: 'column',
  id: 'c',
  mark: 'C1',
  shape: { kind: 'rectangle', b: 300, h: 300 },
  height: 3000,
  cover: 30,
  materials: { concreteStrength: 30 },
  bars: { kind: 'sides', corner: '20', alongX: 0, sizeX: '20', alongY: 0, sizeY: '20' },
  ties: { size: '8', spacing: 200 },
  axes: { x: { factor: 0.5 }, y: { factor: 0.5 } },
  sustained: 0.6,
  fire: { minutes: 60 },
  sets: [{ name: 'L', N: 900, mxTop: 10, mxBottom: 10 }],
};
function made(change: object = {}, choices: object = {}) {
  const read = readProject({ format: 'intarsia', version: 1, code: { ...settings, choices }, members: [{ ...base, ...change }] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return { project: read.project, column: read.project.members[0] as ColumnMember };
}
const wayOf = (change: object = {}, choices: object = {}) => {
  const { project, column } = made(change, choices);
  const check = designNow(project, column).checks.find((k) => k.title.endsWith('500 °C isotherm'))!;
  const minutes = /^(\d+) min/.exec(check.reason ?? '')?.[1];
  return { check, minutes: minutes === undefined ? check.capacity!.value * 86_400 : Number(minutes) };
};
const minutesOf = (change: object = {}, choices: object = {}) => {
  const { check } = wayOf(change, choices);
  const said = /^(\d+) min/.exec(check.reason ?? '');
  // The one that counts has its minutes as a figure, in seconds.
  return said ? Number(said[1]) : Math.round(check.capacity!.value / made().project.members.length / MINUTE);
};
const MINUTE = (() => {
  const { project, column } = made();
  const check = designNow(project, column).checks.find((k) => k.id === 'fire')!;
  return check.demand!.value / 60;
})();

describe('the 500 degree isotherm of a column by hand', () => {
  const { column } = made();
  const model = columnModel(column, code);
  const field = fireField(column, rules, code, model, 'all');
  const k = FIRE_PERIODS.indexOf(60);

  it('bars of corners, 48 mm from both faces, come to about 390 degrees after an hour', () => {
    // Annex A, figure A.12 (300 x 300, R60): between 350 and 450 degrees there, as it is remembered.
    expect(field.bars).toHaveLength(4);
    for (const bar of field.bars) {
      expect(bar[k]).toBeGreaterThan(350);
      expect(bar[k]).toBeLessThan(450);
      expect(bar[k]).toBeCloseTo(field.bars[0]![k]!, 3);
    }
  });

  it('is the concrete that is cooler, and the bars by their temperature, without partial factors', () => {
    const hot = hotSection({ column, model }, rules, field, k)!;
    // About 21.5 mm are lost at each face, and the corners are rounded: by a tenth of the area at most.
    const { area } = outlineProperties(hot.surface.section.outline);
    expect(area).toBeGreaterThan(0.9 * 257 ** 2);
    expect(area).toBeLessThan(257 ** 2);
    // fcd,fi = 30 (gamma 1, alpha_cc 1); bars at 0.002 200 000 = 400 MPa, times what is left of them
    const left = rules.barStrength(field.bars[0]![k]!);
    expect(hot.surface.most).toBeCloseTo(area * 30 + 4 * 314.159 * left * 400, -3);
    expect(hot.middle[0]).toBeCloseTo(0, 3);
  });

  it('of a column heated from one side the middle moves away from it, and so do its moments', () => {
    const one = made({ fire: { minutes: 60, isOneSided: true } }).column;
    const m = columnModel(one, code);
    const hot = hotSection({ column: one, model: m }, rules, fireField(one, rules, code, m, 'bottom'), k)!;
    expect(hot.middle[1]).toBeCloseTo(21.4 / 2, 0);
    expect(hot.middle[0]).toBeCloseTo(0, 1);
  });
});

describe('when it applies, and for how long', () => {
  it('not to strong concrete, slender or unbraced columns; widths by table B.1', () => {
    expect(wayOf({ materials: { concreteStrength: 60 } }).check.reason).toMatch(/up to C50/);
    expect(wayOf({ height: 6000 }).check.reason).toMatch(/slenderness up to 30/);
    expect(wayOf({ axes: { x: { factor: 0.5, isBraced: false }, y: { factor: 0.5 } } }).check.reason).toMatch(/braced columns only/);
    const light = { sets: [{ name: 'L', N: 20 }], fire: { minutes: 240 } };
    expect(wayOf({ ...light, shape: { kind: 'rectangle', b: 190, h: 400 }, height: 2000 }).check.reason).toMatch(
      /180 minutes need 200 mm of width/,
    );
  });

  it('counts bars, not only concrete: hotter ones carry less', () => {
    const pulled = { sets: [{ name: 'L', N: 300, mxTop: 60, mxBottom: 60 }] };
    expect(minutesOf({ ...pulled, cover: 50 })).toBeGreaterThanOrEqual(minutesOf({ ...pulled, cover: 20 }));
  });

  it('never grows with the load, nor shrinks with the section; the upper conductivity and dry concrete give no more', () => {
    fc.assert(
      fc.property(fc.integer({ min: 200, max: 450 }), fc.integer({ min: 100, max: 2500 }), fc.integer({ min: 0, max: 60 }), (b, N, M) => {
        const change = { shape: { kind: 'rectangle', b, h: b }, sets: [{ name: 'L', N, mxTop: M, mxBottom: M }] };
        const now = minutesOf(change);
        expect(minutesOf({ ...change, sets: [{ name: 'L', N: 1.2 * N, mxTop: 1.2 * M, mxBottom: 1.2 * M }] })).toBeLessThanOrEqual(now);
        expect(minutesOf({ ...change, shape: { kind: 'rectangle', b: b + 80, h: b + 80 } })).toBeGreaterThanOrEqual(now);
        expect(minutesOf(change, { fireConductivity: 'upper' })).toBeLessThanOrEqual(now);
        expect(minutesOf(change, { fireMoisture: 'dry' })).toBeLessThanOrEqual(now);
        const two = minutesOf({ ...change, sets: [...change.sets, { name: 'K', N: 0.5 * N, mxTop: 2 * M, mxBottom: 2 * M }] });
        expect(two).toBeLessThanOrEqual(now);
      }),
      { numRuns: 8 },
    );
  });

  it('turned by a right angle it is the same', () => {
    const change = {
      shape: { kind: 'rectangle', b: 250, h: 420 },
      sets: [{ name: 'L', N: 900, mxTop: 60, mxBottom: 60, myTop: 10, myBottom: 10 }],
    };
    const turned = {
      shape: { kind: 'rectangle', b: 420, h: 250 },
      sets: [{ name: 'L', N: 900, myTop: 60, myBottom: 60, mxTop: 10, mxBottom: 10 }],
    };
    for (const isOneSided of [false, true]) {
      const fire = { minutes: 60, isOneSided };
      expect(minutesOf({ ...change, fire })).toBe(minutesOf({ ...turned, fire }));
    }
  });
});
