import type { Fibre } from '../states';
import { areaOf, circleAt, textAt, line, type Drawing, type Point, type Shape } from '../../../drawing/shapes';

export interface StatePicture {
  /** Fibres of the concrete from the least to the most compressed edge, and those of the bars. */
  readonly concrete: readonly Fibre[];
  readonly bars: readonly Fibre[];
  /** Depth of the neutral axis (mm), null outside the section. */
  readonly neutral: number | null;
  readonly labels: {
    readonly strain: (v: number) => string;
    readonly stress: (v: number) => string;
    readonly steel: (v: number) => string;
    readonly length: (v: number) => string;
  };
}

/** Strain, stress of concrete and stress of bars over the depth of a section, compression to the right. */
export function stateDrawing(p: StatePicture, width: number, height: number): Drawing {
  const shapes: Shape[] = [];
  const [first, last] = [p.concrete[0], p.concrete.at(-1)];
  if (!first || !last) return { width, height, title: 'Strains and stresses', shapes };
  const [top, bottom] = [30, height - 14];
  const y = (v: number) => bottom - ((v - first.v) / (last.v - first.v)) * (bottom - top);
  const part = width / 3;
  const strains = panel('strain', part * 0.62, part * 0.24, [first, last, ...p.bars], (f) => f.strain);
  const stresses = panel('stress of concrete', part * 1.45, part * 0.36, p.concrete, (f) => f.stress);
  const steels = panel('stress of bars', part * 2.34, part * 0.22, p.bars, (f) => f.stress);
  for (const q of [strains, stresses, steels]) {
    shapes.push(line([q.at, top], [q.at, bottom], 'axis'), textAt([q.at, 12], q.title, 'small', { anchor: 'middle' }));
  }
  const fill = (q: Panel, fibres: readonly Fibre[]): Shape =>
    areaOf({ line: 'resistance', fill: 'resistanceWash' }, [q.at, y(first.v)], ...fibres.map((f): Point => [q.x(f), y(f.v)]), [
      q.at,
      y(last.v),
    ]);
  shapes.push(fill(strains, [first, last]), fill(stresses, p.concrete));
  if (p.neutral !== null) {
    const level = y(last.v - p.neutral);
    shapes.push(
      line([8, level], [width - 8, level], 'shifted'),
      textAt([10, level - 4], `x = ${p.labels.length(p.neutral)}`, 'small', { halo: true }),
    );
  }
  for (const f of p.bars) {
    shapes.push(circleAt([strains.x(f), y(f.v)], 2.6, { line: 'outline', fill: 'steel' }));
    shapes.push(line([steels.at, y(f.v)], [steels.x(f), y(f.v)], 'barHeavy'));
  }
  const label = (q: Panel, f: Fibre, text: string, dy: number): Shape =>
    textAt([q.x(f) + (q.value(f) < 0 ? -5 : 5), y(f.v) + dy], text, 'small', { anchor: q.value(f) < 0 ? 'end' : 'start', halo: true });
  shapes.push(label(strains, last, p.labels.strain(last.strain), -4), label(strains, first, p.labels.strain(first.strain), 12));
  if (last.stress > 0) shapes.push(label(stresses, last, p.labels.stress(last.stress), -4));
  const sorted = [...p.bars].sort((a, b) => a.v - b.v);
  if (sorted.length > 0) {
    shapes.push(label(steels, sorted[0]!, p.labels.steel(sorted[0]!.stress), 12));
    shapes.push(label(steels, sorted.at(-1)!, p.labels.steel(sorted.at(-1)!.stress), -4));
  }
  return { width, height, title: 'Strains and stresses', shapes };
}

interface Panel {
  readonly title: string;
  readonly at: number;
  readonly x: (f: Fibre) => number;
  readonly value: (f: Fibre) => number;
}

/** One of the diagrams: its zero line, and how far the largest value reaches from it. */
function panel(title: string, at: number, reach: number, fibres: readonly Fibre[], value: (f: Fibre) => number): Panel {
  const most = Math.max(1e-12, ...fibres.map((f) => Math.abs(value(f))));
  return { title, at, value, x: (f) => at + (value(f) / most) * reach };
}
