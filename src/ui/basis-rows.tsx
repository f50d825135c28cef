import type { Draft } from 'immer';
import type { Fault } from '@/core/members/fault';
import type { Project } from '@/core/project/project';
import type { QuantityKind } from '@/core/units/quantity';
import { QuantityInput } from './QuantityInput';
import { Select } from './Select';

export const basisRow = 'grid grid-cols-[9rem_1fr] items-center gap-2 py-0.5';

type Change<M> = (label: string, recipe: (m: Draft<M>) => void) => void;

/** Rows of a basis panel: each names its value, keeps it by a command of that name, and shows what is wrong with its field. */
export function basisRows<M>({
  project,
  faults,
  change,
}: {
  project: Pick<Project, 'display'>;
  faults: readonly Fault[];
  change: Change<M>;
}) {
  const fault = (path: string) =>
    faults
      .filter((f) => f.path === path)
      .map((f) => (
        <p key={f.reason} className="text-madder-text">
          {f.reason}
        </p>
      ));
  /** A value that may be left empty where `empty` says what that means. */
  const optional = (
    label: string,
    kind: QuantityKind,
    path: string,
    value: number | null,
    set: (m: Draft<M>, v: number | null) => void,
    empty?: string,
  ) => (
    <div key={path}>
      <label className={basisRow}>
        {label}
        <QuantityInput
          kind={kind}
          system={project.display}
          value={value}
          label={label}
          allowEmpty={empty !== undefined}
          placeholder={empty}
          onKeep={(v) => (v !== null || empty !== undefined) && change(label.toLowerCase(), (m) => set(m, v))}
        />
      </label>
      {fault(path)}
    </div>
  );
  return {
    fault,
    optional,
    quantity: (label: string, kind: QuantityKind, path: string, value: number, set: (m: Draft<M>, v: number) => void) =>
      optional(label, kind, path, value, (m, v) => set(m, v!)),
    text: (label: string, value: string, set: (m: Draft<M>, v: string) => void) => (
      <label key={label} className={basisRow}>
        {label}
        <input
          className="field"
          defaultValue={value}
          key={value}
          onBlur={(e) => e.target.value !== value && change(label.toLowerCase(), (m) => set(m, e.target.value.slice(0, 80)))}
        />
      </label>
    ),
    pick: <T extends string>(label: string, value: T, options: readonly (readonly [T, string])[], set: (m: Draft<M>, v: T) => void) => (
      <label key={label} className={basisRow}>
        {label}
        <Select label={label} value={value} options={options} onPick={(v) => change(label.toLowerCase(), (m) => set(m, v))} />
      </label>
    ),
  };
}

export type BasisRows<M> = ReturnType<typeof basisRows<M>>;
