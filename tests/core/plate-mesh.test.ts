import { meshOf } from '@/core/analysis/plates/mesh';
import { box, signedArea, type Point } from '@/core/geometry/polygon';

const around = (loop: readonly Point[]) => loop.map((a, i) => [a, loop[(i + 1) % loop.length]!] as const);

describe('the mesh', () => {
  const source = {
    outline: {
      outer: [
        [0, 0],
        [9000, 0],
        [9000, 4000],
        [5000, 4000],
        [5000, 7000],
        [0, 7000],
      ],
      holes: [box(1500, 1500, 3000, 2500)],
    },
    lines: [
      [
        [5000, 0],
        [5000, 4000],
      ],
      [
        [0, 3000],
        [6000, 3500],
      ],
    ],
    points: [
      [4000, 4000],
      [7000, 2000],
    ],
    sizeAt: ([x, y]: Point) => Math.max(80, Math.min(400, 0.25 * Math.hypot(x - 5000, y - 4000))),
  } as const;
  const mesh = meshOf(source);
  const triangles = Array.from({ length: mesh.triangles.length / 3 }, (_, e) =>
    [0, 1, 2].map((k): Point => [mesh.at[2 * mesh.triangles[3 * e + k]!]!, mesh.at[2 * mesh.triangles[3 * e + k]! + 1]!]),
  );

  test('covers the outline less its openings, counterclockwise, each place once', () => {
    // 9 x 7 m less 4 x 3 m at the corner less 1.5 x 1 m.
    const areas = triangles.map((t) => signedArea(t));
    expect(Math.min(...areas)).toBeGreaterThan(0);
    expect(areas.reduce((a, b) => a + b, 0) / 1e6).toBeCloseTo(63 - 12 - 1.5, 9);
  });
  test('has nodes where they are asked for, and sides along every line', () => {
    const sides = new Set(triangles.flatMap((t) => around(t).flatMap(([p, q]) => [`${p} ${q}`, `${q} ${p}`])));
    for (const [x, y] of source.points) expect(triangles.flat().some((p) => Math.hypot(p[0] - x, p[1] - y) < 0.5)).toBe(true);
    for (const [[ax, ay], [bx, by]] of source.lines) {
      const length = Math.hypot(bx - ax, by - ay);
      const off = ([x, y]: Point) => Math.abs((bx - ax) * (y - ay) - (by - ay) * (x - ax)) / length;
      const along = ([x, y]: Point) => ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length;
      const on = [...new Map(triangles.flat().map((p) => [String(p), p])).values()]
        .filter((p) => off(p) < 0.5 && along(p) > -0.5 && along(p) < length + 0.5)
        .sort((p, q) => along(p) - along(q));
      expect(along(on[0]!)).toBeLessThan(0.5);
      expect(along(on[on.length - 1]!)).toBeGreaterThan(length - 0.5);
      on.slice(1).forEach((p, i) => expect(sides.has(`${on[i]} ${p}`)).toBe(true));
    }
  });
  test('is finer where that is wanted, without flat triangles', () => {
    const size = (t: Point[]) => Math.sqrt((4 / Math.sqrt(3)) * signedArea(t));
    const centre = (t: Point[]): Point => [(t[0]![0] + t[1]![0] + t[2]![0]) / 3, (t[0]![1] + t[1]![1] + t[2]![1]) / 3];
    for (const t of triangles) expect(size(t) / source.sizeAt(centre(t))).toBeLessThan(2);
    const angles = triangles.flatMap((t) =>
      t.map((p, k) => {
        const [q, r] = [t[(k + 1) % 3]!, t[(k + 2) % 3]!];
        return Math.atan2(
          Math.abs((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0])),
          (q[0] - p[0]) * (r[0] - p[0]) + (q[1] - p[1]) * (r[1] - p[1]),
        );
      }),
    );
    expect((Math.min(...angles) * 180) / Math.PI).toBeGreaterThan(15);
  });
  test('the same source gives the same mesh; without area there is none', () => {
    expect(meshOf(source).at).toEqual(mesh.at);
    expect(() =>
      meshOf({
        outline: {
          outer: [
            [0, 0],
            [5000, 0],
            [2500, 0],
          ],
          holes: [],
        },
        lines: [],
        points: [],
        sizeAt: () => 400,
      }),
    ).toThrow(/no area/);
  });
});
