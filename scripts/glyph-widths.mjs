// Writes the advance widths of the glyphs that formulas on pages are set in; to be run when the typeface changes.
import { writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { format } from 'prettier';

const { openSync } = createRequire(import.meta.url)('fontkit');
const home = 'node_modules/@fontsource/libertinus-serif/files/libertinus-serif';
const signs = ' 0123456789.,;:()[]|/+−±·×=′abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ';
const greek = 'αβγδεζηθικλμνξοπρστυφχψωΓΔΘΛΞΠΣΦΨΩ';
const faces = {
  upright: [`${home}-latin-400-normal.woff`, signs],
  italic: [`${home}-latin-400-italic.woff`, signs],
  greek: [`${home}-greek-400-normal.woff`, greek],
  greekItalic: [`${home}-greek-400-italic.woff`, greek],
  other: ['node_modules/pdfmake/build/fonts/Roboto/Roboto-Regular.ttf', '√∞≤≥–%°‰'],
};
const widths = Object.fromEntries(
  Object.entries(faces).map(([face, [path, text]]) => {
    const font = openSync(path);
    const of = (sign) => Math.round((font.glyphForCodePoint(sign.codePointAt(0)).advanceWidth / font.unitsPerEm) * 1000);
    return [face, { signs: text, widths: [...text].map(of) }];
  }),
);
const source = `/** Advance widths of glyphs in thousandths of an em, by face: its signs and their widths. Written by scripts/glyph-widths.mjs. */
export const glyphWidths = ${JSON.stringify(widths)};
`;
writeFileSync(
  'src/exchange/pdf/glyph-widths.ts',
  await format(source, { parser: 'typescript', printWidth: 140, singleQuote: true, objectWrap: 'collapse' }),
);
