import { silent } from '@/core/calc/calc';
import { makeCode } from '@/core/codes/registry';
import { flangeQuestion, flangeWidth, withFlanges } from '@/core/members/beam/effective-flange';
import { designNow } from '@/core/project/design-member';
import { firstMember, projectOf } from '../ui/fixtures';
import { outlineOf, prepareBeam } from '@/core/members/beam/prepared';

const en = makeCode({ id: 'en1992', variant: 'uk', choices: {} });
const aci = makeCode({ id: 'aci318', variant: 'SI', choices: {} });
const beamWith = (more: object = {}) =>
  firstMember(
    projectOf({
      section: { shape: 'T', b: 300, h: 600, flangeWidth: 9999, flangeDepth: 150 },
      slab: { left: 3700, right: 2700 },
      spans: [{ length: 6000 }, { length: 8000 }, { length: 2000 }],
      supports: [{ width: 300 }, { width: 300 }, { width: 300 }, { type: 'free' }],
      ...more,
    }),
  );

describe('effective flange width, EN 1992 5.3.2.1, by hand', () => {
  const beam = beamWith();
  test('end span of 6 m: l0 = 0.85 x 6000 = 5100', () => {
    // left b1 = 1850: 0.2 x 1850 + 510 = 880, not more than 0.2 x 5100 = 1020; right b2 = 1350: 270 + 510 = 780. 300 + 880 + 780 = 1960.
    expect(flangeWidth(silent, beam, en, 0)).toBeCloseTo(1960, 9);
  });
  test('inner span of 8 m: l0 = 5600; cantilever of 2 m: l0 = 0.15 x 8000 + 2000 = 3200', () => {
    // 0.2 x 1850 + 560 = 930, 0.2 x 1350 + 560 = 830: 2060. Cantilever: 370 + 320 = 690 (limit 640), 270 + 320 = 590: 300 + 640 + 590.
    expect(flangeWidth(silent, beam, en, 1)).toBeCloseTo(2060, 9);
    expect(flangeWidth(silent, beam, en, 2)).toBeCloseTo(1530, 9);
  });
  test('a single span has the whole length between its zeros; never wider than the webs stand apart', () => {
    const single = beamWith({ spans: [{ length: 9000 }], supports: [{ width: 300 }, { width: 300 }], slab: { left: 400, right: 400 } });
    expect(flangeQuestion(single, 0).position).toBe('single');
    expect(flangeWidth(silent, single, en, 0)).toBeCloseTo(300 + 200 + 200, 9);
  });
  test('an L counts the one side', () => {
    const L = beamWith({ section: { shape: 'L', b: 300, h: 600, flangeWidth: 900, flangeDepth: 150 } });
    expect(flangeWidth(silent, L, en, 0)).toBeCloseTo(300 + 780, 9);
  });
});

describe('effective flange width, ACI 318 table 6.3.2.1, by hand', () => {
  test('T: 8 hf, half the clear distance, an eighth of the clear span', () => {
    // ln = 6000 - 300 = 5700, ln/8 = 712.5; 8 hf = 1200; sw/2 = 1850 and 1350: 300 + 2 x 712.5 = 1725.
    expect(flangeWidth(silent, beamWith(), aci, 0)).toBeCloseTo(1725, 9);
  });
  test('L: 6 hf, half the clear distance, a twelfth of the clear span', () => {
    const L = beamWith({ section: { shape: 'L', b: 300, h: 600, flangeWidth: 900, flangeDepth: 60 } });
    // 6 x 60 = 360 < 5700/12 = 475 < 1350.
    expect(flangeWidth(silent, L, aci, 0)).toBeCloseTo(660, 9);
  });
});

test('the design takes the width of each span; without distances, and for other shapes, the width given', () => {
  const beam = beamWith();
  const found = prepareBeam(beam, en);
  expect([0, 1, 2].map((i) => Math.round(outlineOf(found, i).flangeWidth))).toEqual([1960, 2060, 1530]);
  const given = beamWith({ slab: null });
  expect(withFlanges(given, en)).toBe(given);
  const below = beamWith({ section: { shape: 'invertedT', b: 300, h: 600, flangeWidth: 700, flangeDepth: 150 } });
  expect(withFlanges(below, en)).toBe(below);
});

test('a wider slab never lowers what the beam carries in sagging; bad distances are refused at their field', () => {
  const sagging = [500, 1500, 4000].map((d) => {
    const main = { count: 3, size: '20' };
    const project = projectOf({
      section: { shape: 'T', b: 300, h: 450, flangeDepth: 120 },
      slab: { left: d, right: d },
      selfWeight: false,
      bars: { bottom: [{ main }, { main }] },
    });
    const result = designNow(project, firstMember(project));
    if (result.type !== 'beam') throw new Error();
    const i = result.strips!.x.findIndex((x) => x >= 2500);
    return result.strips!.resistanceSagging[i]!;
  });
  expect(sagging[1]).toBeGreaterThanOrEqual(sagging[0]! * 0.999);
  expect(sagging[2]).toBeGreaterThanOrEqual(sagging[1]! * 0.999);
  const bad = projectOf({ section: { shape: 'T', flangeDepth: 120 }, slab: { left: -1, right: 2000 } });
  expect(designNow(bad, firstMember(bad)).faults.map((f) => f.path)).toContain('slab.left');
});
