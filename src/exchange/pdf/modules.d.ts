declare module 'pdfmake' {
  export { default } from 'pdfmake/build/pdfmake.js';
}
declare module 'pdfmake/build/pdfmake.js' {
  interface PdfDocument {
    getBuffer(): Promise<Uint8Array>;
  }
  const pdfMake: {
    setFonts(fonts: Record<string, Record<string, string>>): void;
    setUrlAccessPolicy(isAllowed: (url: string) => boolean): void;
    setLocalAccessPolicy(isAllowed: (path: string) => boolean): void;
    setProgressCallback(tell: ((share: number) => void) | undefined): void;
    createPdf(definition: Record<string, unknown>): PdfDocument;
  };
  export default pdfMake;
}
