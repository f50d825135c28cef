/** Ratio of stiffness that stands for a hinge. */
export const HINGE = 1e4;

/** Root of a function that changes its sign once between two places. */
function bisect(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  const sign = Math.sign(f(a));
  for (let i = 0; i < 200 && b - a > 1e-13; i += 1) {
    const m = (a + b) / 2;
    if (Math.sign(f(m)) === sign) a = m;
    else b = m;
  }
  return (a + b) / 2;
}

/**
 * Effective length over length of a column of a frame held against sway, by the ratios of stiffness of columns over beams at its ends: the equation behind
 * the alignment chart, solved.
 */
export function nonswayFactor(psiA: number, psiB: number): number {
  const [a, b] = [Math.min(psiA, HINGE), Math.min(psiB, HINGE)];
  const f = (k: number) => {
    const x = Math.PI / k;
    return ((a * b) / 4) * x * x + ((a + b) / 2) * (1 - x / Math.tan(x)) + (2 * Math.tan(x / 2)) / x - 1;
  };
  if (a === 0 && b === 0) return 0.5;
  return bisect(f, 0.5 + 1e-9, 1 - 1e-12);
}

/** The same of a frame that sways. */
export function swayFactor(psiA: number, psiB: number): number {
  const [a, b] = [Math.min(psiA, HINGE), Math.min(psiB, HINGE)];
  if (a === 0 && b === 0) return 1;
  const f = (k: number) => {
    const x = Math.PI / k;
    return (a * b * x * x - 36) / (6 * (a + b)) - x / Math.tan(x);
  };
  return bisect(f, 1 + 1e-9, 1e3);
}
