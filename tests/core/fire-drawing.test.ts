import { makeCode } from '@/core/codes/registry';
import { fireDrawing } from '@/core/members/column/drawing/fire';
import { firePicture } from '@/core/members/column/fire-picture';
import type { ColumnMember } from '@/core/members/column/input';
import { columnPicture } from '@/core/members/column/picture';
import { designNow } from '@/core/project/design-member';
import type { ColumnResult } from '@/core/members/column/result';
import { readProject } from '@/core/project/read';

const made = (change: object, code: object = { id: 'en1992', variant: 'recommended' }) => {
  const read = readProject({
    format: 'intarsia',
    version: 1,
    code,
    members: [
      {
        type: 'column',
        height: 3000,
        sustained: 0.6,
        fire: { minutes: 60 },
        axes: { x: { factor: 0.5 }, y: { factor: 0.5 } },
        sets: [{ name: 'L', N: 700, mxTop: 20 }],
        ...change,
      },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return { project: read.project, column: read.project.members[0] as ColumnMember };
};
const texts = (column: ColumnMember, code = makeCode({ id: 'en1992', variant: 'recommended', choices: {} }), period = 60) =>
  fireDrawing(firePicture(column, code, period, null), (v) => v.toFixed(0), 400, 400).shapes.flatMap((s) =>
    s.kind === 'text' ? [s.text] : [],
  );

describe('the drawing of a section in a fire', () => {
  it('names the isotherm, the temperature of every bar and the axis distance', () => {
    const { column } = made({});
    const shown = texts(column);
    // Four bars of 20, cover 30, ties of 8: 48 mm
    expect(shown).toContain('a 48');
    expect(shown).toContain('500 °C');
    expect(shown.filter((t) => /^\d+°$/.test(t))).toHaveLength(4);
    expect(new Set(shown.filter((t) => /^\d+°$/.test(t))).size).toBe(1);
  });

  it('to a code without temperatures: sides and axis distances alone', () => {
    const code = { id: 'as3600', variant: '2018', choices: {} };
    const { column } = made({}, code);
    const shown = texts(column, makeCode(code));
    expect(shown.some((t) => t.startsWith('a '))).toBe(true);
    expect(shown.some((t) => t.includes('°'))).toBe(false);
  });

  it('every coordinate is a number, whatever the outline and the side', () => {
    const shapes = [
      { kind: 'circle', diameter: 400 },
      { kind: 'L', b: 500, h: 400, tx: 150, ty: 150 },
      {
        kind: 'free',
        outer: [
          [0, 0],
          [500, 0],
          [250, 450],
        ],
        holes: [],
      },
    ];
    for (const shape of shapes)
      for (const isOneSided of [false, true]) {
        const bars = shape.kind === 'circle' ? { kind: 'ring', count: 8, size: '20' } : { kind: 'outline', size: '20', spacing: 200 };
        const { column } = made({ shape, bars, fire: { minutes: 120, isOneSided } });
        const { shapes: drawn } = fireDrawing(
          firePicture(column, makeCode({ id: 'en1992', variant: 'recommended', choices: {} }), 120, 'left'),
          String,
          400,
          300,
        );
        for (const s of drawn) {
          const points = s.kind === 'path' ? [...s.points, ...(s.more ?? []).flat()] : [s.at];
          expect(points.flat().every(Number.isFinite)).toBe(true);
        }
      }
  });
});

describe('the interaction', () => {
  const zones = (change: object, code: { id: string; variant: string }) => {
    const { project, column } = made(change, code);
    const result = designNow(project, column) as ColumnResult;
    return columnPicture(column, makeCode({ ...code, choices: {} }), result, 0, null)!.lines.flatMap((l) => l.draw());
  };

  it('has the strength after the fire over eta: inside the characteristic one, and none where no fire is asked for', () => {
    const line = zones({}, { id: 'en1992', variant: 'recommended' }).find((z) => z.name === 'fire, 60 min')!;
    expect(Math.max(...line.points.map((q) => q.N))).toBeGreaterThan(0);
    // fck over the whole section and all bars at 400 MPa, over 0.7, is never reached.
    expect(Math.max(...line.points.map((q) => q.N))).toBeLessThan((350 * 350 * 30 + 4 * 314.16 * 400) / 0.7);
    expect(zones({ fire: { minutes: null } }, { id: 'en1992', variant: 'recommended' }).some((z) => z.name.startsWith('fire'))).toBe(false);
  });

  it('shows where phi leaves 0.90 and comes to 0.65 to ACI', () => {
    const bars = { kind: 'sides', corner: 'No.25', alongX: 1, sizeX: 'No.25', alongY: 1, sizeY: 'No.25' };
    const lines = zones({ bars, ties: { size: 'No.10', spacing: 200 } }, { id: 'aci318', variant: 'SI' }).filter((z) =>
      z.name.startsWith('φ'),
    );
    expect(lines.map((z) => z.name)).toEqual(['φ 0.90', 'φ 0.65']);
    // The tension-controlled state carries less axial force than the compression-controlled one.
    expect(lines[0]!.points.at(-1)!.N).toBeLessThan(lines[1]!.points.at(-1)!.N);
  });
});
