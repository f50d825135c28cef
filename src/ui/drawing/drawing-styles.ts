import { bandInks } from '@/core/drawing/bands';
import type { FillStyle, LineStyle, TextStyle } from '@/core/drawing/shapes';

/** How the styles of core drawings look on the screen. */
export const lines: Record<LineStyle, { stroke: string; strokeWidth: number; strokeDasharray?: string }> = {
  cut: { stroke: '#231E19', strokeWidth: 1.6 },
  outline: { stroke: '#231E19', strokeWidth: 1 },
  tentative: { stroke: '#231E19', strokeWidth: 1, strokeDasharray: '4 3' },
  dim: { stroke: '#51473C', strokeWidth: 0.7 },
  tick: { stroke: '#51473C', strokeWidth: 1.1 },
  axis: { stroke: '#231E19', strokeWidth: 1 },
  rule: { stroke: '#CDC2AB', strokeWidth: 1 },
  grid: { stroke: '#CDC2AB', strokeWidth: 0.7 },
  bar: { stroke: '#231E19', strokeWidth: 1.9 },
  barHeavy: { stroke: '#231E19', strokeWidth: 2.6 },
  link: { stroke: '#51473C', strokeWidth: 0.6 },
  demand: { stroke: '#A6583B', strokeWidth: 1.2 },
  resistance: { stroke: '#3C8A7A', strokeWidth: 1.6 },
  shifted: { stroke: '#A6583B', strokeWidth: 0.8, strokeDasharray: '3 2' },
  nominal: { stroke: '#3C8A7A', strokeWidth: 0.8, strokeDasharray: '4 3' },
  mesh: { stroke: '#3C8A7A', strokeWidth: 0.7 },
  meshHidden: { stroke: '#CDC2AB', strokeWidth: 0.6 },
  excess: { stroke: '#B31340', strokeWidth: 1 },
  load: { stroke: '#A6583B', strokeWidth: 0.9 },
  loadVariable: { stroke: '#A6583B', strokeWidth: 0.9, strokeDasharray: '3 2' },
  station: { stroke: '#231E19', strokeWidth: 1.4 },
  edge: { stroke: '#F8F4E9', strokeWidth: 0.7 },
};

export const fills: Record<FillStyle, string> = {
  none: 'none',
  concrete: 'url(#concrete)',
  concreteLight: 'url(#concrete-light)',
  compression: 'url(#compressed)',
  steel: '#231E19',
  link: '#6B6153',
  demandWash: '#EBCFBB',
  demandSolid: '#A6583B',
  resistanceWash: '#E4EBDF',
  excessHatch: 'url(#over-light)',
  permanentWash: '#EBCFBB',
  surface: '#F8F4E9',
  ebony: '#231E19',
  ...bandInks,
};

export const texts: Record<TextStyle, { color: string; size: string }> = {
  plain: { color: '#231E19', size: '0.72rem' },
  small: { color: '#51473C', size: '0.6875rem' },
  strong: { color: '#231E19', size: '0.72rem' },
  demand: { color: '#8B4328', size: '0.72rem' },
  resistance: { color: '#1D6355', size: '0.72rem' },
  over: { color: '#A30F38', size: '0.72rem' },
  symbol: { color: '#231E19', size: '0.82rem' },
};
