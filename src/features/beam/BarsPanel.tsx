'use client';
import { useChange } from '@/ui/fields/use-change';
import type { BeamMember } from '@/core/members/beam/input';
import type { BeamSteel } from '@/core/members/beam/steel';
import { barLabel, linkLabel } from '@/core/members/parts/bar-labels';
import type { BarGroup } from '@/core/reinforcement/bar-groups';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { BarsInput, BarsTables, type BarsOf, type BarsProps } from '@/ui/tables/BarsTables';
import { Grid } from '@/ui/tables/Grid';
import { parseBars, parseLinks } from '@/ui/fields/value-field';

/** All bars as tables: sizes, ends and zones. What is not set by hand shows the automatic choice. */
export function BarsPanel(props: BarsProps<BeamMember, BeamSteel>) {
  const { project, member, steel } = props;
  const of: BarsOf<BeamMember, BarGroup> = {
    ...props,
    write: (group) => (group.count > 0 ? barLabel(group, project) : 'none'),
    read: (text) => {
      const parsed = parseBars(text, member);
      return parsed.ok ? { ok: true, bars: parsed.group } : parsed;
    },
  };
  return (
    <>
      <BarsTables of={of} hint="" />
      <div className="mt-3 grid max-w-96 grid-cols-[1fr_10rem] items-center gap-2">
        <span>
          <b className="font-semibold">Side bars</b>, levels on each side face
        </span>
        <BarsInput of={of} path="bars.side" label="Side bars" shown={steel.side} />
      </div>
      <h2 className="mt-3">Links by zone</h2>
      <LinkZones {...props} />
    </>
  );
}

/** Zones of links, span after span; they are divided and joined. */
function LinkZones({ project, member, steel }: BarsProps<BeamMember, BeamSteel>) {
  const change = useChange(member);
  const rows = member.spans.flatMap((_, span) => (steel.links[span] ?? []).map((zone, k) => ({ span, k, zone })));
  type Row = (typeof rows)[number];
  const put = (span: number, next: BeamSteel['links'][number]) =>
    change(`links of span ${span + 1}`, (m) => void (m.bars.links[span]!.zones = next.map((z) => ({ ...z }))));
  const patch = ({ span, k }: Row, to: Partial<Row['zone']>) =>
    put(
      span,
      steel.links[span]!.map((z, j) => (j === k ? { ...z, ...to } : z)),
    );
  const divide = ({ span, k, zone }: Row) => {
    const zones = steel.links[span]!;
    put(span, [...zones.slice(0, k), { ...zone, to: ((zones[k - 1]?.to ?? 0) + zone.to) / 2 }, ...zones.slice(k)]);
  };
  const drop = ({ span, k }: Row) => {
    const left = steel.links[span]!.filter((_, j) => j !== k);
    put(
      span,
      left.map((z, j) => (j === left.length - 1 ? { ...z, to: member.spans[span]!.length } : z)),
    );
  };
  return (
    <Grid
      label="Links by zone"
      rows={rows}
      rowKey={({ span, k }) => `${span} ${k}`}
      columns={[
        { title: 'Span', cell: ({ span, k }) => (k === 0 ? span + 1 : '') },
        {
          title: 'Links',
          cell: (row) => {
            const { span, k, zone } = row;
            const text = linkLabel({ ...zone, legs: 2 }, project);
            return (
              <input
                className="field"
                aria-label={`Links of span ${span + 1}, zone ${k + 1}`}
                defaultValue={text}
                key={`${zone.size} ${zone.spacing}`}
                onBlur={(e) => {
                  const parsed = parseLinks(e.target.value, member, project.display, zone.legs);
                  if (!parsed.ok) e.target.value = text;
                  else if (parsed.zone.size !== zone.size || Math.abs(parsed.zone.spacing - zone.spacing) > 0.01)
                    patch(row, { ...parsed.zone, legs: zone.legs });
                }}
              />
            );
          },
        },
        {
          title: 'Legs',
          cell: (row) => (
            <input
              className="field"
              type="number"
              min={2}
              max={20}
              aria-label={`Legs in span ${row.span + 1}, zone ${row.k + 1}`}
              value={row.zone.legs}
              onChange={(e) => patch(row, { legs: Number(e.target.value) })}
            />
          ),
        },
        {
          title: 'Zone ends at',
          cell: (row) =>
            row.k < steel.links[row.span]!.length - 1 ? (
              <QuantityInput
                kind="span"
                system={project.display}
                value={row.zone.to}
                label={`End of zone ${row.k + 1} in span ${row.span + 1}`}
                onKeep={(v) => v !== null && patch(row, { to: v })}
              />
            ) : (
              <span className="text-walnut">end of span</span>
            ),
        },
        {
          title: '',
          cell: (row) => (
            <span className="flex gap-2 whitespace-nowrap">
              {row.k === 0 && member.bars.links[row.span]!.zones !== null && (
                <button
                  type="button"
                  className="link"
                  onClick={() => change(`links of span ${row.span + 1}, automatic`, (m) => void (m.bars.links[row.span]!.zones = null))}
                >
                  automatic again
                </button>
              )}
              <button type="button" className="link" onClick={() => divide(row)}>
                Divide
              </button>
              {steel.links[row.span]!.length > 1 && (
                <button type="button" className="link" onClick={() => drop(row)}>
                  Delete
                </button>
              )}
            </span>
          ),
        },
      ]}
    />
  );
}
