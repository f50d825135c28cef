import {
  Colors,
  DxfWriter,
  point2d,
  point3d,
  TextHorizontalAlignment,
  TextVerticalAlignment,
  Units,
  type DxfBlock,
  type vec3_t,
} from '@tarikjabiri/dxf';
import { dimensionParts, sheetLayers, TEXT, TITLE, type Entity, type Sheet, type SheetLayer } from '@/core/sheets/sheet';
import { frameEntities } from '../svg/sheet-svg';

const colors: Record<SheetLayer, number> = {
  concrete: Colors.White,
  bars: Colors.Red,
  links: Colors.Green,
  dimensions: Colors.Cyan,
  marks: Colors.Yellow,
  axes: Colors.Blue,
  frame: Colors.White,
};
const DASHED = 'DASHED';
/** Flag of a block that a program made (DXF group 70). */
const ANONYMOUS = 1;

/** Where entities go: the drawing, or a block of it; moved by a shift. */
interface Target {
  readonly to: Pick<DxfBlock, 'addLWPolyline' | 'addCircle' | 'addText' | 'addInsert' | 'addAlignedDim'>;
  readonly shift: readonly [number, number];
  readonly scale: number;
}

/**
 * Sheets as DXF (R2000), model space in true millimetres: views at full size, texts as high as they stand on paper at the scale of their view. Each
 * bar mark is a block; dimensions are dimensions, each with the block that shows it, and a style for each scale.
 */
export function sheetsDxf(sheets: readonly Sheet[]): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLType(DASHED, '__ __ __', [200, -100]);
  for (const layer of sheetLayers) dxf.addLayer(layer, colors[layer], 'Continuous');
  const write = writer(dxf);
  let right = 0;
  sheets.forEach((sheet, i) => {
    const main = sheet.views[0]?.scale ?? 1;
    const { width, height } = sheet.paper;
    for (const view of sheet.views) {
      const shift = [right + view.at[0] * main - view.from[0], view.at[1] * main - view.from[1]] as const;
      const target: Target = { to: dxf.modelSpace, shift, scale: view.scale };
      for (const e of view.entities) write(e, target, `${i + 1}`);
      write(
        { kind: 'text', layer: 'frame', at: [view.from[0], view.from[1] - 6 * view.scale], text: view.title, height: TITLE },
        target,
        `${i + 1}`,
      );
    }
    for (const e of frameEntities(width, height, sheet.titleBlock))
      write(enlarged(e, main), { to: dxf.modelSpace, shift: [right, 0], scale: main }, `${i + 1}`);
    right += (width + 20) * main;
  });
  return dxf.stringify();
}

/** The frame of the paper around views of true size. */
const enlarged = (e: Entity, by: number): Entity =>
  e.kind === 'path'
    ? { ...e, points: e.points.map(([x, y]) => [x * by, y * by] as const) }
    : e.kind === 'text'
      ? { ...e, at: [e.at[0] * by, e.at[1] * by] }
      : e;

const aligned = { start: TextHorizontalAlignment.Left, middle: TextHorizontalAlignment.Center, end: TextHorizontalAlignment.Right };

function writer(dxf: DxfWriter) {
  const known = new Set<string>();
  let count = 0;
  const blockFor = (name: string, fill: (block: DxfBlock) => void) => {
    if (known.has(name)) return name;
    known.add(name);
    fill(dxf.addBlock(name));
    return name;
  };
  /** The block that shows a dimension: without a name of its own, in the coordinates of the drawing. */
  const shownBy = (name: string, fill: (block: DxfBlock) => void) => {
    const block = dxf.document.blocks.addBlock(name, dxf.document.objects, false);
    block.flags = ANONYMOUS;
    fill(block);
    return name;
  };
  /** Figures and ticks as high as on paper at a scale. */
  const styleFor = (scale: number) => {
    const name = `scale ${scale}`;
    if (known.has(name)) return name;
    known.add(name);
    const style = dxf.addDimStyle(name);
    Object.assign(style, {
      DIMSCALE: scale,
      DIMTXT: TEXT,
      DIMTSZ: 1.2,
      DIMEXO: 1,
      DIMEXE: 1,
      DIMGAP: 0.8,
      DIMTAD: 1,
      DIMTIH: 0,
      DIMTOH: 0,
      DIMDEC: 0,
    });
    return name;
  };
  const write = (e: Entity, { to, shift: [dx, dy], scale }: Target, sheet: string): void => {
    if (e.kind === 'path') {
      const points = e.points.map(([x, y]) => ({ point: point2d(x + dx, y + dy) }));
      to.addLWPolyline(points, { layerName: e.layer, flags: e.isClosed ? 1 : 0, ...(e.isDashed ? { lineType: DASHED } : {}) });
    } else if (e.kind === 'circle') to.addCircle(point3d(e.at[0] + dx, e.at[1] + dy), e.r, { layerName: e.layer });
    else if (e.kind === 'text') {
      const at = point3d(e.at[0] + dx, e.at[1] + dy);
      to.addText(at, e.height * scale, e.text, {
        layerName: e.layer,
        rotation: e.turn ?? 0,
        ...(e.anchor && e.anchor !== 'start'
          ? { horizontalAlignment: aligned[e.anchor], verticalAlignment: TextVerticalAlignment.BaseLine, secondAlignmentPoint: at }
          : {}),
      });
    } else if (e.kind === 'dimension') {
      count += 1;
      const { line, strokes, text } = dimensionParts(e, scale);
      const [first, second] = [e.a, e.b].map(([x, y]) => point3d(x + dx, y + dy)) as [vec3_t, vec3_t];
      to.addAlignedDim(first, second, {
        layerName: 'dimensions',
        blockName: shownBy(`*D${count}`, (block) => {
          for (const part of [...strokes, text]) write(part, { to: block, shift: [dx, dy], scale }, sheet);
        }),
        definitionPoint: point3d(line[1][0] + dx, line[1][1] + dy),
        middlePoint: point3d(text.at[0] + dx, text.at[1] + dy),
        ActualMeasurement: Math.hypot(second.x - first.x, second.y - first.y),
        text: e.text,
        styleName: styleFor(scale),
      });
    } else {
      const name = blockFor(`${sheet}-${e.name.replace(/ /g, '-')}`, (block) =>
        e.entities.forEach((part) => write(part, { to: block, shift: [0, 0], scale }, sheet)),
      );
      to.addInsert(name, point3d(e.at[0] + dx, e.at[1] + dy), { layerName: 'bars' });
    }
  };
  return write;
}
