import { weigh } from '@/core/advice/rates';
import type { Project } from '@/core/project/project';
import { counted, formatNumber, formatQuantity, formatValue, unitLabel } from '@/core/units/format';
import { RatesEditor } from './RatesEditor';
import type { RowData } from './rows';

/** What the whole project takes. */
export function Totals({ project, rows }: { project: Project; rows: readonly RowData[] }) {
  const list = rows.flatMap((r) => (r.entry?.result.quantities ? [r.entry.result.quantities] : []));
  const sum = (pick: (q: (typeof list)[number]) => number) => list.reduce((total, q) => total + pick(q), 0);
  const concrete = sum((q) => q.concrete);
  const [bars, links] = [sum((q) => q.bars), sum((q) => q.links)];
  const system = project.display;
  const figures = [
    {
      title: 'Concrete',
      value: formatValue(concrete, 'volume', system, 1),
      unit: unitLabel('volume', system),
      note: `${counted(list.length, 'member')} counted`,
    },
    {
      title: 'Reinforcement',
      value: formatValue(bars + links, 'mass', system),
      unit: unitLabel('mass', system),
      note: `bars ${formatQuantity(bars, 'mass', system)} · links ${formatQuantity(links, 'mass', system)}, with laps, hooks and bends; uprights without laps`,
    },
    {
      title: 'Steel per concrete',
      value: concrete > 0 ? formatValue((bars + links) / concrete, 'massPerVolume', system) : '–',
      unit: unitLabel('massPerVolume', system),
      note: 'over all members',
    },
    ...(['cost', 'carbon'] as const).map((kind) => {
      const total = rows.reduce((amount, { member, entry }) => {
        const q = entry?.result.quantities;
        return q ? amount + weigh(q, member.materials.concreteStrength, project.rates[kind]) : amount;
      }, 0);
      return {
        title: kind === 'cost' ? 'Cost' : 'Carbon',
        value: kind === 'cost' ? formatNumber(total, 0) : formatNumber(total / 1000, 1),
        unit: kind === 'cost' ? '' : 't CO₂e',
        note: 'materials, for comparing',
      };
    }),
  ];
  return (
    <footer className="flex">
      <div className="absolute inset-x-0 -mt-[3px] purfling-x" />
      {figures.map((f) => (
        <div key={f.title} className="border-r border-line px-4 py-2.5">
          <h2>{f.title}</h2>
          <p className="font-serif text-[1.875rem] leading-[2.375rem]">
            {f.value} <span className="font-plex text-[0.8125rem]">{f.unit}</span>
          </p>
          <p className="small">
            {f.note} {f.title === 'Cost' && <RatesEditor project={project} />}
          </p>
        </div>
      ))}
    </footer>
  );
}
