'use client';
import { Popover } from 'radix-ui';
import { useEffect, useState } from 'react';
import { keyOf, type Handle } from '@/core/drawing/shapes';
import { formatUtilisation } from '@/core/units/format';
import type { Member } from '@/core/members/kinds';
import { onMember } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { Inlay } from '@/ui/drawing/Inlay';
import { standingOf, standingText } from '@/ui/drawing/Glyph';
import type { Field } from './value-field';
import { useDrawnAnchor } from '@/ui/drawing/use-drawn-anchor';

interface ValueEditorProps<M extends Member> {
  readonly member: M;
  readonly field: Field<M>;
  readonly handle: Handle;
  readonly target: Element;
  readonly onClose: () => void;
  /** Keeps the value and opens the next one of the drawing, or the one before. */
  readonly onNext: (direction: 1 | -1) => void;
}

/** The editor of one value, opened where it is drawn. The whole member is designed again while it is typed. */
export function ValueEditor<M extends Member>({ member, field: opened, handle, target, onClose, onNext }: ValueEditorProps<M>) {
  // As it was when the editor opened: the drawing, and with it the field, already follows what is typed.
  const [field] = useState(opened);
  const [text, setText] = useState(field.text);
  const [isTouched, setTouched] = useState(false);
  const { edit, setPreview, results } = useProject();
  const [before] = useState(() => results[member.id]?.result.governing ?? null);
  const anchor = useDrawnAnchor(keyOf(handle), target);
  const parsed = field.parse(text);
  const entry = results[member.id];
  // A value typed is set, also where it is the one that was chosen.
  const isTyped = isTouched && (text !== field.text || field.isChosen === true);
  const now = entry?.result.governing ?? null;
  const faults = entry?.result.faults ?? [];
  const isWorking = isTyped && parsed.ok && entry?.member === member;

  const command = (value: string) => `set ${field.label.toLowerCase()} of ${member.mark} to ${value} ${field.unit}`.trim();
  const type = (value: string) => {
    setText(value);
    setTouched(true);
    const next = field.parse(value);
    const isOther = value !== field.text || field.isChosen === true;
    setPreview(next.ok && isOther ? onMember(member, next.apply) : null, command(value));
  };
  const leave = () => {
    setPreview(null);
    onClose();
  };
  const keep = (): boolean => {
    if (!parsed.ok) return false;
    if (isTyped) edit(command(text), onMember(member, parsed.apply));
    else setPreview(null);
    return true;
  };
  const onKeyDown = (e: React.KeyboardEvent) => {
    if (e.key === 'Enter') {
      e.preventDefault();
      if (keep()) onClose();
    } else if (e.key === 'Tab') {
      e.preventDefault();
      if (keep()) onNext(e.shiftKey ? -1 : 1);
    } else if ((e.key === 'ArrowUp' || e.key === 'ArrowDown') && field.step) {
      e.preventDefault();
      type(field.step(text, e.key === 'ArrowUp' ? 1 : -1, e.shiftKey ? 10 : e.altKey ? 0.1 : 1));
    }
  };
  useEffect(() => () => useProject.getState().setPreview(null), []);

  const standing = standingOf(now?.status);
  const reason = !parsed.ok ? parsed.reason : isTyped && faults.length > 0 ? faults[0]!.reason : null;
  return (
    <Popover.Root open onOpenChange={(open) => !open && leave()}>
      <Popover.Anchor virtualRef={anchor} />
      <Popover.Portal>
        <Popover.Content
          side={handle.of === 'section' ? 'left' : 'top'}
          sideOffset={14}
          collisionPadding={8}
          className="framed z-30 w-[19.5rem] px-2.5 py-2"
          aria-label={field.label}
          onKeyDown={onKeyDown}
          onOpenAutoFocus={(e) => selectInput(e)}
          onInteractOutside={keep}
        >
          <div className="flex items-baseline justify-between gap-2">
            <b className="font-semibold">{field.label}</b>
            <span className="small">{field.hint}</span>
          </div>
          <div className="my-1 flex items-center gap-3">
            <div
              className={`flex h-[1.65rem] items-stretch ${parsed.ok && !reason ? 'border-2 border-ebony' : 'border-2 border-dashed border-madder'}`}
            >
              <input
                className={`bg-transparent px-2 text-[0.94rem] font-medium outline-none ${field.unit ? 'w-[4.6rem]' : 'w-[8rem]'}`}
                value={text}
                aria-label={field.label}
                aria-invalid={!parsed.ok}
                onChange={(e) => type(e.target.value)}
              />
              {field.unit && <span className="flex items-center border-l border-ebony px-2 text-walnut">{field.unit}</span>}
            </div>
            <div>
              <div className="flex items-center gap-2">
                <Inlay
                  utilisation={now?.utilisation ?? null}
                  standing={isWorking ? 'working' : standing}
                  before={before?.utilisation}
                  framed
                />
                <span data-testid="editor-utilisation" className={standingText[standing]}>
                  {isTyped ? `${formatUtilisation(before?.utilisation ?? null)} → ` : ''}
                  {isWorking ? '–' : formatUtilisation(now?.utilisation ?? null)}
                </span>
              </div>
            </div>
          </div>
          {reason ? (
            <p className="text-madder-text">{reason}</p>
          ) : (
            <p className="small">governs: {now?.title.toLowerCase() ?? 'nothing yet'}</p>
          )}
          <div className="small mt-1 flex gap-3 border-t border-line pt-1">
            {field.reset ? (
              <button
                type="button"
                className="link"
                onClick={() => {
                  edit(`${field.label.toLowerCase()} of ${member.mark} chosen automatically`, onMember(member, field.reset!));
                  onClose();
                }}
              >
                automatic again
              </button>
            ) : (
              <span>was {field.text}</span>
            )}
            <span className="ml-auto">
              <b className="font-semibold">↑ ↓</b> {field.stepHint}
            </span>
            <span>
              <b className="font-semibold">Enter</b> keep
            </span>
            <span>
              <b className="font-semibold">Esc</b> leave
            </span>
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function selectInput(e: Event) {
  e.preventDefault();
  const input = (e.currentTarget as HTMLElement | null)?.querySelector('input');
  input?.focus();
  input?.select();
}
