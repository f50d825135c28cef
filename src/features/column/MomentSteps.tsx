'use client';
import type { ColumnPicture } from '@/core/members/column/picture';
import type { Project } from '@/core/project/project';
import { formatValue, unitLabel } from '@/core/units/format';

/** The way from the moments typed to those that are carried, line by line. */
export function MomentSteps({
  picture,
  axis,
  project,
  onClose,
}: {
  picture: ColumnPicture;
  axis: 'x' | 'y';
  project: Project;
  onClose: () => void;
}) {
  const { slenderness, limit, isSlender, refusal } = picture.strength[axis];
  const show = (v: number | null) => (v === null || !Number.isFinite(v) ? '' : formatValue(v, 'moment', project.display, 1));
  return (
    <section className="shrink-0 border-t border-line px-3.5 py-1" aria-label={`Moments about ${axis}, step by step`}>
      <div className="flex items-baseline gap-3">
        <h2>Moments about {axis}, step by step</h2>
        <span className="small">
          {picture.strength.set.name} · slenderness {slenderness.toFixed(1)} against {Number.isFinite(limit) ? limit.toFixed(1) : '–'}:{' '}
          {isSlender ? 'slender' : 'not slender'} · {unitLabel('moment', project.display)}
        </span>
        <button type="button" className="link small ml-auto" onClick={onClose}>
          close
        </button>
      </div>
      {refusal && <p className="text-madder-text">{refusal}</p>}
      <table className="grid-table">
        <thead>
          <tr>
            {['', 'top', 'mid', 'foot', 'clause'].map((h, i) => (
              <th key={h + i} className={i > 0 && i < 4 ? '!text-right' : ''}>
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {picture.steps[axis].map((s, i, all) => (
            <tr key={s.title} className={i === all.length - 1 ? 'font-semibold' : ''}>
              <td>{s.title}</td>
              <td className="text-right">{show(s.top)}</td>
              <td className="text-right">{show(s.mid)}</td>
              <td className="text-right">{show(s.bottom)}</td>
              <td className="small pl-3">{s.clause}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
