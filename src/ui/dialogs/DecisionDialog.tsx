'use client';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import type { Check } from '@/core/checks/check';
import type { Project } from '@/core/project/project';
import type { Member } from '@/core/members/kinds';
import { formatUtilisation } from '@/core/units/format';
import { onMember } from '@/store/commands';
import { useProject, type Refusal } from '@/store/project-store';
import { Glyph } from '@/ui/drawing/Glyph';

/** Records that the engineer accepts an excess, and why. */
export function DecisionDialog({
  check,
  project,
  member,
  onClose,
}: {
  check: Check | null;
  project: Project;
  member: Member;
  onClose: () => void;
}) {
  const [reason, setReason] = useState('');
  const [refusal, setRefusal] = useState<Refusal>(null);
  const edit = useProject((s) => s.edit);
  if (!check) return null;
  const record = () => {
    if (reason.trim() === '') {
      setRefusal('A decision needs a reason.');
      return;
    }
    const decision = {
      check: check.id,
      reason: reason.trim(),
      by: project.info.author,
      date: new Date().toISOString().slice(0, 10),
      utilisation: check.utilisation ?? 1,
    };
    const refused = edit(
      `record a decision on ${check.title} of ${member.mark}`,
      onMember(member, (m) => {
        m.decisions = [...m.decisions.filter((d) => d.check !== check.id), decision];
      }),
    );
    setRefusal(refused);
    if (refused) return;
    setReason('');
    onClose();
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ebony/10" />
        <Dialog.Content className="framed fixed right-6 top-40 z-50 w-[22rem] p-4" aria-describedby={undefined}>
          <Dialog.Title className="flex items-center gap-2 text-[0.8125rem] font-semibold">
            <Glyph standing="accepted" /> {check.title}{' '}
            <span className="ml-auto text-madder-text">{formatUtilisation(check.utilisation)}</span>
          </Dialog.Title>
          <label className="mt-2 block">
            Reason
            <textarea
              className="field mt-1 !h-20 py-1"
              value={reason}
              onChange={(e) => setReason(e.target.value)}
              aria-invalid={refusal !== null}
            />
          </label>
          {refusal && <p className="text-madder-text">{refusal}</p>}
          <p className="small my-1.5">
            Holds while the utilisation stays at or below {formatUtilisation(check.utilisation)}. Asked again when it grows.
          </p>
          <div className="flex items-center gap-2">
            <button type="button" className="btn btn-solid" onClick={record}>
              Record
            </button>
            <button type="button" className="btn" onClick={onClose}>
              Leave
            </button>
            <span className="small ml-auto">{project.info.author || 'no author named'} · shown in the report</span>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
