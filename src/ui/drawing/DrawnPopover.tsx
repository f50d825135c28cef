'use client';
import { Popover } from 'radix-ui';
import { keyOf, type Handle } from '@/core/drawing/shapes';
import type { Project } from '@/core/project/project';
import type { ColumnMember } from '@/core/members/column/input';
import type { Member } from '@/core/members/kinds';
import { useDrawnAnchor } from '@/ui/drawing/use-drawn-anchor';

/** What an editor that hangs on the drawing is given. */
export interface EditorPlace<H extends Handle = Handle> {
  readonly project: Project;
  readonly handle: H;
  readonly target: Element;
  readonly onClose: () => void;
}

export interface EditorProps<M extends Member = ColumnMember> extends EditorPlace {
  readonly member: M;
}

/** An editor with several fields, hung where it was opened on the drawing. */
export function DrawnPopover({
  title,
  handle,
  target,
  onClose,
  side = 'right',
  children,
}: Pick<EditorPlace, 'handle' | 'target' | 'onClose'> & { title: string; side?: 'right' | 'bottom'; children: React.ReactNode }) {
  const anchor = useDrawnAnchor(keyOf(handle), target);
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor virtualRef={anchor} />
      <Popover.Portal>
        <Popover.Content side={side} sideOffset={12} collisionPadding={8} className="framed z-30 w-[21rem] px-3 py-2" aria-label={title}>
          <b className="font-semibold">{title}</b>
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
