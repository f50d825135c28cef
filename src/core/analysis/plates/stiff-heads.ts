import { PER_NODE, type Stiffness } from './multifrontal';
import type { PlateMesh } from './mesh';
import type { PlateSupports } from './supports';

/**
 * The nodes under columns, tied to one node at each column's middle: they keep its rotations and lie in its plane. Their own unknowns leave the equations
 * (nothing is approximated by stiff springs), those of the middles come in.
 */
export class Heads {
  /** Places of all nodes, the columns' middles last. */
  readonly at: Float64Array;
  readonly isHeld: Uint8Array;
  private readonly headOf: Int32Array;
  private readonly count: number;

  constructor(mesh: PlateMesh, { isHeld, heads }: PlateSupports) {
    this.count = mesh.at.length / 2;
    this.at = Float64Array.from([...mesh.at, ...heads.flatMap((h) => [...h.at])]);
    this.headOf = new Int32Array(this.count + heads.length).fill(-1);
    this.isHeld = new Uint8Array(PER_NODE * (this.count + heads.length));
    this.isHeld.set(isHeld);
    heads.forEach((head, k) => {
      for (const node of head.nodes) {
        this.headOf[node] = this.count + k;
        this.isHeld.fill(1, PER_NODE * node, PER_NODE * (node + 1));
      }
      this.isHeld[PER_NODE * (this.count + k)] = 1;
    });
  }

  /** Whether these nodes lie within one head, where nothing bends. */
  isStiff(nodes: ArrayLike<number>): boolean {
    const head = this.headOf[nodes[0]!]!;
    return head >= 0 && Array.from(nodes).every((node) => this.headOf[node] === head);
  }

  /** A part with the nodes of heads taken to their middles; nothing where it lies within one head, which does not bend. */
  tied(part: Stiffness): Stiffness[] {
    if (part.nodes.every((node) => this.headOf[node]! < 0)) return [part];
    const masters = Int32Array.from(part.nodes, (node) => (this.headOf[node]! < 0 ? node : this.headOf[node]!));
    const nodes = Int32Array.from(new Set(masters));
    if (nodes.length === 1) return [];
    const [n, m] = [PER_NODE * part.nodes.length, PER_NODE * nodes.length];
    // Each unknown of the part by those that stand for it: its own, or those of the middle with the distance from it.
    const terms = [...part.nodes].flatMap((node, i) => {
      const base = PER_NODE * nodes.indexOf(masters[i]!);
      const [dx, dy] = [this.at[2 * node]! - this.at[2 * masters[i]!]!, this.at[2 * node + 1]! - this.at[2 * masters[i]! + 1]!];
      const w: readonly (readonly [number, number])[] = [
        [base, 1],
        [base + 1, -dx],
        [base + 2, -dy],
      ];
      return [w, [[base + 1, 1]], [[base + 2, 1]]] as const;
    });
    const matrix = new Float64Array(m * m);
    for (let a = 0; a < n; a += 1)
      for (let b = 0; b < n; b += 1)
        for (const [row, u] of terms[a]!) for (const [column, v] of terms[b]!) matrix[row * m + column]! += u * v * part.matrix[a * n + b]!;
    return [{ nodes, matrix }];
  }

  /** Loads with those on nodes of heads taken to their middles. */
  gathered(given: Float64Array): Float64Array {
    const loads = new Float64Array(this.isHeld.length);
    loads.set(given);
    this.forNodesOfHeads((node, head, dx, dy) => {
      const [f, mx, my] = [PER_NODE * node, PER_NODE * node + 1, PER_NODE * node + 2].map((i) => loads[i]!) as [number, number, number];
      loads[PER_NODE * head]! += f;
      loads[PER_NODE * head + 1]! += mx - f * dx;
      loads[PER_NODE * head + 2]! += my - f * dy;
      loads.fill(0, PER_NODE * node, PER_NODE * (node + 1));
    });
    return loads;
  }

  /** Gives the nodes of heads the movement of their middles. */
  spread(moved: Float64Array): void {
    this.forNodesOfHeads((node, head, dx, dy) => {
      const [w, bx, by] = [PER_NODE * head, PER_NODE * head + 1, PER_NODE * head + 2].map((i) => moved[i]!) as [number, number, number];
      moved.set([w - bx * dx - by * dy, bx, by], PER_NODE * node);
    });
  }

  private forNodesOfHeads(each: (node: number, head: number, dx: number, dy: number) => void): void {
    for (let node = 0; node < this.count; node += 1) {
      const head = this.headOf[node]!;
      if (head >= 0) each(node, head, this.at[2 * node]! - this.at[2 * head]!, this.at[2 * node + 1]! - this.at[2 * head + 1]!);
    }
  }
}
