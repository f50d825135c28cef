/** A round step for about `count` divisions of a range. */
export function roundStep(range: number, count: number): number {
  const raw = range / count;
  const power = 10 ** Math.floor(Math.log10(raw));
  const lead = raw / power;
  return (lead <= 1 ? 1 : lead <= 2 ? 2 : lead <= 5 ? 5 : 10) * power;
}

/** A figure at a division of an axis. */
export const shown = (v: number) =>
  String(Math.round(v * 100) / 100)
    .replace(/\B(?=(\d{3})+(?!\d))/g, '\u2009')
    .replace('-', '−');
