'use client';
import { useMemo, useState } from 'react';
import type { BeamMember } from '@/core/members/beam/input';
import { stationUseNames, stationUsesOf, type StationUse } from '@/core/members/beam/station-uses';
import { codeOf } from '@/core/members/member';
import { formatQuantity, formatValue } from '@/core/units/format';
import { firstFigure } from '@/exchange/mapped-table';
import { lengthsIn, readStations, spanNames, stationVocabulary, guessUse, type SpanBy } from '@/exchange/paste-stations';
import { CheckBox } from '@/ui/fields/CheckBox';
import { Select } from '@/ui/fields/Select';
import { MOST_SPANS, setSpans } from '@/ui/fields/spans';
import { useChange } from '@/ui/fields/use-change';
import { AlongQuestion, MustSay, PasteDialog, PasteReading, useMappedTable, type PasteProps } from '@/ui/tables/MappedPaste';
import { MomentQuestion } from '@/ui/tables/SignQuestion';

/** Results of an analysis along a beam as they were pasted, by span, station and combination. */
export const PasteStations = (props: PasteProps<BeamMember>) => (
  <PasteDialog
    title="Paste forces along the spans"
    hint="columns for the member or span, the station, the combination, M, V and T"
    Reading={Reading}
    {...props}
  />
);

const LEFT_OUT = '\u0000none';

function Reading({ project, member, text, onClose }: PasteProps<BeamMember>) {
  const change = useChange(member);
  const mapped = useMappedTable(text, stationVocabulary, project, 'beam-stations');
  const { table, readings } = mapped;
  const system = project.display;
  const [saggingNegative, setSagging] = useState(false);
  const [shearTurned, turnShear] = useState<boolean | null>(null);
  const [doesReplace, setReplace] = useState(true);
  const [uses, setUses] = useState<Readonly<Record<string, StationUse>>>({});
  const spans = useSpans({ member, table, readings, system });
  const { by, order, lengths, takesSpans } = spans;
  const reading = useMemo(
    () => readStations(table, { readings, system, saggingNegative, shearTurned, spanBy: by, order, lengths }),
    [table, readings, system, saggingNegative, shearTurned, by, order, lengths],
  );
  const offered = stationUsesOf(codeOf(project, member));
  const standsFor = (name: string) =>
    uses[name] ?? member.stationSets.find((s) => s.name === name && !doesReplace)?.use ?? guessUse(name, offered);
  const show = (v: number, kind: 'moment' | 'force') => formatValue(v, kind, system);
  return (
    <PasteReading
      {...{ project, mapped, reading, onClose }}
      vocabulary={stationVocabulary}
      noun="row"
      isWrong={!order.some((name) => name !== null)}
      describe={(f) =>
        `${f.set}, span ${f.span + 1} at ${formatQuantity(f.at, 'station', system)}: M ${show(f.moment, 'moment')}, V ${show(f.shear, 'force')}${f.torsion === 0 ? '' : `, T ${show(f.torsion, 'moment')}`}`
      }
      onTake={(good, label) =>
        change(`${label} at stations`, (m) => {
          if (takesSpans) {
            setSpans(m, lengths.length);
            lengths.forEach((length, i) => (m.spans[i]!.length = length));
          }
          const sets = reading.sets.map((name) => ({ name, use: standsFor(name) }));
          const kept = doesReplace ? [] : m.stationSets.filter((s) => !reading.sets.includes(s.name));
          m.stationSets = [...kept, ...sets];
          m.stations = [...(doesReplace ? [] : m.stations), ...good];
        })
      }
      questions={
        <>
          <AlongQuestion mapped={mapped} />
          <SpanQuestions {...spans} />
          <MomentQuestion figure={firstFigure(table, readings, 'moment')} saggingNegative={saggingNegative} onPick={setSagging} />
          <CheckBox label="V has the other sign than the slope of M" checked={reading.shearTurned} onCheck={(v) => turnShear(v)} />
          <CheckBox label={`in place of the ${member.stations.length} there are`} checked={doesReplace} onCheck={setReplace} />
        </>
      }
    >
      <div
        className="small flex max-h-20 shrink-0 flex-wrap items-center gap-x-5 gap-y-1 overflow-y-auto border-b border-line py-1"
        aria-label="What the sets are for"
      >
        {reading.sets.map((name) => (
          <label key={name} className="flex items-center gap-1.5">
            {name}
            <Select<StationUse>
              label={`Set ${name} is for`}
              className="field !w-auto"
              value={standsFor(name)}
              options={offered.map((u) => [u, stationUseNames[u]] as const)}
              onPick={(use) => setUses((now) => ({ ...now, [name]: use }))}
            />
          </label>
        ))}
      </div>
    </PasteReading>
  );
}

type Basis = Pick<PasteProps<BeamMember>, 'member'> &
  Pick<ReturnType<typeof useMappedTable<string>>, 'table'> & {
    readonly readings: Parameters<typeof spanNames>[1];
    readonly system: Parameters<typeof lengthsIn>[1]['system'];
  };

/** By what rows are told to be of one span or another, which name is which span, and how long the spans are. */
function useSpans({ member, table, readings, system }: Basis) {
  const names = useMemo(
    () => ({ member: spanNames(table, readings, 'member'), place: spanNames(table, readings, 'place'), along: [] as string[] }),
    [table, readings],
  );
  const [saidBy, sayBy] = useState<SpanBy>();
  const by = saidBy ?? (names.member.length > 1 ? 'member' : names.place.length > 1 ? 'place' : 'along');
  const [saidSpans, saySpans] = useState<boolean>();
  const [saidOrder, sayOrder] = useState<readonly (string | null)[]>();
  const inTable = useMemo(() => lengthsIn(table, { readings, system }, by, names[by]), [table, readings, system, by, names]);
  const own = useMemo(() => member.spans.map((s) => s.length), [member.spans]);
  const canTake = by === 'along' ? own.length === 1 && inTable[0]! > 0 : names[by].length <= MOST_SPANS && inTable.every((l) => l > 0);
  const differs = inTable.length !== own.length || inTable.some((l, i) => Math.abs(l - own[i]!) > 2);
  const takesSpans = canTake && (saidSpans ?? differs);
  const lengths = takesSpans ? inTable : own;
  const order = useMemo(
    () =>
      by === 'along'
        ? ['along']
        : takesSpans
          ? names[by]
          : (saidOrder ?? own.map((_, i) => (names[by].length === own.length ? names[by][i]! : null))),
    [by, takesSpans, names, saidOrder, own],
  );
  return { by, sayBy, names, order, sayOrder, lengths, inTable, canTake: canTake && differs, takesSpans, saySpans, system };
}

function SpanQuestions({ by, sayBy, names, order, sayOrder, inTable, canTake, takesSpans, saySpans, system }: ReturnType<typeof useSpans>) {
  const ways: (readonly [SpanBy, string])[] = [
    ...(names.member.length > 0 ? [['member', 'of the member named in the row'] as const] : []),
    ...(names.place.length > 0 ? [['place', 'of the place named in the row'] as const] : []),
    ['along', 'along the whole beam'],
  ];
  return (
    <>
      {ways.length > 1 && <MustSay lead="stations count" label="Stations count" value={by} options={ways} onPick={sayBy} />}
      {canTake && (
        <CheckBox
          label={`spans as in the table: ${inTable.map((l) => formatQuantity(l, 'station', system)).join(', ')}`}
          checked={takesSpans}
          onCheck={saySpans}
        />
      )}
      {by !== 'along' &&
        !takesSpans &&
        order.map((name, i) => (
          <MustSay
            key={i}
            lead={`span ${i + 1} is`}
            label={`Span ${i + 1} is`}
            value={name ?? undefined}
            options={[...names[by].map((n) => [n, n] as const), [LEFT_OUT, 'not in the table'] as const]}
            onPick={(n) => sayOrder(order.map((old, k) => (k === i ? (n === LEFT_OUT ? null : n) : old)))}
          />
        ))}
    </>
  );
}
