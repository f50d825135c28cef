import { initWasm, Resvg } from '@resvg/resvg-wasm';

/** Paints an SVG as a PNG of a width in pixels. */
export type Painter = (svg: string, width: number) => Uint8Array;

let isReady: Promise<void> | undefined;

/** A painter from the bytes of its WebAssembly and of the typefaces that texts are in. */
export async function makePainter(wasm: Uint8Array<ArrayBuffer>, fonts: Uint8Array[]): Promise<Painter> {
  await (isReady ??= initWasm(wasm));
  return (svg, width) => {
    const drawn = new Resvg(svg, {
      fitTo: { mode: 'width', value: Math.round(width) },
      background: '#ffffff',
      font: { fontBuffers: fonts },
    });
    const image = drawn.render();
    const png = image.asPng();
    image.free();
    drawn.free();
    return png;
  };
}
