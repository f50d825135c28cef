'use client';
import { columnMomentDrawing } from '@/core/members/column/drawing/moments';
import type { ColumnInput } from '@/core/members/column/input';
import { DrawingView } from '@/ui/drawing/DrawingView';

/** What equal and opposite signs at both ends mean, drawn; and the choice between the two senses in use. */
export function SignPicture({ member, onSigns }: { member: Pick<ColumnInput, 'signs'>; onSigns: (signs: ColumnInput['signs']) => void }) {
  const senses = [
    ['bending', 'equal signs bend in single curvature', 1],
    ['turning', 'equal signs turn both ends the same way: double curvature', -1],
  ] as const;
  return (
    <div className="flex items-stretch gap-4 border-t border-line py-1" role="radiogroup" aria-label="Sense of end moments">
      <div className="w-40">
        <h2>Signs</h2>
        <p className="small">N positive in compression. Mx positive compresses the top of the section (+y), My its right side (+x).</p>
      </div>
      {senses.map(([key, words, sign]) => (
        <button
          key={key}
          type="button"
          role="radio"
          aria-checked={member.signs === key}
          onClick={() => onSigns(key)}
          className={`flex items-center gap-2 border px-2 text-left ${member.signs === key ? 'border-ebony' : 'border-line text-walnut'}`}
        >
          <DrawingView
            drawing={columnMomentDrawing(
              {
                axis: 'x',
                first: { top: 1, bottom: sign },
                design: null,
                labels: { top: '+60', bottom: '+40', mid: '', l0: '', state: words },
                edits: {},
                ends: { top: 'framed', bottom: 'framed' },
              },
              86,
              150,
            )}
          />
          <span className="w-32">{words}</span>
        </button>
      ))}
    </div>
  );
}
