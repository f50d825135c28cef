/**
 * Solves a symmetric positive definite banded system for several right-hand sides, in place (LDLT).
 * `a` holds row i as [diagonal, left neighbours outward], `halfBand` + 1 numbers a row.
 * Returns false when the matrix is singular to working precision.
 */
export function solveBanded(a: Float64Array, n: number, halfBand: number, rhs: readonly Float64Array[]): boolean {
  const width = halfBand + 1;
  const original = Float64Array.from({ length: n }, (_, i) => a[i * width]!);
  for (let i = 0; i < n; i += 1) {
    const first = Math.max(0, i - halfBand);
    for (let j = first; j < i; j += 1) {
      let sum = a[i * width + (i - j)]!;
      for (let k = Math.max(first, j - halfBand); k < j; k += 1) sum -= a[i * width + (i - k)]! * a[j * width + (j - k)]! * a[k * width]!;
      a[i * width + (i - j)] = sum / a[j * width]!;
    }
    let pivot = a[i * width]!;
    for (let k = first; k < i; k += 1) pivot -= a[i * width + (i - k)]! ** 2 * a[k * width]!;
    if (!(pivot > 1e-12 * original[i]!)) return false;
    a[i * width] = pivot;
  }
  for (const f of rhs) {
    for (let i = 0; i < n; i += 1) for (let k = Math.max(0, i - halfBand); k < i; k += 1) f[i]! -= a[i * width + (i - k)]! * f[k]!;
    for (let i = 0; i < n; i += 1) f[i]! /= a[i * width]!;
    for (let i = n - 1; i >= 0; i -= 1)
      for (let k = i + 1; k < Math.min(n, i + halfBand + 1); k += 1) f[i]! -= a[k * width + (k - i)]! * f[k]!;
  }
  return true;
}
