/**
 * Solves a small system of linear equations by elimination with the largest pivot of each column. Undefined where the matrix has no inverse.
 */
export function solveDense(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | undefined {
  const n = right.length;
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  for (let k = 0; k < n; k += 1) {
    let pivot = k;
    for (let i = k + 1; i < n; i += 1) if (Math.abs(rows[i]![k]!) > Math.abs(rows[pivot]![k]!)) pivot = i;
    [rows[k], rows[pivot]] = [rows[pivot]!, rows[k]!];
    const top = rows[k]!;
    if (!(Math.abs(top[k]!) > 0)) return undefined;
    for (let i = k + 1; i < n; i += 1) {
      const row = rows[i]!;
      const factor = row[k]! / top[k]!;
      for (let j = k; j <= n; j += 1) row[j]! -= factor * top[j]!;
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let k = n - 1; k >= 0; k -= 1) {
    let sum = rows[k]![n]!;
    for (let j = k + 1; j < n; j += 1) sum -= rows[k]![j]! * x[j]!;
    x[k] = sum / rows[k]![k]!;
  }
  return x.every(Number.isFinite) ? x : undefined;
}
