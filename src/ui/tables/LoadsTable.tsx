'use client';
import type { Draft } from 'immer';
import type { Fault } from '@/core/checks/fault';
import type { Project } from '@/core/project/project';
import type { QuantityKind } from '@/core/units/quantity';
import { onMember } from '@/store/commands';
import { useProject, type Refusal } from '@/store/project-store';
import { LoadCases, type CasedMember } from './LoadCases';
import { readLoads, type PastedWords } from '@/exchange/paste-loads';
import { RefusedRows, usePastedLoads } from './pasted-loads';
import type { Options } from '@/ui/fields/Select';
import { columnsFor } from './columns';
import { Grid, type Column } from './Grid';

interface AnyLoad {
  readonly case: string;
  readonly note: string;
  readonly span?: number | 'all';
  readonly type?: string;
}

/** What the loads of a kind of member are, as a table shows them. */
export interface LoadTable<L extends AnyLoad> {
  readonly title: string;
  readonly types?: Options<NonNullable<L['type']>>;
  /** A load of another type at the same place. */
  readonly retyped?: (load: L, type: NonNullable<L['type']>, length: number) => L;
  /** Whether a load lies on all spans; left out where there are no spans. */
  readonly liesOnAll?: (load: L) => boolean;
  /** Columns of values: the first of the keys that a load has is shown, in its kind. */
  readonly values: Readonly<Record<string, Readonly<Record<string, QuantityKind | ((load: L) => QuantityKind)>>>>;
  readonly fresh: (caseId: string) => L;
  readonly paste?: PastedWords;
  readonly foot?: string;
}

/** Load cases and loads of a member, typed or pasted from a spreadsheet. */
export function LoadsTable<M extends CasedMember, L extends AnyLoad & M['loads'][number]>({
  project,
  member,
  faults,
  table,
}: {
  readonly project: Project;
  readonly member: M;
  readonly faults: readonly Fault[];
  readonly table: LoadTable<L>;
}) {
  const edit = useProject((s) => s.edit);
  const loads = member.loads as readonly L[];
  const change = (label: string, recipe: (all: Draft<L>[], m: Draft<M>) => void) =>
    edit(
      `${label} of ${member.mark}`,
      onMember<M>(member, (m) => recipe((m as unknown as { loads: Draft<L>[] }).loads, m)),
    );
  const { refused, onPaste } = usePastedLoads<L>(
    (text) => readLoads<L>(text, table.paste!, { cases: member.cases, spans: spansOf(member) }, project.display),
    (pasted) => change(`paste ${pasted.length} loads`, (all) => void all.push(...(pasted as Draft<L>[]))),
  );
  const set = (i: number, patch: object) => change(`load ${i + 1}`, (all) => void Object.assign(all[i]!, patch));
  const retype = (i: number, type: NonNullable<L['type']>) =>
    change(`load ${i + 1}`, (all) => void (all[i] = table.retyped!(loads[i]!, type, lengthAt(member, loads[i]!)) as Draft<L>));
  return (
    <div className="overflow-auto px-3.5 py-2" onPaste={table.paste && onPaste}>
      <LoadCases project={project} member={member} faults={faults} />
      <div className="mt-3 flex items-baseline justify-between gap-4">
        <h2 className="whitespace-nowrap">{table.title}</h2>
        {table.paste && <span className="small">Ctrl V here pastes rows: {table.paste.help}</span>}
      </div>
      <Grid
        label="Loads"
        rows={loads}
        columns={columnsOf(project, member, table, set, retype)}
        faultsOf={(i) => faults.filter((f) => f.path.startsWith(`loads[${i}]`))}
        remove={{ title: 'Delete', run: (i) => change(`delete load ${i + 1}`, (all) => void all.splice(i, 1)) }}
        add={{
          title: 'Add a load',
          isDisabled: member.cases.length === 0,
          run: () => change('add a load', (all) => void all.push(table.fresh(member.cases.at(-1)!.id) as Draft<L>)),
        }}
        className={table.types ? '' : '!w-auto'}
      />
      {table.foot && <p className="small mt-2">{table.foot}</p>}
      <RefusedRows refused={refused} />
    </div>
  );
}

const spansOf = (member: CasedMember) => ('spans' in member ? member.spans : []);
const lengthAt = (member: CasedMember, { span }: AnyLoad) => spansOf(member)[typeof span === 'number' ? span : 0]?.length ?? 0;

function columnsOf<M extends CasedMember, L extends AnyLoad>(
  project: Project,
  member: M,
  table: LoadTable<L>,
  set: (i: number, patch: object) => Refusal,
  retype: (i: number, type: NonNullable<L['type']>) => Refusal,
): Column<L>[] {
  const of = columnsFor<L>(project.display, (_, i) => `load ${i + 1}`, set);
  const spans = spansOf(member).map((_, i) => [String(i), String(i + 1)] as const);
  const cases = member.cases.map((c) => [c.id, c.id] as const);
  return [
    of.pick('Case', cases, { get: (l) => l.case, set: (i, v) => set(i, { case: v }) }, { width: '4rem' }),
    ...(table.types
      ? [
          of.pick<NonNullable<L['type']>>('Type', table.types, { get: (l) => l.type!, set: retype }, { width: '6.5rem' }),
          ...(table.liesOnAll
            ? [
                of.pick(
                  'Span',
                  (l) => (table.liesOnAll!(l) ? [['all', 'all'], ...spans] : spans),
                  { get: (l) => String(l.span), set: (i, v) => set(i, { span: v === 'all' ? 'all' : Number(v) }) },
                  { width: '4rem' },
                ),
              ]
            : []),
        ]
      : []),
    ...Object.entries(table.values).map(([title, kinds]) => {
      const keyIn = (l: object) => Object.keys(kinds).find((key) => key in l);
      return of.quantityBy(
        title,
        (l) => {
          const key = keyIn(l);
          if (key === undefined) return undefined;
          const kind = kinds[key]!;
          return [typeof kind === 'function' ? kind(l) : kind, (l as unknown as Record<string, number>)[key]!];
        },
        (i, v) => set(i, { [keyIn(member.loads[i]!)!]: v }),
      );
    }),
    of.text('Note', { get: (l) => l.note, set: (i, v) => set(i, { note: v }) }, { width: '6rem' }),
  ];
}
