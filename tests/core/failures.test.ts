import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import { readProject } from '@/core/project/read';
import type { Check } from '@/core/checks/check';

/**
 * Every way in which a beam can fail: each check passes for the good beam, fails for the one change, and says in words what is needed and what
 * is there.
 */
const good = {
  section: { b: 300, h: 550 },
  spans: [{ length: 6500 }, { length: 6500 }],
  supports: [{ width: 300 }, { width: 300 }, { width: 300 }],
  cases: [
    { id: 'G', nature: 'permanent' },
    { id: 'Q', nature: 'imposed', category: 'B' },
  ],
  loads: [
    { type: 'uniform', case: 'G', value: 18 },
    { type: 'uniform', case: 'Q', value: 12 },
  ],
  service: { hasPartitions: false },
};
const zones = (size: string, spacing: number, legs = 2) => [
  { zones: [{ to: 6500, size, legs, spacing }] },
  { zones: [{ to: 6500, size, legs, spacing }] },
];
const none = { bars: { count: 0, size: '16' } };
const bottom = (count: number, size: string) => [
  { main: { count, size }, extra: none },
  { main: { count, size }, extra: none },
];

function project(change: Record<string, unknown>, id = 'en1992', choices: Record<string, string> = {}): Project {
  const read = readProject({ format: 'intarsia', version: 1, code: { id, choices }, members: [{ ...good, ...change }] });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
const checksOf = (p: Project): readonly Check[] => designNow(p, p.members[0]!).checks;

describe.each(['en1992', 'aci318'])('%s', (id) => {
  test('the good beam holds, and every check but those not covered has a figure', () => {
    for (const c of checksOf(project({}, id))) {
      if (c.status === 'notCovered' || c.status === 'notApplicable') expect(c.utilisation).toBeNull();
      else expect([c.id, c.status !== 'exceeds' && c.status !== 'failed' && c.utilisation !== null]).toEqual([c.id, true]);
    }
  });

  const size = id === 'en1992' ? { thin: '12', link: '8', thick: '25' } : { thin: 'No.13', link: 'No.10', thick: 'No.25' };
  const cases: [string, Record<string, unknown>, string, RegExp][] = [
    [
      'too few bottom bars',
      { bars: { bottom: bottom(2, size.thin) } },
      'bending-span-1',
      /^Bottom bars at span 1: needs .+ mm², has .+ mm²\.$/,
    ],
    [
      'too few bars over a support',
      { bars: { support: [{}, { bars: { count: 2, size: size.thin } }, {}] } },
      'bending-support-B',
      /^Top bars at support B: needs .+ mm², has .+ mm²\.$/,
    ],
    [
      'a bar that stops too early',
      {
        bars: {
          bottom: [{ main: { count: 2, size: size.thin }, extra: { bars: { count: 4, size: size.thick }, from: 2600, to: 3200 } }, {}],
        },
      },
      'bending-span-1',
      /^Bottom bars at span 1: needs/,
    ],
    [
      'links too far apart for the force',
      { bars: { links: zones(size.link, 700) } },
      'shear-left-of-B',
      /^Shear left of B: (links|stirrups) need \S+ mm²\/mm, have \S+ mm²\/mm\.$/,
    ],
    [
      'links too far apart along',
      { bars: { links: zones(size.link, 450) } },
      'link-spacing',
      /stand 450 mm apart, at most \d+ mm allowed\.$/,
    ],
    [
      'too few legs for a wide beam',
      { section: { b: 900, h: 550 }, bars: { links: zones(size.link, 150) } },
      'leg-spacing',
      /^Legs in span \d stand \d+ mm apart across, at most \d+ mm allowed: more legs\.$/,
    ],
    [
      'less than the least steel',
      {
        loads: [{ type: 'uniform', case: 'Q', value: 1 }],
        selfWeight: false,
        bars: { bottom: bottom(2, id === 'en1992' ? '8' : 'No.10') },
      },
      'minimum-steel',
      /^Bottom bars at span \d: at least \d+ mm², has \d+ mm²\.$/,
    ],
    [
      'bars too close',
      { bars: { bottom: bottom(id === 'en1992' ? 15 : 18, size.thick) } },
      'bar-spacing',
      /bars do not fit: \d+ of this size in a layer, 3 layers at most\.$/,
    ],
    [
      'a section too small for the shear',
      { section: { b: 200, h: 250 }, loads: [{ type: 'uniform', case: 'Q', value: 120 }] },
      'shear-crushing',
      /^The section is too small for/,
    ],
    [
      'more redistribution than allowed',
      { supports: [{ width: 300 }, { width: 300, redistribution: 0.6 }, { width: 300 }] },
      'redistribution',
      /^At most (20|30) % may be redistributed\.$/,
    ],
  ];
  test.each(cases)('%s', (_, change, check, words) => {
    const found = checksOf(project(change, id)).find((c) => c.id === check);
    expect(found).toBeDefined();
    // What does not fit exceeds without a figure.
    expect([found!.status, (found!.utilisation ?? Infinity) > 1]).toEqual(['exceeds', true]);
    expect(found!.reason).toMatch(words);
    // The same check of the good beam holds, or is not asked for there.
    const before = checksOf(project({}, id)).find((c) => c.id === check);
    expect(before?.status ?? 'holds').not.toBe('exceeds');
  });

  test('a heavily reinforced section is not ductile enough', () => {
    const strong = project(
      { section: { b: 250, h: 400 }, bars: { bottom: bottom(6, size.thick), support: [{}, { bars: { count: 2, size: size.thick } }, {}] } },
      id,
      { compressionBars: 'ignore' },
    );
    const c = checksOf(strong).find((k) => k.id === 'ductility')!;
    expect(c.status).toBe('exceeds');
    expect(c.reason).toMatch(/less tension steel, more in compression, or a deeper section/);
  });
});

test('EN: more than 4 % in one face', () => {
  const c = checksOf(project({ section: { b: 300, h: 250 }, bars: { bottom: bottom(10, '25') } })).find((k) => k.id === 'maximum-steel')!;
  expect(c.status).toBe('exceeds');
  expect(c.reason).toMatch(/in one face, at most 3.000 mm² outside laps\.$/);
});

test('sentences are written in the units of the project', () => {
  const p = { ...project({ bars: { bottom: bottom(2, '12') } }), display: 'US' as const };
  expect(checksOf(p).find((c) => c.id === 'bending-span-1')!.reason).toMatch(/needs \S+ in², has 0\.35 in²\.$/);
});

test('where a check stands: its place lies in the region that its name says', () => {
  for (const c of checksOf(project({}))) {
    if (c.place.x === null) continue;
    expect(c.place.x).toBeGreaterThanOrEqual(0);
    expect(c.place.x).toBeLessThanOrEqual(13_000);
    if (c.id === 'bending-span-1' || c.id === 'shear-left-of-B') expect(c.place.x).toBeLessThanOrEqual(6500);
    if (c.id === 'bending-span-2' || c.id === 'shear-right-of-B') expect(c.place.x).toBeGreaterThanOrEqual(6500);
  }
});

test('each check in strength names its combination and rests on named choices', () => {
  const strength = checksOf(project({})).filter((c) => c.id.startsWith('bending-') || /^shear-(left|right)/.test(c.id));
  expect(strength.length).toBeGreaterThan(5);
  for (const c of strength) {
    expect(c.combination).toMatch(/^U\d/);
    expect(c.assumptions.length).toBeGreaterThan(0);
  }
});

test('a symmetric beam has symmetric checks', () => {
  const list = checksOf(project({}));
  const u = (id: string) => list.find((c) => c.id === id)!.utilisation!;
  expect(u('bending-span-1')).toBeCloseTo(u('bending-span-2'), 9);
  expect(u('shear-right-of-A')).toBeCloseTo(u('shear-left-of-C'), 6);
  expect(u('shear-left-of-B')).toBeCloseTo(u('shear-right-of-B'), 6);
});

test('more load never lowers the utilisation of given bars', () => {
  const bars = {
    bottom: bottom(4, '20'),
    support: [{}, { bars: { count: 5, size: '20' }, left: 2500, right: 2500 }, {}],
    top: [{ main: { count: 2, size: '12' } }, { main: { count: 2, size: '12' } }],
    links: zones('8', 150),
  };
  const at = (q: number) =>
    checksOf(
      project({
        bars,
        loads: [
          { type: 'uniform', case: 'G', value: 18 },
          { type: 'uniform', case: 'Q', value: q },
        ],
      }),
    );
  const [light, heavy] = [at(6), at(12)];
  for (const c of light.filter((k) => k.family === 'bending' && k.id.startsWith('bending-')))
    expect(heavy.find((k) => k.id === c.id)!.utilisation!).toBeGreaterThanOrEqual(c.utilisation! - 1e-9);
});

describe('ends of bars that leave nothing', () => {
  const bars = (more: object) => ({
    bottom: [{ main: { count: 2, size: '16' }, extra: { bars: { count: 2, size: '16' }, from: null, to: null } }],
    support: [
      { bars: null, left: null, right: null },
      { bars: { count: 2, size: '16' }, left: null, right: null },
      { bars: null, left: null, right: null },
    ],
    ...more,
  });
  const faultOf = (more: object) => {
    const read = readProject({
      format: 'intarsia',
      version: 1,
      members: [
        {
          spans: [{ length: 6000 }, { length: 6000 }],
          cases: [{ id: 'G' }],
          loads: [{ type: 'uniform', case: 'G', value: 10 }],
          bars: bars(more),
        },
      ],
    });
    if (!read.ok) throw new Error('bad');
    return designNow(read.project, read.project.members[0]!).faults[0];
  };
  const extra = (from: number, to: number) => ({
    bottom: [{ main: { count: 2, size: '16' }, extra: { bars: { count: 2, size: '16' }, from, to } }],
  });
  it.each([
    [extra(4000, 3000), 'bars.bottom[0].extra.to', /they end before they begin/],
    [extra(-100, 3000), 'bars.bottom[0].extra.from', /begin off the span/],
    [extra(0, 7000), 'bars.bottom[0].extra.to', /end off the span/],
    [
      { support: [{}, { bars: { count: 2, size: '16' }, left: 0, right: 0 }, {}] },
      'bars.support[1].right',
      /Nothing is left of the bars over B/,
    ],
    [{ support: [{}, { bars: { count: 2, size: '16' }, left: -50, right: 900 }, {}] }, 'bars.support[1].left', /0 or more/],
  ])('%#', (change, path, words) => {
    expect(faultOf(change)).toMatchObject({ path, reason: expect.stringMatching(words) as string });
  });
  it('usual ends are no fault', () => expect(faultOf(extra(1000, 5000))).toBeUndefined());
});
