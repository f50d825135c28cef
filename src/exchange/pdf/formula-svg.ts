import { liteAdaptor } from 'mathjax-full/js/adaptors/liteAdaptor.js';
import { RegisterHTMLHandler } from 'mathjax-full/js/handlers/html.js';
import 'mathjax-full/js/input/tex/ams/AmsConfiguration.js';
import 'mathjax-full/js/input/tex/base/BaseConfiguration.js';
import { TeX } from 'mathjax-full/js/input/tex.js';
import { mathjax } from 'mathjax-full/js/mathjax.js';
import { SVG } from 'mathjax-full/js/output/svg.js';

const EX = 0.431; // one ex in em, of the font that is drawn

let typesetter: ((tex: string) => string) | undefined;
const cache = new Map<string, FormulaPicture>();

export interface FormulaPicture {
  readonly svg: string;
  /** In points. */
  readonly width: number;
  readonly height: number;
}

/** Typesets TeX as vectors at a size in points. Equal formulas are typeset once. */
export function formulaSvg(tex: string, size: number): FormulaPicture {
  const key = `${size} ${tex}`;
  const known = cache.get(key);
  if (known) return known;
  typesetter ??= makeTypesetter();
  const svg = typesetter(tex);
  const points = (name: 'width' | 'height') => Number(new RegExp(`${name}="([\\d.]+)ex"`).exec(svg)?.[1] ?? 1) * EX * size;
  const [width, height] = [points('width'), points('height')];
  const clean = svg
    .replace(/style="[^"]*"/g, '')
    .replace(/currentColor/g, '#000000')
    .replace(/width="[\d.]+ex"/, `width="${width.toFixed(2)}"`)
    .replace(/height="[\d.]+ex"/, `height="${height.toFixed(2)}"`);
  const picture = { svg: clean, width, height };
  cache.set(key, picture);
  return picture;
}

function makeTypesetter() {
  const adaptor = liteAdaptor();
  RegisterHTMLHandler(adaptor);
  const document = mathjax.document('', { InputJax: new TeX({ packages: ['base', 'ams'] }), OutputJax: new SVG({ fontCache: 'none' }) });
  return (tex: string) => adaptor.innerHTML(document.convert(tex, { display: false }));
}
