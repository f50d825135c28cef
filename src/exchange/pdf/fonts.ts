/** The files of typefaces that pages are set in, by family and style; whoever makes the pages says where they lie. */
export function pageFonts(plain: (file: string) => string, formulas: (face: string) => string) {
  const serif = (script: string) => ({
    normal: formulas(`libertinus-serif-${script}-400-normal`),
    italics: formulas(`libertinus-serif-${script}-400-italic`),
  });
  return {
    Roboto: {
      normal: plain('Roboto-Regular.ttf'),
      bold: plain('Roboto-Medium.ttf'),
      italics: plain('Roboto-Italic.ttf'),
      bolditalics: plain('Roboto-Medium.ttf'),
    },
    Formula: serif('latin'),
    FormulaGreek: serif('greek'),
  };
}
