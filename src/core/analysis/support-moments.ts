import { elementAt, momentAt, type Mesh, type Response } from './line-beam';

/** How the moment over a support is taken for design. */
export interface SupportZone {
  /** Half the width on each side that is cut off the peak; zero where the peak stands. */
  readonly half: number;
  /** Monolithic: the moment at the face. Bearing: the peak less R t / 8. */
  readonly rule: 'face' | 'rounded';
}

/** How the hogging moment near a support is limited: by the same number anywhere within its zone. */
export interface MomentLimit {
  readonly support: number;
  readonly of: (response: Response) => number;
}

/** The limit at a place of a span (mm from the left end of the beam); undefined where moments stand as they are. */
export function limitAt(mesh: Mesh, zones: readonly SupportZone[], span: number, x: number): MomentLimit | undefined {
  const isRight = x < (mesh.x[mesh.supportNode[span]!]! + mesh.x[mesh.supportNode[span + 1]!]!) / 2;
  const support = isRight ? span : span + 1;
  const { half, rule } = zones[support]!;
  const node = mesh.supportNode[support]!;
  const centre = mesh.x[node]!;
  if (half <= 0 || Math.abs(x - centre) >= half) return undefined;
  if (rule === 'rounded') {
    const element = isRight ? node : node - 1;
    const s = isRight ? 0 : mesh.x[node]! - mesh.x[node - 1]!;
    return { support, of: (r) => momentAt(r.elements, element, s) + (Math.max(0, r.reactions[support]!) * 2 * half) / 8 };
  }
  const face = isRight ? centre + half : centre - half;
  const element = elementAt(mesh, face);
  const s = face - mesh.x[element]!;
  return { support, of: (r) => momentAt(r.elements, element, s) };
}

/**
 * The limits of each response on a stretch of an element, its ends measured from the element's left end; null where no zone reaches it, nothing finite
 * where those of two supports do.
 */
export function limitsAlong(mesh: Mesh, zones: readonly SupportZone[], responses: readonly Response[]) {
  const known = new Map<string, Float64Array>();
  const nothing = new Float64Array(responses.length).fill(NaN);
  return (element: number, from: number, to: number): Float64Array | null => {
    const [start, span] = [mesh.x[element]!, mesh.spanOf[element]!];
    const [left, right] = [limitAt(mesh, zones, span, start + from), limitAt(mesh, zones, span, start + to)];
    const limit = left ?? right;
    if (!limit) return null;
    if (left && right && left.support !== right.support) return nothing;
    const key = `${span} ${limit.support}`;
    let found = known.get(key);
    if (!found) known.set(key, (found = Float64Array.from(responses, limit.of)));
    return found;
  };
}
