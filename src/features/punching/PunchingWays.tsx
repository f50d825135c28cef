'use client';
import { useState } from 'react';
import { chooseLegs } from '@/core/advice/punching-legs';
import { designPunching } from '@/core/members/punching/design-punching';
import type { PunchingInput } from '@/core/members/punching/input';
import type { PunchingResult } from '@/core/members/punching/result';
import { statusOf } from '@/core/members/check';
import { codeOf, type Project, type PunchingMember } from '@/core/project/project';
import { drawnLength } from '@/core/project/labels';
import { formatUtilisation } from '@/core/units/format';
import { onPunching } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { standingOf, standingText } from '@/ui/Glyph';
import { Inlay } from '@/ui/Inlay';

interface Way {
  readonly title: string;
  readonly change: Partial<PunchingInput>;
  readonly utilisation: number;
}

/** Single changes of a slab at a column, each designed in full. */
function waysFor(project: Project, member: PunchingMember): Way[] {
  const code = codeOf(project, member);
  const step = member.catalogue === 'us' ? 25.4 : 25;
  const length = (v: number) => drawnLength(v, project.display);
  const legs = (['links', 'studs'] as const).flatMap((kind) => {
    const found = chooseLegs(member, code, kind);
    return found
      ? [
          {
            title: `${found.legs} ${kind === 'links' ? 'legs' : 'rails'} of ${found.size}, ${found.perimeters} perimeters`,
            change: { legs: found },
          },
        ]
      : [];
  });
  const closer = (key: 'barsX' | 'barsY') => ({ ...member[key], spacing: member[key].spacing * 0.75 });
  const { column } = member;
  const wider =
    column.kind === 'circle'
      ? { ...column, diameter: column.diameter + 2 * step }
      : { ...column, b: column.b + 2 * step, h: column.h + 2 * step };
  const drafts: readonly Omit<Way, 'utilisation'>[] = [
    ...legs,
    ...(member.legs ? [{ title: 'no legs', change: { legs: null } }] : []),
    { title: `slab ${length(member.h + step)} deep`, change: { h: member.h + step } },
    { title: `slab ${length(member.h + 2 * step)} deep`, change: { h: member.h + 2 * step } },
    { title: 'top bars a quarter closer', change: { barsX: closer('barsX'), barsY: closer('barsY') } },
    { title: `column ${length(2 * step)} wider each way`, change: { column: wider } },
  ];
  return drafts.flatMap((d) => {
    const { checks, faults } = designPunching({ ...member, ...d.change }, code, { derive: [], units: project.display });
    if (faults.length > 0 || checks.some((c) => c.status === 'failed')) return [];
    return [{ ...d, utilisation: Math.max(0, ...checks.map((c) => c.utilisation ?? 0)) }];
  });
}

/** Ways forward for a slab at a column, tried with one click. */
export function PunchingWays({ project, member, result }: { project: Project; member: PunchingMember; result: PunchingResult }) {
  const { edit } = useProject();
  const [found, setFound] = useState<{ of: PunchingMember; list: readonly Way[] } | null>(null);
  const now = Math.max(0, ...result.checks.map((c) => c.utilisation ?? 0));
  return (
    <section aria-label="Ways forward" className="max-h-64 shrink-0 overflow-y-auto pb-2">
      <div className="flex items-baseline gap-3 pt-1.5">
        <h2>Ways forward</h2>
        <button type="button" className="link small" onClick={() => setFound({ of: member, list: waysFor(project, member) })}>
          single changes
        </button>
        <span className="small">now {formatUtilisation(now)}</span>
      </div>
      {found?.list.length === 0 && <p>No single change of these is possible.</p>}
      {found?.list.map((way) => {
        const standing = standingOf(statusOf(way.utilisation));
        return (
          <div key={way.title} className="grid h-[1.4rem] grid-cols-[2rem_minmax(0,1fr)_2.6rem_2.2rem] items-center gap-1.5">
            <button
              type="button"
              className="btn !h-5 !px-1 !py-0"
              aria-label={`Try ${way.title}`}
              onClick={() =>
                edit(
                  `try ${way.title} for ${member.mark}`,
                  onPunching(member.id, (m) => void Object.assign(m, way.change)),
                )
              }
            >
              try
            </button>
            <span className="truncate" title={way.title}>
              {way.title}
            </span>
            <Inlay utilisation={way.utilisation} standing={standing} width={36} framed />
            <span className={`text-right ${standingText[standing]}`}>{formatUtilisation(way.utilisation)}</span>
          </div>
        );
      })}
      {found && found.of !== member && <p className="small">Worked out before the last change: look again.</p>}
    </section>
  );
}
