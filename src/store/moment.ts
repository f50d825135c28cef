/** A moment (ISO) as it is read: "30 November 2026, 14:05", in the time of this machine; in words where it is none. */
export function momentText(iso: string): string {
  const at = new Date(iso);
  if (Number.isNaN(at.getTime())) return 'at a time not known';
  const two = (n: number) => String(n).padStart(2, '0');
  return `${at.getDate()} ${at.toLocaleString('en', { month: 'long' })} ${at.getFullYear()}, ${two(at.getHours())}:${two(at.getMinutes())}`;
}
