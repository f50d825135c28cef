/** Something in the input that stops the design, by the path of its field. */
export interface Fault {
  readonly path: string;
  readonly reason: string;
}
