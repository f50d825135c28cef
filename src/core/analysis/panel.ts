/** How the edges of a rectangular panel are held; all four carry it. Left and right are the ends of its span along x. */
export type EdgeHold = 'simple' | 'continuous';
export type PanelEdge = 'left' | 'right' | 'bottom' | 'top';
export type PanelEdges = Readonly<Record<PanelEdge, EdgeHold>>;
export const panelEdges: readonly PanelEdge[] = ['left', 'right', 'bottom', 'top'];

/** A panel under a uniform load: sides mm, load N/mm2. */
export interface PanelLoad {
  readonly lx: number;
  readonly ly: number;
  readonly w: number;
  readonly edges: PanelEdges;
}

/** Moments per length (N mm/mm, all positive): sagging along x and y, hogging over the edges; and shears at the edges (N/mm). */
export interface PanelMoments {
  readonly x: number;
  readonly y: number;
  readonly support: Readonly<Record<PanelEdge, number>>;
  readonly shear: Readonly<Record<PanelEdge, number>>;
  /** Part of the load that strips along x carry; null where the method knows none. */
  readonly share: number | null;
}

/** Coefficients of a strip of one span under a uniform load, by its held ends: over w l2 and w l, and its deflection over w l4 / 384 EI. */
interface StripCoefficients {
  readonly span: number;
  readonly start: number;
  readonly end: number;
  readonly shearStart: number;
  readonly shearEnd: number;
  readonly deflection: number;
}

/** A strip held at neither end, at one, at both; the deflection in its middle is 5, 2 and 1 times w l4 / 384 EI. */
function coefficients(start: EdgeHold, end: EdgeHold): StripCoefficients {
  const [a, b] = [start === 'continuous', end === 'continuous'];
  if (a && b) return { span: 1 / 24, start: 1 / 12, end: 1 / 12, shearStart: 1 / 2, shearEnd: 1 / 2, deflection: 1 };
  if (a) return { span: 9 / 128, start: 1 / 8, end: 0, shearStart: 5 / 8, shearEnd: 3 / 8, deflection: 2 };
  if (b) return { span: 9 / 128, start: 0, end: 1 / 8, shearStart: 3 / 8, shearEnd: 5 / 8, deflection: 2 };
  return { span: 1 / 8, start: 0, end: 0, shearStart: 1 / 2, shearEnd: 1 / 2, deflection: 5 };
}

/** Part of the load that strips along x carry when strips along both directions sink alike in the middle: ly4 ky / (lx4 kx + ly4 ky). */
export function shareByDeflection({ lx, ly, edges }: Omit<PanelLoad, 'w'>): number {
  const kx = coefficients(edges.left, edges.right).deflection;
  const ky = coefficients(edges.bottom, edges.top).deflection;
  return (ky * ly ** 4) / (kx * lx ** 4 + ky * ly ** 4);
}

/**
 * Moments by strips along both directions, each with its share of the load: a state in equilibrium, whatever the share. Corners that are held
 * down let the twisting of the panel take part: sagging moments fall by 5/6 (l / other l)2 m / (w l2 / 8), with m that of the strip.
 */
export function panelByStrips(p: PanelLoad, share: number, isHeldDown: boolean): PanelMoments {
  const { lx, ly, w, edges } = p;
  const [cx, cy] = [coefficients(edges.left, edges.right), coefficients(edges.bottom, edges.top)];
  const [qx, qy] = [share * w, (1 - share) * w];
  const relief = (m: number, l: number, other: number) =>
    isHeldDown && w > 0 ? 1 - ((5 / 6) * (l / other) ** 2 * m) / ((w * l ** 2) / 8) : 1;
  const [mx, my] = [cx.span * qx * lx ** 2, cy.span * qy * ly ** 2];
  return {
    x: mx * relief(mx, lx, ly),
    y: my * relief(my, ly, lx),
    support: { left: cx.start * qx * lx ** 2, right: cx.end * qx * lx ** 2, bottom: cy.start * qy * ly ** 2, top: cy.end * qy * ly ** 2 },
    shear: { left: cx.shearStart * qx * lx, right: cx.shearEnd * qx * lx, bottom: cy.shearStart * qy * ly, top: cy.shearEnd * qy * ly },
    share,
  };
}

/** Sagging moment along x at which folds form under a load, where mu times it is along y and i times it, or i times mu of it, over an edge. */
function foldMoment({ lx, ly, w }: PanelLoad, mu: number, i: (edge: PanelEdge) => number): number {
  const reduced = (l: number, a: PanelEdge, b: PanelEdge) => (2 * l) / (Math.sqrt(1 + i(a)) + Math.sqrt(1 + i(b)));
  const [rx, ry] = [reduced(lx, 'left', 'right'), reduced(ly / Math.sqrt(mu), 'bottom', 'top')];
  const [a, b] = [Math.min(rx, ry), Math.max(rx, ry)];
  return ((w * a ** 2) / 24) * (Math.sqrt(3 + (a / b) ** 2) - a / b) ** 2;
}

/** The moment along x at which folds form under a load, with the others in the proportion that they have to it (N mm/mm). */
export function yieldLineMoment(load: PanelLoad, { x, y, support }: Pick<PanelMoments, 'x' | 'y' | 'support'>): number {
  return foldMoment(load, y / x, (e) => (support[e] === 0 ? 0 : support[e] / (e === 'left' || e === 'right' ? x : y)));
}

/**
 * Moments at collapse by yield lines: `ratio` of hogging to sagging moment at edges that are held, `mu` of the moment along y to that along x.
 * m = w a2 / 24 (sqrt(3 + (a/b)2) - a/b)2 with the sides reduced by 2 / (sqrt(1 + i1) + sqrt(1 + i2)), and the sides along y divided by sqrt(mu).
 */
export function panelByYieldLines(load: PanelLoad, ratio: number, mu: number): PanelMoments {
  const { lx, ly, w, edges } = load;
  const i = (edge: PanelEdge) => (edges[edge] === 'continuous' ? ratio : 0);
  const x = foldMoment(load, mu, i);
  const y = mu * x;
  // At the middle of an edge the load of half the shorter side runs to it.
  const shear = (w * Math.min(lx, ly)) / 2;
  return {
    x,
    y,
    support: { left: i('left') * x, right: i('right') * x, bottom: i('bottom') * y, top: i('top') * y },
    shear: { left: shear, right: shear, bottom: shear, top: shear },
    share: null,
  };
}
