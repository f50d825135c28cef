import { readFileSync } from 'node:fs';
import { DxfWriter, point2d, point3d, Units } from '@tarikjabiri/dxf';
import { outlineProperties, signedArea, type Point } from '@/core/geometry/polygon';
import type { PlateInput } from '@/core/members/plate/input';
import { asDrawn } from '@/core/members/plate/drawn-plan';
import { readProject } from '@/core/project/read';
import { alongBulge, joined, plainLoop } from '@/exchange/dxf/closed-lines';
import { planOfDxf, usualRoles } from '@/exchange/dxf/plan-of-dxf';
import { readDxf } from '@/exchange/dxf/read-dxf';

const corners = (points: readonly Point[]) => points.map(([x, y]) => ({ point: point2d(x, y) }));
const closed = { flags: 1 };
/** A slab of 12 by 8 m in metres, far from the origin, with an opening, four columns of other kinds and what is no part of it. */
function drawn(units: Units | null = Units.Meters): string {
  const dxf = new DxfWriter();
  if (units !== null) dxf.setUnits(units);
  for (const layer of ['slab', 'columns', 'axes', 'marks']) dxf.addLayer(layer, 7, 'Continuous');
  const [X, Y] = [4000, 900];
  const box = (x: number, y: number, b: number, h: number) =>
    corners([
      [X + x, Y + y],
      [X + x, Y + y + h],
      [X + x + b, Y + y + h],
      [X + x + b, Y + y],
    ]);
  const on = (layerName: string) => ({ layerName });
  // Clockwise, with a corner in the middle of a side.
  dxf.addLWPolyline([...box(0, 0, 12, 8).slice(0, 2), { point: point2d(X + 6, Y + 8) }, ...box(0, 0, 12, 8).slice(2)], {
    ...closed,
    ...on('slab'),
  });
  dxf.addLWPolyline(box(5, 3, 2, 1.5), { ...closed, ...on('slab') });
  dxf.addLWPolyline(box(14, 3, 2, 1.5), { ...closed, ...on('slab') });
  dxf.addLWPolyline(box(2.8, 1.85, 0.4, 0.3), { ...closed, ...on('columns') });
  dxf.addCircle(point3d(X + 9, Y + 2), 0.2, on('columns'));
  dxf.addLWPolyline(
    corners([
      [X + 3.3, Y + 6],
      [X + 3, Y + 6.3],
      [X + 2.7, Y + 6],
      [X + 3, Y + 5.7],
    ]),
    { ...closed, ...on('columns') },
  );
  dxf.addPoint(X + 9, Y + 6, 0, on('columns'));
  dxf.addLine(point3d(X, Y + 2), point3d(X + 12, Y + 2), on('axes'));
  return dxf.stringify();
}

function isSound(reading: ReturnType<typeof readDxf>) {
  if (!reading.ok) return expect(reading.reason).toMatch(/^[A-Z].*\.$/);
  const places = [...reading.loops.flatMap((l) => [...l.points, ...(l.circle ? [l.circle.at] : [])]), ...reading.points.map((p) => p.at)];
  for (const p of places) expect(p.every(Number.isFinite)).toBe(true);
}

const read = (text: string) => {
  const reading = readDxf(text);
  if (!reading.ok) throw new Error(reading.reason);
  return reading;
};

describe('a plan out of a DXF', () => {
  const drawing = read(drawn());
  const roles = usualRoles(drawing, true);
  const plan = planOfDxf(drawing, roles, { unit: drawing.unit!, fromCorner: true });

  test('the unit is that of the drawing; layers are taken by what is on them', () => {
    expect(drawing.unit).toBe(1000);
    expect(roles).toEqual({ slab: 'outline', columns: 'columns' });
    expect(usualRoles(drawing, false)).toEqual({ slab: 'outline', columns: 'leave' });
  });
  test('outline and opening in mm from the lower left corner, anticlockwise, without corners on a side', () => {
    expect(plan.outer).toHaveLength(4);
    expect(signedArea(plan.outer)).toBeCloseTo(12_000 * 8_000, 0);
    expect(plan.holes).toHaveLength(1);
    expect([...plan.holes[0]!].sort((a, b) => a[0] - b[0] || a[1] - b[1])).toEqual([
      [5000, 3000],
      [5000, 4500],
      [7000, 3000],
      [7000, 4500],
    ]);
  });
  test('columns: a rectangle and a circle with their sizes, others by their middles', () => {
    expect(plan.columns).toEqual(
      expect.arrayContaining([
        { at: [3000, 2000], shape: { kind: 'rectangle', b: 400, h: 300 } },
        { at: [9000, 2000], shape: { kind: 'circle', diameter: 400 } },
        { at: [3000, 6000], shape: null },
        { at: [9000, 6000], shape: null },
      ]),
    );
    expect(plan.columns).toHaveLength(4);
  });
  test('what is left out is said', () => {
    expect(plan.left).toEqual([
      '1 closed line outside the outline, or across it',
      '1 column neither round nor a rectangle along x and y: the middle is taken',
      '1 chain of lines not closed',
    ]);
  });
  test('as drawn, coordinates count from the origin of the drawing', () => {
    const there = planOfDxf(drawing, roles, { unit: 1000, fromCorner: false });
    expect(Math.min(...there.outer.map((p) => p[0]))).toBe(4_000_000);
    expect(there.columns[0]!.at[1]).toBeGreaterThan(900_000);
  });
  test('a drawing that does not say its unit is not given one', () => {
    // The writer puts a unit into every file; files without one are as common.
    const text = drawn(Units.Unitless);
    expect(read(text).unit).toBeNull();
    expect(read(drawn(Units.Inches)).unit).toBe(25.4);
  });
  test('a slab by it: columns near to those that are there keep their names and storeys', () => {
    const demo = readProject(JSON.parse(readFileSync('examples/alderlight-floors.intarsia', 'utf8')));
    if (!demo.ok) throw new Error('demo');
    const slab = { ...(demo.project.members.find((m) => m.mark === 'FS1') as unknown as PlateInput) };
    const column = {
      name: 'K7',
      x: 3200,
      y: 2100,
      shape: { kind: 'rectangle', b: 250, h: 250 },
      below: 4100,
      above: 3300,
      farEnds: 'pinned',
      legs: null,
    };
    const before = { ...slab, columns: [column] as unknown as PlateInput['columns'] };
    const { outline, openings, columns } = asDrawn(before, plan, 'free');
    expect(outline!.map((c) => c.edge)).toContain('free');
    expect(openings).toHaveLength(1);
    expect(columns!.find((c) => c.name === 'K7')).toMatchObject({
      x: 3000,
      y: 2000,
      below: 4100,
      farEnds: 'pinned',
      shape: { b: 400, h: 300 },
    });
    expect(new Set(columns!.map((c) => c.name)).size).toBe(4);
    // A drawing without columns leaves those of the slab.
    expect(asDrawn(before, { ...plan, columns: [] }, 'free').columns).toBeUndefined();
  });
});

describe('lines of a DXF', () => {
  test('an arc of a polyline: half a turn and a quarter, to the left and to the right', () => {
    // From (0, 0) to (2, 0): anticlockwise by half a turn goes below the chord, through (1, -1).
    const half = alongBulge([0, 0], [2, 0], 1);
    expect(half.at(-1)).toEqual([2, 0]);
    for (const [x, y] of half) expect(Math.hypot(x - 1, y)).toBeCloseTo(1, 9);
    expect(Math.min(...half.map((p) => p[1]))).toBeCloseTo(-1, 9);
    expect(Math.max(...alongBulge([0, 0], [2, 0], -1).map((p) => p[1]))).toBeCloseTo(1, 9);
    // A quarter of a turn, tan(90° / 4), from (1, 0) to (0, 1) is about the origin.
    for (const p of alongBulge([1, 0], [0, 1], Math.tan(Math.PI / 8))) expect(Math.hypot(...p)).toBeCloseTo(1, 9);
    expect(alongBulge([0, 0], [5, 5], 0)).toEqual([[5, 5]]);
  });
  test('lines and arcs that meet make an outline, however they are directed', () => {
    const dxf = new DxfWriter();
    // A stadium: two straight sides of 4000 and half circles of radius 1000 at their ends.
    dxf.addLine(point3d(0, 0), point3d(4000, 0));
    dxf.addLine(point3d(0, 2000), point3d(4000, 2000));
    dxf.addArc(point3d(4000, 1000), 1000, -90, 90);
    dxf.addArc(point3d(0, 1000), 1000, 90, 270);
    const { loops, unread } = read(dxf.stringify());
    expect(loops).toHaveLength(1);
    expect(unread).toEqual([]);
    // 4000 x 2000 and a circle of radius 1000 that its 36 sides make smaller by 0.5 %.
    const area = 8e6 + Math.PI * 1e6;
    expect(outlineProperties({ outer: loops[0]!.points, holes: [] }).area / area).toBeCloseTo(1 - (0.0051 * Math.PI * 1e6) / area, 3);
  });
  test('where three lines meet nothing is guessed', () => {
    const at = (...points: Point[]) => points;
    const { loops, open } = joined([at([0, 0], [1, 0]), at([1, 0], [1, 1]), at([1, 1], [0, 0]), at([1, 0], [2, 0])], 1e-6);
    expect(loops).toHaveLength(0);
    expect(open).toBeGreaterThan(0);
  });
  test('corners on each other and on a straight line go', () => {
    const loop: Point[] = [
      [0, 0],
      [1, 0],
      [2, 0],
      [2, 0],
      [2, 2],
      [0, 2],
      [0, 0],
    ];
    expect(plainLoop(loop, 1e-6)).toHaveLength(4);
  });
  test('a block is read where it is placed, turned and drawn out', () => {
    const dxf = new DxfWriter();
    const block = dxf.addBlock('post');
    block.addCircle(point3d(0, 0), 100);
    block.addLWPolyline(
      corners([
        [-100, -50],
        [100, -50],
        [100, 50],
        [-100, 50],
      ]),
      closed,
    );
    dxf.addLayer('columns', 7, 'Continuous');
    dxf.addInsert('post', point3d(1000, 2000), { layerName: 'columns', rotationAngle: 90, scaleFactor: { x: 2, y: 2, z: 2 } });
    const { loops } = read(dxf.stringify());
    expect(loops.map((l) => l.layer)).toEqual(['columns', 'columns']);
    expect(loops.find((l) => l.circle)!.circle).toEqual({ at: [1000, 2000], diameter: 400 });
    const box = loops.find((l) => !l.circle)!.points;
    expect(Math.max(...box.map((p) => p[0]))).toBeCloseTo(1100, 6);
    expect(Math.max(...box.map((p) => p[1]))).toBeCloseTo(2200, 6);
  });
  test('curves that are not read are said', () => {
    const dxf = new DxfWriter();
    dxf.addLWPolyline(
      corners([
        [0, 0],
        [10, 0],
        [10, 10],
      ]),
      closed,
    );
    dxf.addEllipse(point3d(0, 0), point3d(5, 0), 0.5, 0, 2 * Math.PI);
    expect(read(dxf.stringify()).unread).toEqual(['1 ellipse']);
  });
  test('a line of a hundred thousand corners is read', () => {
    const n = 100_000;
    const round = Array.from({ length: n }, (_, i): Point => [
      1e6 * Math.cos((2 * Math.PI * i) / n),
      1e6 * Math.sin((2 * Math.PI * i) / n),
    ]);
    const text = [
      '0',
      'SECTION',
      '2',
      'ENTITIES',
      '0',
      'LWPOLYLINE',
      '8',
      '0',
      '90',
      String(n),
      '70',
      '1',
      ...round.flatMap(([x, y]) => ['10', String(x), '20', String(y)]),
      '0',
      'ENDSEC',
      '0',
      'EOF',
      '',
    ];
    const [loop] = read(text.join('\n')).loops;
    // What stays is the circle, to a ten-thousandth of its area.
    expect(signedArea(loop!.points) / (Math.PI * 1e12)).toBeCloseTo(1, 4);
  });
  test.each([
    ['', 'cannot be read'],
    ['no drawing', 'cannot be read'],
    ['AC1032 and bytes', 'binary'],
    ['0\nSECTION\n2\nENTITIES\n0\nENDSEC\n0\nEOF\n', 'no lines'],
    ['0\nSECTION\n2\nENTITIES\n0\nLINE\n8\n', 'cannot be read'],
  ])('%j is refused in words', (text, words) => {
    const reading = readDxf(text);
    expect(reading.ok ? 'read' : reading.reason).toContain(words);
  });
  test('cut off anywhere, a file is read or refused, never thrown', () => {
    const text = drawn();
    for (let i = 0; i < text.length; i += 97) isSound(readDxf(text.slice(0, i)));
  });
  test('with any of its lines changed, a file is read or refused, never thrown, and holds no number that is none', () => {
    const lines = drawn().split('\n');
    const others = ['', 'NaN', '1e400', '-1', '0', 'LWPOLYLINE', 'INSERT', '90', '999999999', 'slab'];
    for (let i = 0; i < lines.length; i += 7) {
      const changed = [...lines];
      changed[i] = others[i % others.length]!;
      isSound(readDxf(changed.join('\n')));
    }
  });
});
