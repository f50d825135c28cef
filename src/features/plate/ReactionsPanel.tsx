'use client';
import { castDraft } from 'immer';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { catalogues } from '@/core/materials/bars';
import { isRound } from '@/core/members/column/input';
import type { Following } from '@/core/members/kind';
import { kindOf } from '@/core/members/kinds';
import { codeOf } from '@/core/members/member';
import type { PlateMember } from '@/core/members/plate/input';
import type { ColumnResult, PlateResult } from '@/core/members/plate/result';
import { reactionTable } from '@/core/members/plate/reaction-table';
import { chooseLegs } from '@/core/members/punching/suggest-legs';
import type { Project } from '@/core/project/project';
import { sizeOf } from '@/core/members/parts/bar-labels';
import { formatValue, unitLabel } from '@/core/units/format';
import { addFresh } from '@/store/add-fresh';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { TitledTable } from '@/ui/tables/TitledTable';
import { sheetPath } from '@/ui/sheet/sheet-path';
import { usePlateChange } from './use-plate-change';

interface ReactionsPanelProps {
  readonly project: Project;
  readonly member: PlateMember;
  readonly result: PlateResult;
  readonly isStale: boolean;
}

/** What the slab brings to what holds it: columns with punching there and links in the slab, edges and walls. */
export function ReactionsPanel(props: ReactionsPanelProps) {
  const { project, member, result, isStale } = props;
  return (
    <div className={`overflow-auto px-3.5 py-2 ${isStale ? 'stale' : ''}`}>
      {result.columns.length > 0 && <Columns {...props} />}
      {reactionTable(result.reactions).map((block) => (
        <TitledTable key={block.title} block={block} units={project.display} mark={member.mark} />
      ))}
    </div>
  );
}

function Columns({ project, member, result }: ReactionsPanelProps) {
  const change = usePlateChange(member);
  const code = codeOf(project, member);
  const chooseLinks = (indexes: readonly number[]) =>
    change('links at columns', (m) => {
      for (const i of indexes) {
        const place = result.columns[i]?.place;
        if (place && m.columns[i]) m.columns[i].legs = castDraft(chooseLegs(place, code));
      }
    });
  const checkAt = (i: number) => result.checks.find((c) => c.id === `punching-${i + 1}`);
  const failing = result.columns.flatMap((_, i) => (checkAt(i)?.status === 'exceeds' ? [i] : []));
  const show = (v: number, kind: 'force' | 'moment') => formatValue(v, kind, project.display);
  return (
    <section>
      <div className="flex items-baseline gap-3">
        <h2>Columns under ultimate loads</h2>
        {failing.length > 0 && (
          <button className="link" onClick={() => chooseLinks(failing)}>
            Choose links at the {failing.length} that need them
          </button>
        )}
      </div>
      <table className="grid-table" aria-label="Columns under ultimate loads">
        <thead>
          <tr>
            <th>Column</th>
            <th className="!text-right">most V {unitLabel('force', project.display)}</th>
            <th className="!text-right">least V</th>
            <th className="!text-right">Mx {unitLabel('moment', project.display)}</th>
            <th className="!text-right">My</th>
            <th className="!pl-6">Punching</th>
            <th className="!text-right">used</th>
            <th className="!pl-6">Links</th>
            <th className="!text-right">Send to a</th>
          </tr>
        </thead>
        <tbody>
          {result.columns.map((column, i) => {
            const check = checkAt(i);
            const legs = member.columns[i]?.legs;
            return (
              <tr key={column.name}>
                <td>{column.name}</td>
                <td className="text-right">{show(Math.max(...column.forces.map((f) => f.V)), 'force')}</td>
                <td className="text-right">{show(Math.min(...column.forces.map((f) => f.V)), 'force')}</td>
                <td className="text-right">{show(largest(column, 'Mx'), 'moment')}</td>
                <td className="text-right">{show(largest(column, 'My'), 'moment')}</td>
                <td className="!pl-6">{check?.status === 'exceeds' ? 'exceeds' : (check?.reason ?? check?.status ?? '–')}</td>
                <td className={`text-right ${check?.status === 'exceeds' ? 'text-madder-text' : ''}`}>
                  {check?.utilisation?.toFixed(2) ?? '–'}
                </td>
                <td className="!pl-6 whitespace-nowrap">
                  {legs ? `${legs.perimeters} × ${legs.legs} ${sizeOf(legs.size, project)}` : 'none'}{' '}
                  {legs ? (
                    <button
                      className="link"
                      aria-label={`Take out links at ${column.name}`}
                      onClick={() => change(`no links at ${column.name}`, (m) => void (m.columns[i]!.legs = null))}
                    >
                      Take out links
                    </button>
                  ) : (
                    <button className="link" onClick={() => chooseLinks([i])}>
                      Choose links
                    </button>
                  )}
                </td>
                <td className="whitespace-nowrap text-right">
                  {member.columns[i] && <PlaceOf project={project} slab={member} column={column} index={i} />}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="small">
        V with all variable loads where they add to it; moments are those that the slab brings to the column, Mx moves the shear up the
        plan, My to the right. Punching follows this slab: its edges, openings, drops, bars and forces as they are now, also in a place of
        punching of its own, where it is drawn, set out and derived.
      </p>
    </section>
  );
}

const largest = ({ forces }: ColumnResult, of: 'Mx' | 'My') => forces.reduce((a, f) => (Math.abs(f[of]) > Math.abs(a) ? f[of] : a), 0);

interface PlaceOfProps {
  readonly project: Project;
  readonly slab: PlateMember;
  readonly column: ColumnResult;
  readonly index: number;
}

/** What a member that follows the slab at a column begins with, beside what it takes. */
function begun({ slab, column: { name, place }, index }: PlaceOfProps, as: Following['as']): object {
  const title = `${slab.mark}, column ${name}`;
  if (as === 'around') return { ...place, from: { member: slab.id, column: name }, title };
  const { shape, below } = slab.columns[index]!;
  return {
    from: { member: slab.id, column: name, above: { most: 0, least: null, service: 0 } },
    title,
    shape,
    materials: slab.materials,
    height: Math.max(below - slab.h, 1),
    // Bars of a round column stand in a ring.
    ...(isRound(shape) ? { bars: { kind: 'ring', count: 8, size: barsOf(slab) } } : {}),
  };
}

const barsOf = ({ catalogue }: PlateMember) => catalogues[catalogue].bars.find((b) => b.diameter >= 19)!.name;

/** Members that follow the slab at a column, as the slab around it and as the column below; where there is none it can be made. */
function PlaceOf(props: PlaceOfProps) {
  const { project, slab, column, index } = props;
  const router = useRouter();
  const edit = useProject((s) => s.edit);
  const make = (as: Following['as']) => {
    const made = addFresh(as === 'around' ? 'punching' : 'column', slab);
    edit(
      `${made.mark} as at ${column.name}`,
      onMember(made, (m) => void Object.assign(m, castDraft(begun(props, as)))),
    );
    router.push(sheetPath(project, made));
  };
  const one = (as: Following['as'], words: string) => {
    const there = project.members.find((m) => {
      const following = kindOf(m).follows?.of(m);
      return following?.member === slab.id && following.part === column.name && following.as === as;
    });
    return there ? (
      <Link className="link ml-3" href={sheetPath(project, there)} prefetch={false}>
        {there.mark} follows
      </Link>
    ) : (
      <button className="link ml-3" aria-label={`Send to a ${words}`} onClick={() => make(as)}>
        {words}
      </button>
    );
  };
  return (
    <>
      {column.place && one('around', 'place of punching')}
      {slab.columns[index]!.below > 0 && one('below', 'column below')}
    </>
  );
}
