'use client';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import { keyOf, type Handle } from '@/core/drawing/shapes';
import type { Fault } from '@/core/checks/fault';
import { kindOf, type Member, type ResultOf } from '@/core/members/kinds';
import { emptyModel, type MemberModel } from '@/core/model/member-model';
import { modelOf } from '@/core/project/as-built';
import type { Project } from '@/core/project/project';
import { addFresh } from '@/store/add-fresh';
import { useProject } from '@/store/project-store';
import { useResults } from '@/store/use-results';
import type { EditorPlace } from '@/ui/drawing/DrawnPopover';
import { HiddenViews } from './HiddenViews';
import { Ladder } from './Ladder';
import { Purfling, SheetFrame } from './SheetFrame';
import { sheetPath } from './sheet-path';
import { SheetTitle } from './SheetTitle';
import { useDrawnEditing, type DrawnEditing } from '@/ui/drawing/use-drawn-editing';
import { useSheet } from './use-sheet';
import { useSheetKeys } from './use-sheet-keys';
import type { Field } from '@/ui/fields/value-field';
import { ValueEditor } from '@/ui/fields/ValueEditor';
import { WaysForward } from '@/ui/ways/WaysForward';

/** What the parts of a member's screen are given. While a value is typed, `project` and `member` are the tentative ones. */
export interface Sheet<M extends Member, H extends Handle = Handle> {
  readonly project: Project;
  readonly member: M;
  readonly kept: Project;
  readonly keptMember: M;
  /** The result as it stands, or the last good one; an empty one where there is none that fits. */
  readonly result: ResultOf<M>;
  readonly lastGood: M | undefined;
  /** The member as it is to be built, by that result. */
  readonly model: MemberModel;
  readonly faults: readonly Fault[];
  readonly isStale: boolean;
  readonly panel: string;
  setPanel(panel: string): void;
  readonly drawn: DrawnEditing<H>;
  /** The key of the value that is open for editing on the drawings. */
  readonly editing: string | null;
}

export interface PanelPart<M extends Member, Own, H extends Handle = Handle> {
  readonly id: string;
  readonly title: string | ((member: M) => string);
  /** Made of fields alone: the finder looks into it while it is not shown. */
  readonly isForm?: boolean;
  /** Whether it is left out of the row of panels; it may still be opened. */
  isHidden?(member: M): boolean;
  show(sheet: Sheet<M, H>, own: Own): React.ReactNode;
}

export interface Focus<M extends Member> {
  readonly state: M;
  /** What it is called: "L3". */
  readonly label: string;
  leave(): void;
}

/** A screen of one kind of member, as what it has of its own; the rest is the same for all. */
export interface ScreenParts<M extends Member, Own, H extends Handle> {
  readonly panels: readonly PanelPart<M, Own, H>[];
  /** State that only this screen has. */
  useOwn(sheet: Sheet<M, H>): Own;
  /** Whether the result of an earlier state can be shown for the member as it now stands. */
  fits?(then: M, now: M): boolean;
  /** Behind the title: what the member is, in a line. */
  subtitle(sheet: Sheet<M, H>): readonly string[];
  readonly asideLabel: string;
  /** What stands above the ladder. */
  above?(sheet: Sheet<M, H>, own: Own): React.ReactNode;
  /** A part of its loads that was picked out, as a state of the member of its own: the ladder shows what comes of that alone. */
  focus?(own: Own): Focus<M> | null;
  /** Goes to a place on the drawings. */
  onPlace?(own: Own): (x: number) => void;
  hasWays?(member: M): boolean;
  /** The field of a value; undefined for what has an editor of its own, or is changed by a click. */
  field(handle: H, sheet: Sheet<M, H>): Field<M> | undefined;
  /** Editors of values that are more than a field. */
  editors?(place: EditorPlace<H>, sheet: Sheet<M, H>, own: Own): React.ReactNode;
}

/** The panel in which states of a member stand side by side, the same for every kind. */

const nowhere = () => undefined;

/** Makes the screen of a kind of member from its parts. */
export function memberScreen<M extends Member, Own, H extends Handle>(parts: ScreenParts<M, Own, H>) {
  const find = (project: Project, id: string) => project.members.find((m) => m.id === id) as M | undefined;
  return function MemberSheet({ project: kept, id }: { project: Project; id: string }) {
    const { good, ...shown } = useSheet(kept, id, find);
    const { member, keptMember, faults, isStale } = shown;
    const lastGood = good?.member as M | undefined;
    const doesFit = lastGood !== undefined && (parts.fits?.(lastGood, member) ?? true);
    const result = (doesFit ? good!.result : kindOf(member).empty([])) as ResultOf<M>;
    const model = useMemo(() => (doesFit ? modelOf(kept, lastGood, result) : emptyModel), [doesFit, lastGood, kept, result]);
    const [panel, setPanel] = useState(parts.panels[0]!.id);
    const drawn = useDrawnEditing<H>();
    const { editing } = drawn;
    const sheet: Sheet<M, H> = {
      ...shown,
      kept,
      result,
      lastGood,
      model,
      panel,
      setPanel,
      drawn,
      editing: editing ? keyOf(editing.handle) : null,
    };
    const own = parts.useOwn(sheet);
    const focus = parts.focus?.(own) ?? null;
    const openChecks = useProject((s) => s.openChecks);
    const [focused] = useResults(kept, focus ? [{ member: focus.state, derive: openChecks }] : []);
    const add = useAdd(kept, member);
    const there = parts.panels.filter((p) => !p.isHidden?.(member));
    const titleOf = ({ title }: (typeof there)[number]) => (typeof title === 'string' ? title : title(member));
    const offered = there.map((p) => [p.id, titleOf(p)] as const);
    useSheetKeys(kept, id, { add, panels: offered.map(([p]) => p), setPanel });
    const field = editing && parts.field(editing.handle, sheet);
    const place = editing && { project: kept, handle: editing.handle, target: editing.target, onClose: drawn.close };
    const subtitle = parts.subtitle(sheet).filter(Boolean).join(' · ');
    return (
      <>
        <SheetFrame
          project={kept}
          member={keptMember}
          faults={faults}
          onAdd={add}
          asideLabel={parts.asideLabel}
          title={<SheetTitle {...{ project: kept, member: keptMember, subtitle, panel }} panels={offered} onPanel={setPanel} />}
          aside={
            <>
              {parts.above?.(sheet, own)}
              <Ladder
                project={kept}
                member={keptMember}
                checks={focused?.checks ?? result.checks}
                isStale={isStale || (focus !== null && !focused)}
                alone={focus}
                early={result.early}
                hasFaults={faults.length > 0}
                onPlace={parts.onPlace?.(own) ?? nowhere}
              />
              {faults.length === 0 && (parts.hasWays?.(keptMember) ?? true) && (
                <>
                  <Purfling />
                  <WaysForward project={kept} member={keptMember} />
                </>
              )}
            </>
          }
        >
          {parts.panels.find((p) => p.id === panel)!.show(sheet, own)}
        </SheetFrame>
        <HiddenViews
          views={there.map((p) => ({ id: p.id, title: titleOf(p), isForm: p.isForm === true, show: () => p.show(sheet, own) }))}
          current={panel}
          onShow={setPanel}
        />
        {editing && field && (
          <ValueEditor<M>
            key={sheet.editing}
            handle={editing.handle}
            member={keptMember}
            field={field}
            target={editing.target}
            onClose={drawn.close}
            onNext={drawn.next}
          />
        )}
        {place && parts.editors?.(place, sheet, own)}
      </>
    );
  };
}

/** Adds a member of the same kind and goes to it. */
function useAdd(project: Project, like: Member) {
  const router = useRouter();
  return () => router.push(sheetPath(project, addFresh(kindOf(like).starts[0]!.id, like)));
}
