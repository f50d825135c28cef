// Copies what the pages fetch into public/, which git ignores: whole TrueType fonts for the PDF, and the demo projects.
import { cpSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { inflateSync } from 'node:zlib';
import { initWasm, Resvg } from '@resvg/resvg-wasm';

/** A WOFF file (W3C WOFF 1.0) as the font that is packed in it: pages are set from it in half the time. */
function unpacked(woff) {
  const count = woff.readUInt16BE(12);
  const head = Buffer.alloc(12 + 16 * count);
  woff.copy(head, 0, 4, 8);
  head.writeUInt16BE(count, 4);
  const power = Math.floor(Math.log2(count));
  head.writeUInt16BE(2 ** power * 16, 6);
  head.writeUInt16BE(power, 8);
  head.writeUInt16BE(count * 16 - 2 ** power * 16, 10);
  const tables = [];
  let at = head.length;
  for (let i = 0; i < count; i += 1) {
    const entry = 44 + 20 * i;
    const [offset, packed, length, sum] = [4, 8, 12, 16].map((k) => woff.readUInt32BE(entry + k));
    const part = woff.subarray(offset, offset + packed);
    const table = packed < length ? inflateSync(part) : part;
    woff.copy(head, 12 + 16 * i, entry, entry + 4);
    [sum, at, length].forEach((v, k) => head.writeUInt32BE(v, 16 + 16 * i + 4 * k));
    const padded = Buffer.concat([table, Buffer.alloc((4 - (length % 4)) % 4)]);
    tables.push(padded);
    at += padded.length;
  }
  return Buffer.concat([head, ...tables]);
}

mkdirSync('public/fonts', { recursive: true });
for (const style of ['Regular', 'Medium', 'Italic'])
  cpSync(`node_modules/pdfmake/build/fonts/Roboto/Roboto-${style}.ttf`, `public/fonts/Roboto-${style}.ttf`);
for (const script of ['latin', 'greek'])
  for (const style of ['normal', 'italic']) {
    const file = `libertinus-serif-${script}-400-${style}`;
    writeFileSync(`public/fonts/${file}.ttf`, unpacked(readFileSync(`node_modules/@fontsource/libertinus-serif/files/${file}.woff`)));
  }
cpSync('node_modules/@resvg/resvg-wasm/index_bg.wasm', 'public/resvg.wasm');
cpSync('node_modules/web-ifc/web-ifc.wasm', 'public/web-ifc.wasm');
cpSync('examples', 'public/examples', { recursive: true });

// Icons for a browser that installs the application.
await initWasm(readFileSync('node_modules/@resvg/resvg-wasm/index_bg.wasm'));
mkdirSync('public/icons', { recursive: true });
for (const size of [192, 512]) {
  const drawing = new Resvg(readFileSync('src/app/icon.svg', 'utf8'), { fitTo: { mode: 'width', value: size } });
  writeFileSync(`public/icons/icon-${size}.png`, drawing.render().asPng());
}
