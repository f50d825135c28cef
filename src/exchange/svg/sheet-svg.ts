import type { Point } from '@/core/geometry/polygon';
import { TITLE_BLOCK } from '@/core/sheets/member-sheet';
import { dimensionParts, TEXT, TITLE, type Entity, type PlacedView, type Sheet, type SheetLayer } from '@/core/sheets/sheet';

/** Breadth (mm) and colour of lines by layer. */
const pens: Record<SheetLayer, readonly [width: number, color: string]> = {
  concrete: [0.25, '#231E19'],
  bars: [0.5, '#231E19'],
  links: [0.25, '#51473C'],
  dimensions: [0.13, '#51473C'],
  marks: [0.13, '#231E19'],
  axes: [0.18, '#51473C'],
  frame: [0.35, '#231E19'],
};

const n = (v: number) => String(Math.round(v * 1000) / 1000);
const escape = (s: string) => s.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

/** Where something of a view lies on the paper (mm, y downwards). */
type OnPaper = (p: Point) => Point;

function entitySvg(e: Entity, on: OnPaper, scale: number, font: string): string {
  if (e.kind === 'block')
    return e.entities.map((inner) => entitySvg(inner, ([x, y]) => on([x + e.at[0], y + e.at[1]]), scale, font)).join('');
  if (e.kind === 'dimension') {
    const { strokes, text } = dimensionParts(e, scale);
    return [...strokes, text].map((part) => entitySvg(part, on, scale, font)).join('');
  }
  const [width, color] = pens[e.layer];
  if (e.kind === 'text') {
    const [x, y] = on(e.at);
    const turn = e.turn ? ` transform="rotate(${n(-e.turn)} ${n(x)} ${n(y)})"` : '';
    // Letters are 0.7 of the size of their type.
    return `<text x="${n(x)}" y="${n(y)}" font-family="${font}" font-size="${n(e.height / 0.7)}" fill="${color}" text-anchor="${e.anchor ?? 'start'}"${turn}>${escape(e.text)}</text>`;
  }
  if (e.kind === 'circle') {
    const [x, y] = on(e.at);
    const look = e.isFilled ? `fill="${color}"` : `fill="none" stroke="${color}" stroke-width="${width}"`;
    return `<circle cx="${n(x)}" cy="${n(y)}" r="${n(e.r / scale)}" ${look}/>`;
  }
  const d = e.points.map((p, i) => `${i === 0 ? 'M' : 'L'}${on(p).map(n).join(' ')}`).join(' ') + (e.isClosed ? ' Z' : '');
  return `<path d="${d}" fill="none" stroke="${color}" stroke-width="${width}"${e.isDashed ? ' stroke-dasharray="2 1"' : ''}/>`;
}

/** A view's places on the paper. */
const placing =
  ({ at, from, scale }: PlacedView, height: number): OnPaper =>
  ([x, y]) => [at[0] + (x - from[0]) / scale, height - at[1] - (y - from[1]) / scale];

/** A sheet as SVG in millimetres, as it is plotted. */
export function sheetSvg(sheet: Sheet, font = 'sans-serif'): string {
  const { width, height } = sheet.paper;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">${sheetBody(sheet, font)}</svg>`;
}

/** Several sheets in one file, one below the other. */
export function sheetsSvg(sheets: readonly Sheet[], font = 'sans-serif'): string {
  const width = Math.max(0, ...sheets.map((s) => s.paper.width));
  let y = 0;
  const bodies = sheets.map((sheet) => {
    const body = `<g transform="translate(0 ${y})">${sheetBody(sheet, font)}</g>`;
    y += sheet.paper.height;
    return body;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${y}mm" viewBox="0 0 ${width} ${y}">${bodies.join('')}</svg>`;
}

function sheetBody({ paper, views, titleBlock }: Sheet, font: string): string {
  const { width, height } = paper;
  const body = views.map((view) => {
    const on = placing(view, height);
    const caption: Entity = {
      kind: 'text',
      layer: 'frame',
      at: [view.from[0], view.from[1] - 6 * view.scale],
      text: `${view.title}  1:${view.scale}`,
      height: TITLE,
    };
    return [...view.entities, caption].map((e) => entitySvg(e, on, view.scale, font)).join('');
  });
  return (
    body.join('\n') +
    frameEntities(width, height, titleBlock)
      .map((e) => entitySvg(e, ([x, y]) => [x, height - y], 1, font))
      .join('')
  );
}

/** Border and title block, in millimetres of the paper from its lower left corner. */
export function frameEntities(width: number, height: number, titleBlock: Sheet['titleBlock']): Entity[] {
  const box = (x1: number, y1: number, x2: number, y2: number): Entity => ({
    kind: 'path',
    layer: 'frame',
    isClosed: true,
    points: [
      [x1, y1],
      [x2, y1],
      [x2, y2],
      [x1, y2],
    ],
  });
  const shares = titleBlock.map(([name, value]) => Math.max(name.length, value.length, 6) + 3);
  const whole = shares.reduce((a, b) => a + b, 0);
  let x = 10;
  const cells = titleBlock.flatMap(([name, value], i): Entity[] => {
    const own = (shares[i]! / whole) * (width - 20);
    const from = x;
    x += own;
    const size = Math.min(TEXT, ((own - 3) / Math.max(1, value.length)) * 1.6);
    return [
      box(from, 10, from + own, 10 + TITLE_BLOCK),
      { kind: 'text', layer: 'frame', at: [from + 1.5, 10 + TITLE_BLOCK - 4], text: name, height: 1.8 },
      { kind: 'text', layer: 'frame', at: [from + 1.5, 13], text: value, height: size },
    ];
  });
  return [box(10, 10, width - 10, height - 10), ...cells];
}
