'use client';
import { useState } from 'react';
import type { LoadSetKind } from '@/core/members/column/input';
import { firstFigure, isNegative, type ColumnReading, type PastedTable } from '@/exchange/mapped-table';
import { Select } from '@/ui/fields/Select';
import { AxialQuestion, pictures, SignQuestion } from './SignQuestion';

/** What is asked of a table of load sets: what the sign of N means, which end comes first, of what kind the sets are, and their sustained part. */
export function useSetQuestions(
  { table, readings }: { table: PastedTable; readings: readonly ColumnReading[] },
  sustainedBefore: number | null,
) {
  const [saidNegative, sayNegative] = useState<boolean>();
  const [kind, setKind] = useState<LoadSetKind>('ultimate');
  const [firstEnd, setFirstEnd] = useState<'foot' | 'top'>('foot');
  const [sustained, setSustained] = useState(sustainedBefore === null ? '' : String(sustainedBefore));
  const compressionNegative = saidNegative ?? isNegative(table, readings, 'N');
  const axial = firstFigure(table, readings, 'N');
  const part = sustained.trim() === '' ? null : Number(sustained);
  const partIsWrong = part !== null && !(part >= 0 && part <= 1);
  return {
    compressionNegative,
    sayNegative,
    axial,
    kind,
    setKind,
    firstEnd,
    setFirstEnd,
    sustained,
    setSustained,
    part,
    partIsWrong,
    hasEnds: readings.some((r) => r.role === 'station' || r.role === 'end'),
    /** A question is open, or an answer cannot be. */
    isOpen: partIsWrong || (compressionNegative === undefined && axial !== undefined),
  };
}

type Questions = ReturnType<typeof useSetQuestions>;

/** What the signs of a table of load sets mean. */
export function SetSigns({ axial, compressionNegative, sayNegative, firstEnd, setFirstEnd, asksEnds }: Questions & { asksEnds: boolean }) {
  return (
    <>
      <AxialQuestion figure={axial} value={compressionNegative} onPick={sayNegative} />
      {asksEnds && (
        <SignQuestion
          lead="the first end, of station 0 or i, is"
          value={firstEnd}
          answers={[
            { value: 'foot', words: 'the foot', picture: pictures.firstBelow },
            { value: 'top', words: 'the top', picture: pictures.firstAbove },
          ]}
          onPick={setFirstEnd}
        />
      )}
    </>
  );
}

/** What the sets of a table are for. */
export function SetKinds({ kind, setKind, sustained, setSustained, partIsWrong }: Questions) {
  return (
    <>
      <label className="flex items-center gap-1.5">
        these are
        <Select<LoadSetKind>
          label="Kind of the sets"
          className="field !w-auto"
          value={kind}
          onPick={setKind}
          options={{
            ultimate: 'ultimate, ready-factored',
            characteristic: 'characteristic',
            frequent: 'frequent',
            quasiPermanent: 'quasi-permanent',
            service: 'service',
          }}
        />
      </label>
      <label className="flex items-center gap-1.5">
        sustained part, where no column says it
        <input
          className="field !w-16"
          aria-label="Sustained part"
          aria-invalid={partIsWrong}
          value={sustained}
          onChange={(e) => setSustained(e.target.value)}
          placeholder="0 to 1"
        />
      </label>
    </>
  );
}

/** What is to be said of a table of load sets before it is kept. */
export function SetWarnings({ partIsWrong, between }: { partIsWrong: boolean; between: readonly string[] }) {
  return (
    <>
      {partIsWrong && <p className="text-madder-text">The sustained part lies between 0 and 1.</p>}
      {between.length > 0 && (
        <p role="alert" className="py-1 text-madder-text">
          Between the ends the moment is larger than at both, and is not taken over: {between.slice(0, 6).join(', ')}
          {between.length > 6 && ` and ${between.length - 6} more`}.
        </p>
      )}
    </>
  );
}
