declare module 'pdfmake' {
  export { default } from 'pdfmake/build/pdfmake.js';
}
declare module 'pdfmake/build/pdfmake.js' {
  interface PdfDocument {
    getBuffer(): Promise<Uint8Array>;
  }
  const pdfMake: {
    setFonts(fonts: Record<string, Record<string, string>>): void;
    createPdf(definition: Record<string, unknown>): PdfDocument;
  };
  export default pdfMake;
}
declare module 'mathjax-full/js/mathjax.js' {
  export const mathjax: {
    document(text: string, options: Record<string, unknown>): { convert(tex: string, options: Record<string, unknown>): unknown };
  };
}
declare module 'mathjax-full/js/input/tex.js' {
  export class TeX {
    constructor(options: Record<string, unknown>);
  }
}
declare module 'mathjax-full/js/output/svg.js' {
  export class SVG {
    constructor(options: Record<string, unknown>);
  }
}
declare module 'mathjax-full/js/adaptors/liteAdaptor.js' {
  export function liteAdaptor(): { innerHTML(node: unknown): string };
}
declare module 'mathjax-full/js/handlers/html.js' {
  export function RegisterHTMLHandler(adaptor: unknown): void;
}
declare module 'mathjax-full/js/input/tex/base/BaseConfiguration.js';
declare module 'mathjax-full/js/input/tex/ams/AmsConfiguration.js';
