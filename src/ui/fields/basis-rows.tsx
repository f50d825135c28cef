import type { Draft } from 'immer';
import type { Fault } from '@/core/checks/fault';
import type { Project } from '@/core/project/project';
import type { DesignCode, Materials } from '@/core/codes/design-code';
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

/** The class of ductility of the bars, where the code has classes. */
export const ductilityRow = <M,>(
  { pick }: Pick<BasisRows<M>, 'pick'>,
  { ductilityClasses }: DesignCode,
  value: Materials['ductility'],
  set: (m: Draft<M>, v: Materials['ductility']) => void,
) =>
  ductilityClasses.length > 0 &&
  pick(
    'Ductility class',
    value,
    ductilityClasses.map((k) => [k.value, k.label] as const),
    set,
  );

/** What the rows below ask of a slab. */
interface SlabMaterials {
  readonly materials: Materials;
  readonly cover: { readonly top: number; readonly bottom: number };
  readonly unitWeight: number;
}

/** Strengths of concrete and bars, covers of both faces, aggregate and weight of a slab. */
export function slabMaterialRows<M extends SlabMaterials>(rows: BasisRows<M>, code: DesignCode, member: M) {
  const { materials, cover } = member;
  const { strengthSymbols: symbols } = code;
  // A draft of the member is one of what these rows ask of it.
  const slab = (m: Draft<M>) => m as Draft<SlabMaterials>;
  const row = (label: string, kind: QuantityKind, path: string, value: number, set: (m: Draft<SlabMaterials>, v: number) => void) =>
    rows.quantity(label, kind, path, value, (m, v) => set(slab(m), v));
  return (
    <>
      {row(
        `Concrete ${symbols.concrete}`,
        'stress',
        'materials.concreteStrength',
        materials.concreteStrength,
        (m, v) => void (m.materials.concreteStrength = v),
      )}
      {row(
        `Bars ${symbols.bars}`,
        'steelStress',
        'materials.steelStrength',
        materials.steelStrength,
        (m, v) => void (m.materials.steelStrength = v),
      )}
      {ductilityRow(rows, code, materials.ductility, (m, v) => void (slab(m).materials.ductility = v))}
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
