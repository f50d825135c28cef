import { original } from 'immer';
import { useState } from 'react';
import { makeCode } from '@/core/codes/registry';
import type { SharedSettings } from '@/core/members/kind';
import { kindOf, type Member } from '@/core/members/kinds';
import { catalogues } from '@/core/materials/bars';
import type { Project } from '@/core/project/project';
import { onProject } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { entriesOf, Select, type Options } from '@/ui/fields/Select';
import { counted } from '@/core/units/format';

const sizesOf = (text: string) => text.split(/[\s,;]+/).filter(Boolean);

/** Settings for several members at once; an empty field leaves theirs alone. One step to undo. */
export function SelectedEditor({ project, ids, onDone }: { project: Project; ids: ReadonlySet<string>; onDone: () => void }) {
  const edit = useProject((s) => s.edit);
  const [concrete, setConcrete] = useState<number | null>(null);
  const [crack, setCrack] = useState<number | null>(null);
  const [main, setMain] = useState('');
  const [links, setLinks] = useState('');
  const [group, setGroup] = useState('');
  const [frame, setFrame] = useState('');
  const [limit, setLimit] = useState<number | null>(null);
  const [partitions, setPartitions] = useState<'' | 'yes' | 'no'>('');
  const unknown = [...sizesOf(main), ...sizesOf(links)].filter(
    (s) => !project.members.some((m) => ids.has(m.id) && catalogues[m.catalogue].bars.some((b) => b.name === s)),
  );
  const apply = () => {
    const settings: SharedSettings = {
      concrete,
      crackWidth: crack,
      mainSizes: sizesOf(main),
      linkSizes: sizesOf(links),
      group: group.trim(),
      frame,
      deflection: limit,
      hasPartitions: partitions === '' ? null : partitions === 'yes',
    };
    edit(
      `settings of ${counted(ids.size, 'member')}`,
      onProject((p) => {
        for (const m of p.members) if (ids.has(m.id)) Object.assign(m, kindOf(m).withSettings(original(m) as Member, settings));
      }),
    );
    onDone();
  };
  const remove = () => {
    edit(
      `delete ${counted(ids.size, 'member')}`,
      onProject((p) => void (p.members = p.members.filter((m) => !ids.has(m.id)))),
    );
    useProject.getState().setNotice(`${counted(ids.size, 'member')} deleted. Ctrl Z brings back.`);
    onDone();
  };
  const number = (label: string, kind: 'stress' | 'crack' | 'number', value: number | null, set: (v: number | null) => void) => (
    <label className="flex items-center gap-1.5">
      {label}
      <span className="w-28">
        <QuantityInput kind={kind} system={project.display} value={value} label={label} empty="as they are" onKeep={set} />
      </span>
    </label>
  );
  const text = (label: string, value: string, set: (v: string) => void) => (
    <label className="flex items-center gap-1.5">
      {label}
      <input className="field !w-28" aria-label={label} placeholder="as they are" value={value} onChange={(e) => set(e.target.value)} />
    </label>
  );
  const select = <T extends string>(label: string, value: '' | T, options: Options<T>, set: (v: '' | T) => void) => (
    <label className="flex items-center gap-1.5">
      {label}
      <Select label={label} className="field !w-28" value={value} options={[['', 'as they are'], ...entriesOf(options)]} onPick={set} />
    </label>
  );
  return (
    <form
      aria-label="Settings of the selected members"
      className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-line bg-sycamore px-4 py-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        if (unknown.length === 0) apply();
      }}
    >
      <b className="font-semibold">{ids.size} selected</b>
      {number('Concrete', 'stress', concrete, setConcrete)}
      {number('Crack width', 'crack', crack, setCrack)}
      <span title="Beams of a group share their section and bars, designed for the worst of all; - takes them out">
        {text('Group', group, setGroup)}
      </span>
      {text('Main sizes', main, setMain)}
      {text('Link sizes', links, setLinks)}
      {number('Deflection, span over', 'number', limit, setLimit)}
      {select(
        'Partitions',
        partitions,
        [
          ['yes', 'can be damaged'],
          ['no', 'none'],
        ],
        setPartitions,
      )}
      {select('Ductile frame', frame, makeCode(project.code).frames.classes, setFrame)}
      <button type="submit" className="btn" disabled={unknown.length > 0}>
        Set
      </button>
      <button type="button" className="link" onClick={remove}>
        Delete {counted(ids.size, 'member')}
      </button>
      <button type="button" className="link" onClick={onDone}>
        Cancel
      </button>
      {unknown.length > 0 && <span className="text-madder-text">No bar {unknown.join(', ')} in their catalogue.</span>}
    </form>
  );
}
