'use client';
import { useMemo, useState } from 'react';
import { FIRE_PERIODS } from '@/core/codes/fire-rules';
import { fireDrawing } from '@/core/members/column/drawing/fire';
import { hotSides, type HotSide } from '@/core/members/column/fire-field';
import { firePicture, type FirePicture } from '@/core/members/column/fire-picture';
import type { ColumnResult } from '@/core/members/column/result';
import { codeOf } from '@/core/members/member';
import { uprightInput, type UprightMember } from '@/core/members/wall/upright';
import type { Project } from '@/core/project/project';
import { formatQuantity, formatValue, unitLabel } from '@/core/units/format';
import { DrawingView } from '@/ui/drawing/DrawingView';
import { useBox } from '@/ui/drawing/use-box';
import { FireFields } from '@/ui/fields/FireFields';
import { Select } from '@/ui/fields/Select';

interface FirePanelProps {
  readonly project: Project;
  readonly member: UprightMember;
  readonly result: ColumnResult;
}

/** A column or wall in a fire: its section with what the fire reaches, temperatures, axis distances, and every way of the code beside each other. */
export function FirePanel({ project, member, result }: FirePanelProps) {
  const code = useMemo(() => codeOf(project, member), [project, member]);
  const column = useMemo(() => uprightInput(member, code), [member, code]);
  const [wished, setPeriod] = useState<number | null>(null);
  const [side, setSide] = useState<HotSide | null>(null);
  const [box, room] = useBox<HTMLDivElement>({ width: 460, height: 520 });
  const period = wished ?? member.fire.minutes ?? 60;
  const picture = useMemo(() => firePicture(column, code, period, side), [column, code, period, side]);
  const length = (v: number) => formatValue(v, 'smallLength', project.display);
  const sides = hotSides(column);
  return (
    <div className="flex min-h-0 flex-1 overflow-y-auto px-3.5">
      <div className="flex min-w-0 flex-1 flex-col">
        <div className="flex flex-wrap items-center gap-x-4 pb-1">
          <label className="flex items-center gap-1.5">
            After
            <Select
              label="Period shown"
              className="field !w-auto"
              value={String(period)}
              options={FIRE_PERIODS.map((p) => [String(p), `${p} min`] as const)}
              onPick={(v) => setPeriod(Number(v))}
            />
          </label>
          {sides.length > 1 && (
            <label className="flex items-center gap-1.5">
              heated from the
              <Select
                label="Side shown"
                className="field !w-auto"
                value={picture.side}
                options={sides.map((s) => [s, s] as const)}
                onPick={(s) => setSide(s as HotSide)}
              />
            </label>
          )}
          <span className="small">a in {unitLabel('smallLength', project.display)}; wavy: reached by the fire</span>
        </div>
        <div ref={box} className="min-h-[300px] flex-1">
          <DrawingView drawing={fireDrawing(picture, length, room.width, Math.max(300, room.height - 8))} />
        </div>
      </div>
      <div className="w-72 shrink-0 border-l border-line pl-3">
        <FireFields project={project} member={member} hasSides />
        <Ways result={result} />
        <Parts result={result} />
        <BarTable picture={picture} project={project} />
        {!picture.heat && <p className="small mt-2">Temperatures of the section are not worked out to this code.</p>}
      </div>
    </div>
  );
}

/** Every way with what it gives; the one that counts first. */
function Ways({ result }: Pick<FirePanelProps, 'result'>) {
  const ways = result.checks.filter((c) => c.family === 'fire' && c.title.startsWith('Fire: '));
  if (ways.length === 0) return <p className="small mt-2">Ask for a fire resistance to see what each way of the code gives.</p>;
  return (
    <>
      <h2 className="mt-3">Each way</h2>
      <p className="small">
        at {ways[0]!.place.label}
        {ways[0]!.combination ? `, ${ways[0]!.combination}` : ''}; the first one counts
      </p>
      <ul>
        {ways.map((w) => (
          <li key={w.id} className="border-t border-line py-1">
            {w.title.slice('Fire: '.length)} <span className="small">{w.clause}</span>
            <div className={w.status === 'exceeds' ? 'text-madder-text' : 'text-walnut'}>
              {w.reason ??
                `${formatQuantity(w.capacity!.value, 'minutes', 'SI')}; ${formatQuantity(w.demand!.value, 'minutes', 'SI')} asked for`}
            </div>
          </li>
        ))}
      </ul>
    </>
  );
}

/** A row for each end, and for the moments of one axis alone. */
function Parts({ result }: Pick<FirePanelProps, 'result'>) {
  const rows = result.checks.filter(
    (c) => c.family === 'fire' && (c.id === 'fire' || /^fire-(part|alone)-/.test(c.id)) && c.place.label !== '',
  );
  if (rows.length < 2) return null;
  return (
    <>
      <h2 className="mt-3">Each end and axis</h2>
      <table className="grid-table" aria-label="Each end and axis">
        <tbody>
          {rows.map((c) => (
            <tr key={c.id}>
              <td className={c.id === 'fire' ? 'font-semibold' : ''}>{c.id === 'fire' ? c.place.label : c.title.slice('Fire, '.length)}</td>
              <td className={`text-right ${c.status === 'exceeds' ? 'text-madder-text' : ''}`}>
                {c.capacity ? formatQuantity(c.capacity.value, 'minutes', 'SI') : c.reason!.split(' by ')[0]}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

/** Bars with their temperature and what is left of their strength; bars that are alike once. */
function BarTable({ picture, project }: { picture: FirePicture; project: Project }) {
  if (!picture.heat) return null;
  const rows = new Map<string, { readonly axis: number; readonly temperature: number; readonly part: number; count: number }>();
  for (const b of picture.bars) {
    const key = `${b.axis.toFixed(0)} ${b.temperature!.toFixed(0)}`;
    const row = rows.get(key);
    if (row) row.count += 1;
    else rows.set(key, { axis: b.axis, temperature: b.temperature!, part: b.part!, count: 1 });
  }
  const sorted = [...rows.values()].sort((a, b) => b.temperature - a.temperature).slice(0, 12);
  return (
    <>
      <h2 className="mt-3">Bars</h2>
      <table className="grid-table" aria-label="Bars in fire">
        <thead>
          <tr>
            <th>Number</th>
            <th className="!text-right">a {unitLabel('smallLength', project.display)}</th>
            <th className="!text-right">°C</th>
            <th className="!text-right">of strength</th>
          </tr>
        </thead>
        <tbody>
          {sorted.map((r) => (
            <tr key={`${r.axis} ${r.temperature}`}>
              <td>{r.count}</td>
              <td className="text-right">{formatValue(r.axis, 'smallLength', project.display)}</td>
              <td className="text-right">{r.temperature.toFixed(0)}</td>
              <td className="text-right">{r.part.toFixed(2)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
