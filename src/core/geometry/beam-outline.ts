/** Outlines of beam sections: a web with, for flanged sections, one flange. Lengths mm; y up from the bottom face. */
export type BeamShape = 'rectangular' | 'T' | 'L' | 'invertedT';

export interface BeamOutline {
  readonly shape: BeamShape;
  /** Width of the web. */
  readonly b: number;
  readonly h: number;
  /** Width and depth of the flange; not used by a rectangle. */
  readonly flangeWidth: number;
  readonly flangeDepth: number;
}

interface Band {
  readonly from: number;
  readonly to: number;
  readonly width: number;
}

/** The outline as bands of constant width, from the given face inwards. */
export function bandsFrom(face: 'top' | 'bottom', o: BeamOutline): Band[] {
  if (o.shape === 'rectangular') return [{ from: 0, to: o.h, width: o.b }];
  const flangeFirst = (o.shape === 'invertedT') === (face === 'bottom');
  const split = flangeFirst ? o.flangeDepth : o.h - o.flangeDepth;
  return [
    { from: 0, to: split, width: flangeFirst ? o.flangeWidth : o.b },
    { from: split, to: o.h, width: flangeFirst ? o.b : o.flangeWidth },
  ];
}

/** Width at the given face. */
export function widthAt(face: 'top' | 'bottom', o: BeamOutline): number {
  return bandsFrom(face, o)[0]!.width;
}

export interface GrossProperties {
  readonly area: number;
  /** Height of the centroid above the bottom face. */
  readonly centroid: number;
  /** Second moment of area about the horizontal axis through the centroid. */
  readonly inertia: number;
}

const grossKnown = new WeakMap<BeamOutline, GrossProperties>();

/** Gross properties of the plain concrete section, by bands; worked out once for each outline object. */
export function grossProperties(o: BeamOutline): GrossProperties {
  let known = grossKnown.get(o);
  if (!known) grossKnown.set(o, (known = integrate(o)));
  return known;
}

function integrate(o: BeamOutline): GrossProperties {
  const bands = bandsFrom('bottom', o);
  const area = bands.reduce((sum, s) => sum + s.width * (s.to - s.from), 0);
  const centroid = bands.reduce((sum, s) => sum + (s.width * (s.to ** 2 - s.from ** 2)) / 2, 0) / area;
  const inertia = bands.reduce((sum, s) => sum + (s.width * ((s.to - centroid) ** 3 - (s.from - centroid) ** 3)) / 3, 0);
  return { area, centroid, inertia };
}

/** Corner points of the outline, anticlockwise from the bottom left corner of the web; x = 0 on the web's axis. */
export function outlinePoints(o: BeamOutline): (readonly [x: number, y: number])[] {
  const w = o.b / 2;
  if (o.shape === 'rectangular')
    return [
      [-w, 0],
      [w, 0],
      [w, o.h],
      [-w, o.h],
    ];
  const left = o.shape === 'L' ? w : o.flangeWidth / 2;
  const right = o.shape === 'L' ? o.flangeWidth - w : o.flangeWidth / 2;
  const y = o.h - o.flangeDepth;
  if (o.shape === 'invertedT') {
    const f = o.flangeDepth;
    return [
      [-left, 0],
      [right, 0],
      [right, f],
      [w, f],
      [w, o.h],
      [-w, o.h],
      [-w, f],
      [-left, f],
    ];
  }
  if (o.shape === 'L')
    return [
      [-w, 0],
      [w, 0],
      [w, y],
      [right, y],
      [right, o.h],
      [-w, o.h],
    ];
  return [
    [-w, 0],
    [w, 0],
    [w, y],
    [right, y],
    [right, o.h],
    [-left, o.h],
    [-left, y],
    [-w, y],
  ];
}
