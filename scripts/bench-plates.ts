import { addPressure, noLoads } from '../src/core/analysis/plates/plate-loads';
import { meshOf } from '../src/core/analysis/plates/mesh';
import { plateModel } from '../src/core/analysis/plates/plate-model';
import { supportsOf } from '../src/core/analysis/plates/supports';
import { evenRigidity } from '../src/core/analysis/plates/triangle';
import { box } from '../src/core/geometry/polygon';

type Row = [work: string, target: string, measured: string];

/** A square slab on four edges with sides of triangles of a size: meshed, assembled and factored, and another load on the kept factor. */
export function plateRows(median: (run: () => void, least: number, mostMs: number) => number, ms: (t: number) => string): Row[] {
  const outline = { outer: box(0, 0, 6000, 6000), holes: [] };
  const rigidity = evenRigidity(30_000, 0.2, 200);
  const lines = outline.outer.map((a, i) => ({ piece: [a, outline.outer[(i + 1) % 4]!] as const, how: 'simple' as const }));
  return (
    [
      [113, '< 300 ms', 3000],
      [56, '< 2 s', 8000],
    ] as const
  ).flatMap(([size, target, room]): Row[] => {
    const mesh = meshOf({ outline, lines: [], points: [], sizeAt: () => size });
    const unknowns = (3 * mesh.at.length) / 2;
    const supports = supportsOf(mesh, lines, [], rigidity.bending[0]);
    const make = () => plateModel(mesh, () => rigidity, supports);
    const model = make();
    const loads = noLoads(model.unknowns);
    addPressure(loads, model.mesh, () => 0.01);
    const work = `plate of ${unknowns.toLocaleString('en')} unknowns`;
    return [
      [`${work}, meshed`, '–', ms(median(() => meshOf({ outline, lines: [], points: [], sizeAt: () => size }), 3, 800))],
      [`${work}, assembled, factored and solved`, target, ms(median(() => make().solve(loads), 3, room))],
      [
        `${work}, another load on the kept factor, with reactions`,
        unknowns < 20_000 ? '< 20 ms' : '–',
        ms(median(() => model.solve(loads), 5, 500)),
      ],
    ];
  });
}
