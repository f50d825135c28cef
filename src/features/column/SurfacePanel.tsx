'use client';
import { useMemo, useState } from 'react';
import { surfaceDrawing, type SpacePoint } from '@/core/members/column/drawing/surface';
import { columnPicture, nominalSurface } from '@/core/members/column/picture';
import type { ColumnResult } from '@/core/members/column/result';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import { uprightInput, type UprightMember } from '@/core/members/wall/upright';
import { formatValue, unitLabel } from '@/core/units/format';
import { Turnable } from '@/ui/drawing/Turnable';
import { useBox } from '@/ui/drawing/use-box';

const LEVELS = 18;

/** The whole resistance surface, turned by dragging or with the arrow keys, with the load sets, the slice and the level of the chosen set. */
export function SurfacePanel({
  project,
  member,
  result,
  index,
}: {
  project: Project;
  member: UprightMember;
  result: ColumnResult;
  index: number;
}) {
  const [shows, setShows] = useState<'design' | 'nominal'>('design');
  const [box, room] = useBox<HTMLDivElement>({ width: 700, height: 520 });
  const code = useMemo(() => codeOf(project, member), [project, member]);
  const column = useMemo(() => uprightInput(member, code), [member, code]);
  const picture = useMemo(() => columnPicture(column, code, result, index, null), [column, code, result, index]);
  const space = useMemo(() => {
    if (!picture) return null;
    const surface = shows === 'nominal' ? nominalSurface(picture.model, column, code) : picture.model.surface;
    const M = Math.max(...surface.slices.flatMap((s) => [...s.Mx.map(Math.abs), ...s.My.map(Math.abs)]));
    const middle = (surface.most + surface.least) / 2;
    const half = (surface.most - surface.least) / 2;
    const to = (N: number, Mx: number, My: number): SpacePoint => [My / M, Mx / M, (N - middle) / half];
    const ring = (N: number) => surface.contour(N).map((p) => to(N, p?.Mx ?? 0, p?.My ?? 0));
    const rings = Array.from({ length: LEVELS + 1 }, (_, i) => {
      const f = (1 - Math.cos((Math.PI * i) / LEVELS)) / 2;
      return ring(surface.least + (surface.most - surface.least) * Math.min(0.9999, Math.max(0.0001, f)));
    });
    const d = picture.direction;
    const slice = picture.slice.map((p) => to(p.N, p.M * Math.sin(d), p.M * Math.cos(d)));
    const worst = [...result.summaries].sort((a, b) => (b.utilisation ?? 99) - (a.utilisation ?? 99)).slice(0, 300);
    const points = worst.flatMap(({ N, Mx, My, utilisation, index: own }) =>
      Mx === null || My === null ? [] : [{ at: to(N, Mx, My), isOver: (utilisation ?? 99) > 1, isChosen: own === index }],
    );
    return { rings, slice, level: ring(picture.strength.worst.N), points };
  }, [picture, column, code, result, index, shows]);
  if (!picture || !space) return <p className="px-3.5 py-4">There is nothing to show yet.</p>;
  const units = project.display;
  return (
    <div className="flex min-h-0 flex-1 px-3.5">
      <div ref={box} className="min-w-0 flex-1">
        <Turnable
          label="Resistance surface"
          start={{ turn: -0.7, tilt: 0.35 }}
          draw={(view) => surfaceDrawing({ ...space, ...view }, room.width, Math.max(320, room.height - 24))}
        />
      </div>
      <div className="w-56 shrink-0 border-l border-line pl-3 pt-1">
        <h2>Surface</h2>
        <p className="small">
          N upwards. Drag to turn, or use the arrow keys. Black: the slice and the level of {picture.strength.set.name}.
        </p>
        <div className="mt-2 flex border border-groove" role="group" aria-label="Which strength">
          {(['design', 'nominal'] as const).map((k) => (
            <button
              key={k}
              type="button"
              aria-pressed={shows === k}
              className="flex-1 px-2 py-0.5 aria-pressed:bg-ebony aria-pressed:text-holly"
              onClick={() => setShows(k)}
            >
              {k === 'design' ? 'design' : picture.nominalName}
            </button>
          ))}
        </div>
        <h2 className="mt-3">Critical points</h2>
        <p className="small">neutral axis across the direction of {picture.strength.set.name}</p>
        <table className="grid-table">
          <thead>
            <tr>
              <th>Point</th>
              <th className="!text-right">N {unitLabel('force', units)}</th>
              <th className="!text-right">M {unitLabel('moment', units)}</th>
            </tr>
          </thead>
          <tbody>
            {picture.critical.map(({ name, point }) => (
              <tr key={name}>
                <td>{name}</td>
                <td className="text-right">{formatValue(point.N, 'force', units, 0)}</td>
                <td className="text-right">{formatValue(Math.hypot(point.Mx, point.My), 'moment', units, 0)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </div>
  );
}
