import { memberSchedule } from '@/core/project/as-built';
import { cuttingLength } from '@/core/schedule/bar-schedule';
import { designNow } from '@/core/project/design-member';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { readProject } from '@/core/project/read';
import { scheduleTable } from '@/core/schedule/schedule-table';

function project(change: object = {}, code: object = { id: 'en1992', variant: 'uk' }): Project {
  const size = (metric: string, soft: string) => ('id' in code && code.id === 'aci318' ? soft : metric);
  const none = { count: 0, size: size('12', 'No.16') };
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code,
    members: [
      {
        section: { b: 300, h: 500 },
        spans: [{ length: 5000 }],
        supports: [{ width: 300 }, { width: 300 }],
        cases: [{ id: 'G', nature: 'permanent' }],
        loads: [{ type: 'uniform', case: 'G', value: 20 }],
        bars: {
          bottom: [{ main: { count: 3, size: size('20', 'No.19') }, extra: { bars: none } }],
          top: [{ main: { count: 2, size: size('12', 'No.16') } }],
          links: [{ zones: [{ to: 5000, size: size('8', 'No.10'), legs: 2, spacing: 200 }] }],
        },
        ...change,
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.project;
}
function schedule(p: Project) {
  const beam = p.members[0] as BeamMember;
  const result = designNow(p, beam);
  return { beam, result, ...memberSchedule(p, beam, result) };
}

describe('cutting lengths', () => {
  it('by hand for 20 mm with r 70: L 1000 + 400 - 35 - 20; U 300 + 2000 + 300 - 70 - 40; a link of 8 mm', () => {
    expect(cuttingLength('straight', [3000], 20, 70, true)).toBe(3000);
    expect(cuttingLength('L', [1000, 400], 20, 70, true)).toBe(1345);
    expect(cuttingLength('U', [300, 2000, 300], 20, 70, true)).toBe(2490);
    // 2 (440 + 240 + 104) - 2.5 16 - 5 8
    expect(cuttingLength('link', [440, 240, 104], 8, 16, true)).toBe(1488);
    expect(cuttingLength('L', [1000, 400], 20, 70, false)).toBe(1400);
  });
});

describe('the schedule of a beam', () => {
  it('one span by hand: bottom 5000 + 2 (150 - 30), hangers as well, links 500 deep less covers at 200', () => {
    const { items, mass } = schedule(project());
    const of = (place: string) => items.find((k) => k.place.startsWith(place))!;
    expect(of('bottom')).toMatchObject({ count: 3, shapeCode: '00', dimensions: [5240], length: 5250 });
    expect(of('top, span')).toMatchObject({ count: 2, length: 5250 });
    // 5000 / 200 = 25 links, half a spacing from the ends, of 440 x 240, hook 50 + 24
    expect(of('links')).toMatchObject({ count: 25, shapeCode: '51', dimensions: [440, 240, 74] });
    expect(of('links').length).toBe(Math.ceil((2 * (440 + 240 + 74) - 2.5 * 16 - 5 * 8) / 25) * 25);
    expect(mass).toBeCloseTo(
      items.reduce((sum, k) => sum + k.mass, 0),
      9,
    );
    expect(of('bottom').mass).toBeCloseTo(3 * 5.25 * 2.466, 1);
  });

  it('equal bars of two spans are one mark; bars over supports have their own; long bars are said', () => {
    const { items } = schedule(
      project({ spans: [{ length: 6000 }, { length: 6000 }], supports: [{ width: 300 }, { width: 300 }, { width: 300 }], bars: {} }),
    );
    expect(items.some((k) => /bottom, span 1, bottom, span 2/.test(k.place))).toBe(true);
    expect(items.some((k) => /support B/.test(k.place))).toBe(true);
    expect(new Set(items.map((k) => k.mark)).size).toBe(items.length);
    const long = schedule(project({ spans: [{ length: 13_000 }], section: { b: 400, h: 1200 }, bars: {} }));
    expect(long.items.some((k) => k.isTooLong)).toBe(true);
  });

  it('its mass is that of the amounts, but for lengths that are rounded up', () => {
    const { mass, result } = schedule(project());
    const rough = result.quantities!.bars + result.quantities!.links;
    expect(mass / rough).toBeGreaterThan(1);
    expect(mass / rough).toBeLessThan(1.02);
  });

  it('bends are named by the project, whatever the code: letters of the dimensions and deductions go with it', () => {
    const p = project();
    const beam = p.members[0] as BeamMember;
    const result = designNow(p, beam);
    const link = (bends: 'iso' | 'aci') => memberSchedule({ ...p, bends }, beam, result).items.find((k) => k.shape === 'link')!;
    expect(link('iso')).toMatchObject({ shapeCode: '51', letters: ['A', 'B', 'C'] });
    expect(link('aci')).toMatchObject({ shapeCode: 'T1', letters: ['B, D', 'C, E', 'A, G'] });
    // 2 (440 + 240 + 74) = 1508 without deductions, in steps of 10 mm; less 2.5 r + 5 d = 80 otherwise, in steps of 25 mm
    expect([link('aci').length, link('iso').length]).toEqual([1510, 1450]);
    expect(scheduleTable(memberSchedule({ ...p, bends: 'aci' }, beam, result), 'SI').foot).toMatch(/ACI bend types/);
  });

  it('as a table for screen and report, numbers as numbers; to ACI by its bend types', () => {
    const p = project({}, { id: 'aci318', variant: 'SI' });
    const beam = p.members[0] as BeamMember;
    const table = scheduleTable(memberSchedule(p, beam, designNow(p, beam)), 'SI');
    expect(table.rows.map((r) => r[4])).toContain('T1');
    expect(table.rows[0]![6]).toEqual({ value: expect.any(Number), kind: 'length' });
    expect(table.foot).toMatch(/^Together .* kg\. ACI bend types/);
    const forces = project({ mode: 'forces', forces: [{ place: 'a', moment: 50, shear: 20 }] });
    const given = forces.members[0] as BeamMember;
    expect(memberSchedule(forces, given, designNow(forces, given)).items).toEqual([]);
  });
});
