'use client';
import type { Check } from '@/core/checks/check';
import { formatUtilisation } from '@/core/units/format';
import { Glyph, standingOf, standingText } from '@/ui/drawing/Glyph';
import { Inlay } from '@/ui/drawing/Inlay';

/** How far a check is used, with its standing; a dash where there is none. */
export function Use({ check }: { check: Check | undefined }) {
  if (!check) return <span className="text-ash">–</span>;
  const standing = standingOf(check.status);
  return (
    <span className="flex items-center gap-1.5">
      <Glyph standing={standing} />
      <Inlay utilisation={check.utilisation} standing={standing} width={46} framed />
      <span className={standingText[standing]}>{formatUtilisation(check.utilisation)}</span>
    </span>
  );
}
