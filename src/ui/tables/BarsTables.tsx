'use client';
import { useState } from 'react';
import type { BarsAlong } from '@/core/members/beam/bar-runs';
import { supportName, supportPositions } from '@/core/members/beam/input';
import type { LineMember } from '@/core/members/strip/input';
import type { Project } from '@/core/project/project';
import { formatValue } from '@/core/units/format';
import { setAt, valueAt, type FieldOf } from '@/ui/fields/paths';
import { useChange } from '@/ui/fields/use-change';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Grid, type Column } from './Grid';

export type ReadBars<B> = { readonly ok: true; readonly bars: B | null } | { readonly ok: false; readonly reason: string };

/** What the bars panel of a member along a line is given. */
export interface BarsProps<M extends LineMember, Steel> {
  readonly project: Project;
  readonly member: M;
  readonly steel: Steel;
}

/** How bars of a kind of member are written, read and set. */
export interface BarsOf<M extends LineMember, B> extends BarsProps<M, BarsAlong<B>> {
  readonly write: (bars: B) => string;
  /** Null for what is chosen automatically. */
  readonly read: (text: string) => ReadBars<B>;
}

/** A field for bars; emptied, they are chosen automatically again, and the choice stands in it in grey. */
export function BarsInput<M extends LineMember, B>({
  of,
  path,
  label,
  shown,
}: {
  of: BarsOf<M, B>;
  path: FieldOf<M, B>;
  label: string;
  shown: B | null | undefined;
}) {
  const own = (valueAt(of.member, path) ?? null) as B | null;
  const change = useChange(of.member);
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? (own ? of.write(own) : '');
  const read: ReadBars<B> = /^\s*(auto.*)?$/i.test(text) ? { ok: true, bars: null } : of.read(text);
  const keep = () => {
    if (typed === null || !read.ok) return;
    if (JSON.stringify(read.bars) !== JSON.stringify(own)) change(label.toLowerCase(), (m) => setAt(m, path, read.bars));
    setTyped(null);
  };
  return (
    <span className="block">
      <input
        className="field"
        aria-label={label}
        aria-invalid={!read.ok}
        placeholder={shown ? of.write(shown) : 'none'}
        value={text}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={keep}
        onKeyDown={(e) => (e.key === 'Enter' ? keep() : e.key === 'Escape' && setTyped(null))}
      />
      {!read.ok && <span className="block text-[0.6875rem] text-madder-text">{read.reason}</span>}
    </span>
  );
}

/** Bars by span and over supports, with where they end. `more` are further columns of the spans. */
export function BarsTables<M extends LineMember, B>({ of, hint, more = [] }: { of: BarsOf<M, B>; hint: string; more?: Column<number>[] }) {
  const { member, steel, project } = of;
  const change = useChange(member);
  const starts = supportPositions(member);
  const bars = (path: string, label: string, shown: B | null | undefined) => (
    <BarsInput of={of} path={`bars.${path}` as FieldOf<M, B>} label={label} shown={shown} />
  );
  const length = (path: string, label: string, shown: number | null) => (
    <QuantityInput
      kind="span"
      system={project.display}
      value={valueAt(member, `bars.${path}`) as number | null}
      empty={shown === null ? '' : formatValue(shown, 'span', project.display)}
      label={label}
      onKeep={(v) => change(label.toLowerCase(), (m) => setAt(m, `bars.${path}`, v))}
    />
  );
  const end = (i: number, key: 'from' | 'to') => {
    const run = steel.bottom[i]?.extra;
    const shown = run ? run[key] - starts[i]! : null;
    return length(`bottom[${i}].extra.${key}`, `Extra bars of span ${i + 1}, ${key}`, shown);
  };
  const reach = (j: number, key: 'left' | 'right') => {
    const run = steel.support[j];
    const shown = run ? (key === 'left' ? starts[j]! - run.from : run.to - starts[j]!) : null;
    return length(`support[${j}].${key}`, `Bars over ${supportName(j)}, to the ${key}`, shown);
  };
  return (
    <>
      <div className="flex items-baseline justify-between">
        <h2>Bottom and top bars by span</h2>
        <span className="small">{hint}an empty field is chosen automatically; the choice stands in it in grey</span>
      </div>
      <Grid
        label="Bars by span"
        rows={member.spans.map((_, i) => i)}
        columns={[
          { title: 'Span', cell: (i) => i + 1 },
          { title: 'Bottom, through', cell: (i) => bars(`bottom[${i}].main`, `Bottom bars of span ${i + 1}`, steel.bottom[i]?.main) },
          {
            title: 'Bottom, extra',
            cell: (i) => bars(`bottom[${i}].extra.bars`, `Extra bars of span ${i + 1}`, steel.bottom[i]?.extra?.bars),
          },
          { title: 'from', width: '6rem', cell: (i) => end(i, 'from') },
          { title: 'to', width: '6rem', cell: (i) => end(i, 'to') },
          { title: 'Top', cell: (i) => bars(`top[${i}].main`, `Top bars of span ${i + 1}`, steel.top[i]?.main) },
          ...more,
        ]}
      />
      <h2 className="mt-3">Top bars over supports</h2>
      <Grid
        label="Bars over supports"
        rows={member.supports.flatMap((s, j) => (s.type === 'free' ? [] : [j]))}
        columns={[
          { title: 'Support', cell: (j) => supportName(j) },
          { title: 'Bars', cell: (j) => bars(`support[${j}].bars`, `Top bars over ${supportName(j)}`, steel.support[j]?.bars) },
          { title: 'left of its centre', cell: (j) => reach(j, 'left') },
          { title: 'right of its centre', cell: (j) => reach(j, 'right') },
        ]}
      />
    </>
  );
}
