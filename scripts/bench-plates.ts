import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { addPressure, noLoads } from '../src/core/analysis/plates/plate-loads';
import { meshOf } from '../src/core/analysis/plates/mesh';
import { PER_NODE } from '../src/core/analysis/plates/multifrontal';
import { plateModel, type PlateModel } from '../src/core/analysis/plates/plate-model';
import { supportsOf } from '../src/core/analysis/plates/supports';
import { evenRigidity, triangleStiffness, type Rigidity } from '../src/core/analysis/plates/triangle';
import { box } from '../src/core/geometry/polygon';
import { codeOf } from '../src/core/members/member';
import { designPlate, strengthAlone } from '../src/core/members/plate/design-plate';
import { meshIn } from '../src/core/members/plate/zones';
import type { PlateMember } from '../src/core/members/plate/input';
import { readProjectText } from '../src/exchange/project-text';

type Row = [work: string, target: string, measured: string];
type Median = (run: () => void, least: number, mostMs: number) => number;
type Write = (t: number) => string;

/** Times factorisation and solution of the same matrix by the sparse solver of python3-scipy, where it is there. */
function byScipy({ structure }: PlateModel, rigidity: Rigidity): number | undefined {
  const { mesh, triangles, heads } = structure;
  const [rows, columns, values]: [number[], number[], number[]] = [[], [], []];
  triangles.forEach((triangle, e) => {
    const nodes = mesh.triangles.subarray(3 * e, 3 * e + 3);
    const { matrix } = triangleStiffness(nodes, triangle, rigidity);
    const at = (k: number) => PER_NODE * nodes[Math.floor(k / PER_NODE)]! + (k % PER_NODE);
    for (let a = 0; a < 9; a += 1)
      for (let b = 0; b < 9; b += 1)
        if (!heads.isHeld[at(a)] && !heads.isHeld[at(b)]) {
          rows.push(at(a));
          columns.push(at(b));
          values.push(matrix[9 * a + b]!);
        }
  });
  const folder = mkdtempSync(join(tmpdir(), 'bench-'));
  try {
    writeFileSync(join(folder, 'i'), Int32Array.from(rows));
    writeFileSync(join(folder, 'j'), Int32Array.from(columns));
    writeFileSync(join(folder, 'v'), Float64Array.from(values));
    const script = `
import time, numpy as np, scipy.sparse as sp
from scipy.sparse.linalg import splu
i, j, v = (np.fromfile(f, t) for f, t in (('i', 'i4'), ('j', 'i4'), ('v', 'f8')))
free = np.unique(i); to = np.zeros(free.max() + 1, int); to[free] = np.arange(len(free))
best = 1e9
for _ in range(3):
    t = time.perf_counter()
    k = sp.csc_matrix((v, (to[i], to[j])), shape=(len(free),) * 2)
    splu(k, permc_spec='MMD_AT_PLUS_A', diag_pivot_thresh=0.0, options=dict(SymmetricMode=True)).solve(np.ones(len(free)))
    best = min(best, time.perf_counter() - t)
print(1000 * best)`;
    const { status, stdout } = spawnSync('python3', ['-c', script], { cwd: folder, encoding: 'utf8' });
    return status === 0 ? Number(stdout) : undefined;
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** A square slab on four edges with sides of triangles of a size: meshed, assembled and factored, and another load on the kept factor. */
function squareRows(median: Median, ms: Write): Row[] {
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
    const native = byScipy(model, rigidity);
    return [
      [`${work}, meshed`, '–', ms(median(() => meshOf({ outline, lines: [], points: [], sizeAt: () => size }), 3, 800))],
      [`${work}, assembled, factored and solved`, target, ms(median(() => make().solve(loads), 3, room))],
      [`${work}, the same matrix by scipy`, '–', native === undefined ? 'python3-scipy is not there' : ms(native)],
      [`${work}, numbers in the factor`, '< 500 MB', `${((8 * model.factor.size) / 1e6).toFixed(0)} MB`],
      [
        `${work}, another load on the kept factor, with reactions`,
        unknowns < 20_000 ? '< 20 ms' : '–',
        ms(median(() => model.solve(loads), 5, 500)),
      ],
    ];
  });
}

/** The flat slab of the demo with a fine mesh and five stages of loading; then the same with other bars, and with one set of bars made closer on the plan. */
function flatSlabRows(median: Median, ms: Write): Row[] {
  const read = readProjectText(readFileSync('examples/alderlight-floors.intarsia', 'utf8'));
  if (!read.ok) throw new Error('The demo cannot be read.');
  const { project } = read;
  const slab = project.members.find((m) => m.mark === 'SF1') as PlateMember;
  const all = ['SW', ...slab.cases.map((c) => c.id)];
  const stages = [3, 30, 60, 90, 365].map((days, i) => ({
    title: `${days} days`,
    days,
    factors: all.map((caseId) => ({ caseId, factor: caseId === 'SW' ? 1 : i / 4 })),
  }));
  const fine: PlateMember = { ...slab, meshSize: 350, stages };
  const bars = { size: 'H16', alternate: null, spacing: 150 };
  const runs = [
    // The first design of all is slower, before the engine knows what is used often.
    { words: 'as the first of all', plate: { ...fine, h: fine.h + 1 } },
    { words: 'everything new', plate: fine },
    { words: 'other bars', plate: { ...fine, bars: { ...fine.bars, bottom: { x: bars, y: bars } } } },
  ];
  const rows = runs.flatMap(({ words, plate }): Row[] => {
    const work = designPlate(plate, codeOf(project, plate), { derive: [], units: 'SI' });
    const start = performance.now();
    const early: number[] = [];
    for (;;) {
      const step = work.next();
      if (step.done) {
        const name = `flat slab of ${(1.5 * step.value.mesh!.at.length).toLocaleString('en')} unknowns, ${words}`;
        const [first, strength] = early.length > 1 ? [early[0]!, early[1]!] : [undefined, early[0]!];
        return [
          ...(first === undefined ? [] : [[`${name}: first on a coarse mesh`, '< 1 s', ms(first)] satisfies Row]),
          [`${name}: strength with bars and maps`, '–', ms(strength)],
          [`${name}: five stages with cracking`, '< 10 s', ms(performance.now() - start - strength)],
        ];
      }
      if (step.value.early) early.push(performance.now() - start);
    }
  });
  const code = codeOf(project, fine);
  const { steel } = strengthAlone(fine, code);
  const meshAt = (face: 'bottom' | 'top') => ({ x: meshIn(steel, { face, along: 'x' }), y: meshIn(steel, { face, along: 'y' }) });
  const edited = (k: number): PlateMember => ({
    ...fine,
    bars: {
      bottom: meshAt('bottom'),
      top: meshAt('top'),
      extra: steel.extra.map((e, i) => (i === 0 ? { ...e, bars: { ...e.bars, spacing: e.bars.spacing - k } } : e)),
    },
  });
  let k = 0;
  const again = median(() => strengthAlone(edited((k += 1)), code), 5, 2000);
  return [...rows, ['the same, one set of bars on the plan changed: bars, every check of strength, cracks, maps', '< 100 ms', ms(again)]];
}

export const plateRows = (median: Median, ms: Write): Row[] => [...squareRows(median, ms), ...flatSlabRows(median, ms)];
