import { apart } from '@/core/drawing/apart';
import { bandInks } from '@/core/drawing/bands';
import type { Drawing, FillStyle, LineStyle, Point, Shape, TextStyle } from '@/core/drawing/shapes';

const strokes: Record<LineStyle, readonly [color: string, width: number, dash?: string]> = {
  cut: ['#231E19', 1.5],
  outline: ['#231E19', 1],
  tentative: ['#231E19', 1, '4 3'],
  dim: ['#51473C', 0.7],
  tick: ['#51473C', 1.1],
  axis: ['#231E19', 1],
  rule: ['#CDC2AB', 1],
  grid: ['#CDC2AB', 0.7],
  bar: ['#231E19', 1.9],
  barHeavy: ['#231E19', 2.6],
  link: ['#51473C', 0.5],
  demand: ['#A6583B', 1.2],
  resistance: ['#3C8A7A', 1.6],
  shifted: ['#A6583B', 0.8, '3 2'],
  nominal: ['#3C8A7A', 0.8, '4 3'],
  mesh: ['#3C8A7A', 0.7],
  meshHidden: ['#CDC2AB', 0.6],
  excess: ['#B31340', 1.4],
  load: ['#A6583B', 0.9],
  loadVariable: ['#A6583B', 0.9, '3 2'],
  station: ['#231E19', 1.4],
  edge: ['#FFFFFF', 0.7],
};
const fills: Record<FillStyle, string> = {
  none: 'none',
  concrete: '#E7DFCD',
  concreteLight: '#EDE6D6',
  compression: '#EBCFBB',
  steel: '#231E19',
  link: '#6B6153',
  demandWash: '#EBCFBB',
  demandSolid: '#A6583B',
  resistanceWash: '#E4EBDF',
  excessHatch: '#EFC6C6',
  permanentWash: '#EBCFBB',
  surface: '#FFFFFF',
  ebony: '#231E19',
  ...bandInks,
};
const texts: Record<TextStyle, readonly [color: string, size: number]> = {
  plain: ['#231E19', 11],
  small: ['#51473C', 10.5],
  strong: ['#231E19', 11],
  demand: ['#8B4328', 11],
  resistance: ['#1D6355', 11],
  over: ['#A30F38', 11],
  symbol: ['#231E19', 12.5],
};

const escape = (s: string) => s.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');
const n = (v: number) => String(Math.round(v * 100) / 100);

/** A drawing of the core as SVG text for the page: the same shapes as on the screen, plain fills instead of hatches. */
export function drawingSvg(given: Drawing, font: string): string {
  const drawing = apart(given);
  const body = drawing.shapes.map((s) => shapeSvg(s, font)).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${drawing.width}" height="${drawing.height}" viewBox="0 0 ${drawing.width} ${drawing.height}">${body}</svg>`;
}

function shapeSvg(shape: Shape, font: string): string {
  if (shape.kind === 'text') {
    const [color, size] = texts[shape.style];
    const [x, y] = [n(shape.at[0]), n(shape.at[1])];
    const turn = shape.turn ? ` transform="rotate(${-shape.turn} ${x} ${y})"` : '';
    return `<text x="${x}" y="${y}" font-family="${font}" font-size="${size}" fill="${color}" text-anchor="${shape.anchor ?? 'start'}"${turn}>${escape(shape.text)}</text>`;
  }
  const [stroke, width, dash] = shape.line ? strokes[shape.line] : ['none', 0];
  const look = `fill="${fills[shape.fill ?? 'none']}" stroke="${stroke}" stroke-width="${width}"${dash ? ` stroke-dasharray="${dash}"` : ''}`;
  if (shape.kind === 'circle') return `<circle cx="${n(shape.at[0])}" cy="${n(shape.at[1])}" r="${n(shape.r)}" ${look}/>`;
  const one = (points: readonly Point[]) =>
    points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${n(x)} ${n(y)}`).join(' ') + (shape.closed ? ' Z' : '');
  const d = [shape.points, ...(shape.more ?? [])].map(one).join(' ');
  return `<path d="${d}" ${look}/>`;
}
