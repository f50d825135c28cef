import { faceFamilies } from './formula-content';

export type Content = Record<string, unknown> | string;

export const FONT = faceFamilies.other;
export const QUIET = '#51473C';
export const OVER = '#A30F38';

export const ROWS = {
  hLineWidth: () => 0.5,
  vLineWidth: () => 0,
  hLineColor: () => '#CDC2AB',
  paddingTop: () => 2.5,
  paddingBottom: () => 2.5,
  paddingLeft: () => 0,
  paddingRight: () => 6,
};

/** How blocks are set: sizes in points. */
export interface Setting {
  readonly figure: number;
  readonly table: number;
  readonly above: number;
  /** Facts in two columns. */
  readonly isPaired: boolean;
  readonly layout: object;
}

export const usual: Setting = { figure: 180, table: 7.8, above: 10, isPaired: false, layout: ROWS };
/** One page is one page: all stands closer, and drawings give way. */
export const onePage: Setting = {
  figure: 140,
  table: 6.8,
  above: 4,
  isPaired: true,
  layout: { ...ROWS, paddingTop: () => 0.8, paddingBottom: () => 0.8 },
};

/** A title within a chapter. */
export const title = (text: string, above = 10): Record<string, unknown> => ({
  text,
  fontSize: above < 10 ? 9 : 11.5,
  bold: true,
  margin: [0, above, 0, above < 10 ? 1 : 4],
});

/**
 * A table below its title: the title is its first row, so that it never stands alone at the foot of a page and stands again where the table goes on.
 * `head` counts the rows below the title that are repeated too.
 */
export function titled(
  name: Content,
  widths: readonly unknown[],
  body: readonly unknown[][],
  head: number,
  layout: object,
  fontSize: number,
): Content {
  const lines = { ...layout, hLineWidth: (i: number) => (i === 0 ? 0 : 0.5) };
  return {
    table: {
      headerRows: head + 1,
      keepWithHeaderRows: 1,
      dontBreakRows: true,
      widths,
      body: [
        [{ ...(typeof name === 'string' ? { text: name } : name), colSpan: widths.length }, ...widths.slice(1).map(() => '')],
        ...body,
      ],
    },
    layout: lines,
    fontSize,
  };
}
