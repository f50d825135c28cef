'use client';
import type { Draft } from 'immer';
import { Fragment } from 'react';
import type { Fault } from '@/core/checks/fault';
import type { DesignCode, Materials } from '@/core/codes/design-code';
import { catalogues, type CatalogueId } from '@/core/materials/bars';
import { concreteGrade, steelGrade, type Grade } from '@/core/materials/grades';
import type { Member } from '@/core/members/kinds';
import type { Project } from '@/core/project/project';
import { formatQuantity } from '@/core/units/format';
import type { QuantityKind } from '@/core/units/quantity';
import { CheckBox } from './CheckBox';
import { setAt, valueAt, type FieldOf } from './paths';
import { QuantityInput } from './QuantityInput';
import { Select, type Options } from './Select';
import { TextInput } from './TextInput';
import { useChange } from './use-change';

/** A row of a panel, and of an editor that hangs on a drawing. */
export const panelRow = 'grid grid-cols-[9rem_1fr] items-center gap-2 py-0.5';
export const editorRow = 'grid grid-cols-[7.5rem_1fr] items-center gap-2 py-0.5';

interface Words {
  /** What the field is called where its label alone does not say it. */
  readonly name?: string;
  /** The field may be left empty; this says what that means. */
  readonly empty?: string;
  /** Least and most that may be typed, in internal units. */
  readonly range?: readonly [number, number];
  readonly isWhole?: boolean;
  /** Empty is left out of the member, not null. */
  readonly isLeftOut?: boolean;
  /** Other ways of writing the value. */
  readonly readName?: (text: string) => number | undefined;
}

/** How fields of a member are shown: with the faults found, as rows of a panel or an editor, and for which part of the member. */
interface Setting {
  readonly faults?: readonly Fault[];
  readonly row?: string;
  /** Behind the label in the history: "of support A". */
  readonly part?: string;
}

/**
 * Rows of fields, each named by the path of its value within the member: a row shows the value, keeps it as one edit with a name, and shows
 * what is wrong with it.
 */
export function useRows<M extends Member>(
  project: Pick<Project, 'display'>,
  member: M,
  { faults = [], row = panelRow, part }: Setting = {},
) {
  const change = useChange(member);
  const nameOf = (label: string) => `${label.charAt(0).toLowerCase()}${label.slice(1)}${part ? ` ${part}` : ''}`;
  const put = (label: string, path: string, value: unknown) => change(nameOf(label), (m) => setAt(m, path, value));

  const fault = (path: string) =>
    faults
      .filter((f) => f.path === path)
      .map((f) => (
        <p key={f.reason} className="text-madder-text">
          {f.reason}
        </p>
      ));
  const labelled = (key: string, label: string, field: React.ReactNode, path?: string) => (
    <div key={key}>
      <label className={row}>
        {label}
        {field}
      </label>
      {path !== undefined && fault(path)}
    </div>
  );
  /** A list of named values that stand for more than one value of the member. */
  const choose = <T extends string>(label: string, value: T, options: Options<T>, keep: (m: Draft<M>, v: T) => void, name = label) =>
    labelled(name, label, <Select label={name} value={value} options={options} onPick={(v) => change(nameOf(name), (m) => keep(m, v))} />);
  return {
    change,
    fault,
    choose,
    quantity: (label: string, kind: QuantityKind, path: FieldOf<M, number>, { name = label, isLeftOut, ...words }: Words = {}) =>
      labelled(
        path,
        label,
        <QuantityInput
          kind={kind}
          system={project.display}
          value={(valueAt(member, path) as number | null | undefined) ?? null}
          label={name}
          {...words}
          onKeep={(v) => put(name, path, v === null && isLeftOut ? undefined : v)}
        />,
        path,
      ),
    /** A strength, typed as a quantity or by its grade; a grade that names a class of ductility sets that too. */
    strength: (
      label: string,
      kind: QuantityKind,
      path: FieldOf<M, number> & `materials.${string}`,
      read: (text: string) => Grade | undefined,
      code: DesignCode,
    ) => {
      const counted = code.countedStrength?.(valueAt(member, 'materials') as Materials)[path.slice('materials.'.length) as 'linkStrength'];
      const field = (
        <QuantityInput
          kind={kind}
          system={project.display}
          value={valueAt(member, path) as number}
          label={label}
          readName={(text) => read(text)?.strength}
          onKeep={(v, text) =>
            change(nameOf(label), (m) => {
              setAt(m, path, v);
              const { ductility } = read(text) ?? {};
              if (ductility) setAt(m, 'materials.ductility', ductility);
            })
          }
        />
      );
      return (
        <Fragment key={path}>
          {labelled(path, label, field, path)}
          {counted && (
            <p className="small">
              {formatQuantity(counted.value, kind, project.display)} {counted.why}.
            </p>
          )}
        </Fragment>
      );
    },
    text: (label: string, path: FieldOf<M, string>) =>
      labelled(path, label, <TextInput value={valueAt(member, path) as string} onKeep={(v) => put(label, path, v)} />),
    pick: <T extends string>(label: string, path: FieldOf<M, T>, options: Options<T>, name = label) =>
      choose(label, valueAt(member, path) as T, options, (m, v) => setAt(m, path, v), name),
    box: (label: string, path: FieldOf<M, boolean>, name = label) => (
      <CheckBox key={path} label={label} checked={valueAt(member, path) === true} onCheck={(on) => put(name, path, on)} />
    ),
    /** A whole number with arrows beside it, kept as it changes. */
    count: (label: string, value: number, [least, most]: readonly [number, number], keep: (m: Draft<M>, n: number) => void) =>
      labelled(
        label,
        label,
        <input
          className="field"
          type="number"
          min={least}
          max={most}
          value={value}
          onChange={(e) => {
            const n = e.target.valueAsNumber;
            if (Number.isInteger(n) && n >= least && n <= most) change(nameOf(label), (m) => keep(m, n));
          }}
        />,
      ),
  };
}

export type Rows<M extends Member> = ReturnType<typeof useRows<M>>;

/** Mark, title and place, which a member of any kind has. */
export const nameRows = ({ text }: { text: (label: string, path: 'mark' | 'title' | 'place') => React.ReactNode }) => [
  <h2 key="head">Member</h2>,
  text('Mark', 'mark'),
  text('Title', 'title'),
  text('Place', 'place'),
];

/** Links have no class of their own. */
const linkGrade = (text: string): Grade | undefined => {
  const grade = steelGrade(text);
  return grade && { strength: grade.strength };
};

/** Rows of a member that has materials. */
interface OfMaterials {
  quantity(label: string, kind: QuantityKind, path: 'materials.aggregateSize'): React.ReactNode;
  strength(
    label: string,
    kind: QuantityKind,
    path: `materials.${'concreteStrength' | 'steelStrength' | 'linkStrength'}`,
    read: (text: string) => Grade | undefined,
    code: DesignCode,
  ): React.ReactNode;
  pick(label: string, path: 'materials.ductility', options: Options<Materials['ductility']>): React.ReactNode;
}

/** Concrete, bars and links by the symbols of the code, and the class of ductility where the code has classes. */
export function materialRows(
  { strength, pick }: OfMaterials,
  code: DesignCode,
  { links, hasBars = true, hasClasses = true }: { readonly links?: string; readonly hasBars?: boolean; readonly hasClasses?: boolean } = {},
) {
  const { strengthSymbols: symbols, ductilityClasses } = code;
  return [
    strength(`Concrete ${symbols.concrete}`, 'stress', 'materials.concreteStrength', concreteGrade, code),
    hasBars && strength(`Bars ${symbols.bars}`, 'steelStress', 'materials.steelStrength', steelGrade, code),
    links && strength(`${links} ${symbols.links}`, 'steelStress', 'materials.linkStrength', linkGrade, code),
    hasClasses && Object.keys(ductilityClasses).length > 0 && pick('Ductility class', 'materials.ductility', ductilityClasses),
  ];
}

/** Strengths of concrete and bars, covers of both faces, aggregate and weight of a slab. */
export const slabMaterialRows = (
  rows: OfMaterials & { quantity(label: string, kind: QuantityKind, path: 'cover.top' | 'cover.bottom' | 'unitWeight'): React.ReactNode },
  code: DesignCode,
) => [
  <h2 key="head">Materials and cover</h2>,
  materialRows(rows, code),
  rows.quantity('Cover to outer bars, top', 'smallLength', 'cover.top'),
  rows.quantity('Cover to outer bars, bottom', 'smallLength', 'cover.bottom'),
  rows.quantity('Largest aggregate', 'smallLength', 'materials.aggregateSize'),
  rows.quantity('Unit weight', 'unitWeight', 'unitWeight'),
];

export const catalogueOptions = Object.values(catalogues).map((c) => [c.id, c.title] as const);
export const sizeOptions = (id: CatalogueId) => catalogues[id].bars.map((b) => [b.name, b.name] as const);
