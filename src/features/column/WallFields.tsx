'use client';
import { useChange } from '@/ui/fields/use-change';
import type { Fault } from '@/core/checks/fault';
import { effectiveFactor } from '@/core/members/wall/as-column';
import type { Project } from '@/core/project/project';
import { codeOf } from '@/core/members/member';
import type { WallMember } from '@/core/members/wall/input';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select } from '@/ui/fields/Select';
import { restraints } from './WallEditor';

/** Size of a wall and how its edges are held. */
export function WallFields({ project, member, faults }: { project: Project; member: WallMember; faults: readonly Fault[] }) {
  const change = useChange(member);
  const row = 'grid grid-cols-[10rem_1fr] items-center gap-2 py-0.5';
  const length = (label: string, key: 'thickness' | 'length' | 'between') => (
    <label className={row}>
      {label}
      <QuantityInput
        kind="length"
        system={project.display}
        value={member[key]}
        label={label}
        onKeep={(v) => v !== null && change(label.toLowerCase(), (m) => void (m[key] = v))}
      />
    </label>
  );
  const factor = effectiveFactor(member, codeOf(project, member));
  return (
    <>
      <label className={row}>
        Worked as
        <Select
          label="Worked as"
          value={member.isStrip ? 'metre' : 'whole'}
          options={[
            ['metre', 'a metre of a longer wall'],
            ['whole', 'a wall of its own length'],
          ]}
          onPick={(v) => change('way of working', (m) => void (m.isStrip = v === 'metre'))}
        />
      </label>
      {length('Thickness', 'thickness')}
      {!member.isStrip && length('Length', 'length')}
      <label className={row}>
        Edges, out of plane
        <Select
          label="Edges, out of plane"
          value={member.restraint}
          options={restraints}
          onPick={(v) => change('edges', (m) => void (m.restraint = v))}
        />
      </label>
      {(member.restraint === 'threeSides' || member.restraint === 'fourSides') && length('Between cross walls', 'between')}
      {factor !== null && <p className="small">Effective length out of plane: {factor.toFixed(2)} of the clear height.</p>}
      {faults
        .filter((f) => /^(thickness|length|between|vertical|horizontal)/.test(f.path))
        .map((f) => (
          <p key={f.path} className="text-madder-text">
            {f.reason}
          </p>
        ))}
    </>
  );
}
