'use client';

interface Answer<T> {
  readonly value: T;
  readonly words: string;
  /** Path of the picture in a box of 30 by 30. */
  readonly picture: string;
}

/** Asks what a sign means, with the first figure of the table and a picture of each answer; nothing is picked until the table or the engineer says it. */
export function SignQuestion<T extends string | boolean>({
  lead,
  answers,
  value,
  onPick,
}: {
  /** What stands in the table: "Row 1 has N = −820:". */
  lead: string;
  answers: readonly Answer<T>[];
  value: T | undefined;
  onPick: (value: T) => void;
}) {
  return (
    <div role="radiogroup" aria-label={lead} className="flex items-center gap-1.5">
      <span className={value === undefined ? 'text-madder-text' : ''}>{lead}</span>
      {answers.map((a) => (
        <button
          key={String(a.value)}
          type="button"
          role="radio"
          aria-checked={value === a.value}
          onClick={() => onPick(a.value)}
          className={`flex items-center gap-1 border px-1 ${value === a.value ? 'border-ebony' : 'border-line text-walnut'}`}
        >
          <svg width="30" height="30" viewBox="0 0 30 30" fill="none" stroke="currentColor" strokeWidth="1.3" aria-hidden="true">
            <path d={a.picture} />
          </svg>
          {a.words}
        </button>
      ))}
    </div>
  );
}

const arrow = (x: number, from: number, to: number) => {
  const back = to > from ? -3 : 3;
  return `M${x} ${from}V${to}m-2.5 ${back}L${x} ${to}l2.5 ${back}`;
};

/** Pictures of what signs mean: a member pressed or pulled along its axis, a beam that sags or hogs, a column whose first end is below or above. */
export const pictures = {
  pressed: `M11 8H19V22H11zM15 1${arrow(15, 1, 7).slice(4)}${arrow(15, 29, 23)}`,
  pulled: `M11 8H19V22H11z${arrow(15, 7, 1)}${arrow(15, 23, 29)}`,
  sagging: 'M2 9Q15 24 28 9M2 14l-1 4h3zM28 14l1 4h-3z',
  hogging: 'M2 20Q15 5 28 20M15 17l-1.5 4h3z',
  firstBelow: 'M11 4H19V26H11zM8 26H22M5 26l3 0',
  firstAbove: 'M11 4H19V26H11zM8 4H22M5 4l3 0',
} as const;

/** A figure of the table and where it stands. */
interface Figure {
  readonly row: number;
  readonly text: string;
}

const hasMinus = ({ text }: Figure) => /^[-−]/.test(text.trim());

/** Asks whether an axial force of the table presses or pulls the member; nothing to ask where there is none. */
export function AxialQuestion({
  figure,
  value,
  onPick,
}: {
  figure: Figure | undefined;
  /** Whether compression is written with a minus. */
  value: boolean | undefined;
  onPick: (compressionNegative: boolean) => void;
}) {
  if (!figure) return null;
  const isMinus = hasMinus(figure);
  return (
    <SignQuestion
      lead={`Row ${figure.row + 1} has N = ${figure.text}:`}
      value={value === undefined ? undefined : value === isMinus}
      answers={[
        { value: true, words: 'presses', picture: pictures.pressed },
        { value: false, words: 'pulls', picture: pictures.pulled },
      ]}
      onPick={(presses) => onPick(presses === isMinus)}
    />
  );
}

/** Asks which face a moment of the table stretches; nothing to ask where there is none. */
export function MomentQuestion({
  figure,
  saggingNegative,
  onPick,
}: {
  figure: Figure | undefined;
  saggingNegative: boolean;
  onPick: (saggingNegative: boolean) => void;
}) {
  if (!figure) return null;
  const isMinus = hasMinus(figure);
  return (
    <SignQuestion
      lead={`Row ${figure.row + 1} has M = ${figure.text}:`}
      value={saggingNegative === isMinus}
      answers={[
        { value: true, words: 'stretches the bottom', picture: pictures.sagging },
        { value: false, words: 'stretches the top', picture: pictures.hogging },
      ]}
      onPick={(sags) => onPick(sags === isMinus)}
    />
  );
}
