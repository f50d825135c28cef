import type { Draft } from 'immer';
import type { Fault } from '@/core/members/fault';
import type { PanelMember, Project, StripMember } from '@/core/project/project';
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

const ductilities = [
  ['A', 'A'],
  ['B', 'B'],
  ['C', 'C'],
] as const;

/** Strengths of concrete and bars, covers of both faces, aggregate and weight of a slab. */
export function slabMaterialRows<M extends StripMember | PanelMember>(rows: BasisRows<M>, project: Pick<Project, 'code'>, member: M) {
  const { quantity, pick } = rows;
  const { materials, cover } = member;
  const isEN = project.code.id === 'en1992';
  // What strips and panels have in common, seen through either.
  const set = (recipe: (m: Draft<StripMember>) => void) => (m: Draft<M>) => recipe(m as unknown as Draft<StripMember>);
  const row = (label: string, kind: QuantityKind, path: string, value: number, recipe: (m: Draft<StripMember>, v: number) => void) =>
    quantity(label, kind, path, value, (m, v) => set((s) => recipe(s, v))(m));
  return (
    <>
      {row(
        isEN ? 'Concrete fck' : 'Concrete f′c',
        'stress',
        'materials.concreteStrength',
        materials.concreteStrength,
        (m, v) => void (m.materials.concreteStrength = v),
      )}
      {row(
        isEN ? 'Bars fyk' : 'Bars fy',
        'steelStress',
        'materials.steelStrength',
        materials.steelStrength,
        (m, v) => void (m.materials.steelStrength = v),
      )}
      {isEN && pick('Ductility class', materials.ductility, ductilities, (m, v) => set((s) => void (s.materials.ductility = v))(m))}
      {row('Cover to outer bars, top', 'smallLength', 'cover.top', cover.top, (m, v) => void (m.cover.top = v))}
      {row('Cover to outer bars, bottom', 'smallLength', 'cover.bottom', cover.bottom, (m, v) => void (m.cover.bottom = v))}
      {row(
        'Largest aggregate',
        'smallLength',
        'materials.aggregateSize',
        materials.aggregateSize,
        (m, v) => void (m.materials.aggregateSize = v),
      )}
      {row('Unit weight', 'unitWeight', 'unitWeight', member.unitWeight, (m, v) => void (m.unitWeight = v))}
    </>
  );
}
