'use client';
import { useState } from 'react';
import { boundsOf, type Point } from '@/core/geometry/polygon';
import { outlineOf } from '@/core/members/plate/geometry';
import type { PlateMember } from '@/core/members/plate/input';
import { placesInRing, placesInRows, roundOutline, withColumnsAt } from '@/core/members/plate/set-out';
import { unitLabel } from '@/core/units/format';
import { parseQuantity } from '@/core/units/parse';
import type { UnitSystem } from '@/core/units/quantity';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select } from '@/ui/fields/Select';
import { TextInput } from '@/ui/fields/TextInput';
import { usePlateChange, withFields } from './use-plate-change';

interface SetOutProps {
  readonly member: PlateMember;
  readonly units: UnitSystem;
}

const row = 'flex flex-wrap items-center gap-1.5';

/** Makes the outline a circle. */
export function SetOutCircle({ member, units }: SetOutProps) {
  const change = usePlateChange(member);
  const { left, right } = boundsOf(outlineOf(member).outer);
  const [diameter, setDiameter] = useState(Math.round(right - left));
  return (
    <div className={`mt-3 ${row}`}>
      <label className={row}>
        Circle of diameter
        <span className="w-28">
          <QuantityInput
            kind="span"
            system={units}
            value={diameter}
            label="Diameter of the circle"
            range={[600, 200_000]}
            onKeep={(v) => v !== null && setDiameter(v)}
          />
        </span>
      </label>
      <button
        className="link"
        onClick={() =>
          change(
            'round outline',
            withFields((now) => ({ outline: roundOutline(now, diameter) })),
          )
        }
      >
        Make the outline round
      </button>
    </div>
  );
}

const ways = { ring: 'in a ring', rows: 'in rows' } as const;
type Way = keyof typeof ways;

/** Lengths one after the other, "0 7000 14000", or with ";" between where they have blanks of their own; a reason where one is none. */
function readList(text: string, units: UnitSystem): readonly number[] | string {
  const read = text
    .split(text.includes(';') ? ';' : /\s+/)
    .filter(Boolean)
    .map((word) => parseQuantity(word, 'span', units));
  const refused = read.find((r) => !r.ok);
  if (refused && !refused.ok) return refused.reason;
  return read.flatMap((r) => (r.ok ? [r.value] : []));
}

/** Sets out many columns at once, like the last one: in a ring, or where rows cross. */
export function SetOutColumns({ member, units }: SetOutProps) {
  const change = usePlateChange(member);
  const box = boundsOf(outlineOf(member).outer);
  const [way, setWay] = useState<Way>(member.axes.kind === 'ring' ? 'ring' : 'rows');
  const [count, setCount] = useState(8);
  const [radius, setRadius] = useState(Math.round((0.4 * (box.right - box.left)) / 100) * 100);
  const [lists, setLists] = useState<Readonly<Record<'x' | 'y', string>>>({ x: '', y: '' });
  const middle: Point =
    member.axes.kind === 'ring' ? [member.axes.x, member.axes.y] : [(box.left + box.right) / 2, (box.bottom + box.top) / 2];
  const [xs, ys] = [readList(lists.x, units), readList(lists.y, units)];
  const reason = way === 'rows' ? [xs, ys].find((r) => typeof r === 'string') : undefined;
  const places =
    way === 'ring' ? placesInRing(middle, radius, count) : typeof xs === 'string' || typeof ys === 'string' ? [] : placesInRows(xs, ys);
  const list = (of: 'x' | 'y') => (
    <label className={row}>
      {of} at
      <span className="w-40">
        <TextInput
          value={lists[of]}
          label={`Rows at ${of}`}
          onKeep={(text) => {
            setLists({ ...lists, [of]: text });
            return null;
          }}
        />
      </span>
    </label>
  );
  return (
    <div className="my-1.5">
      <div className={row}>
        <span>Set out columns</span>
        <span className="w-32 shrink-0">
          <Select label="How columns are set out" value={way} options={ways} onPick={setWay} />
        </span>
        {way === 'ring' ? (
          <>
            <input
              className="field !w-16"
              type="number"
              min={2}
              max={60}
              aria-label="Number of columns in the ring"
              value={count}
              onChange={(e) => setCount(Math.min(60, Math.max(2, Math.round(Number(e.target.value)) || 2)))}
            />
            <label className={row}>
              at radius
              <span className="w-28">
                <QuantityInput
                  kind="span"
                  system={units}
                  value={radius}
                  label="Radius of the ring"
                  range={[200, 100_000]}
                  onKeep={(v) => v !== null && setRadius(v)}
                />
              </span>
            </label>
          </>
        ) : (
          <>
            {list('x')}
            {list('y')}
            <span className="small">{unitLabel('span', units)}, one after the other</span>
          </>
        )}
        <button
          className="link"
          disabled={places.length === 0}
          onClick={() =>
            change(
              `${places.length} columns set out`,
              withFields((now) => ({ columns: withColumnsAt(now as PlateMember, places) })),
            )
          }
        >
          Add them
        </button>
      </div>
      {reason && <p className="text-madder-text">{reason}</p>}
    </div>
  );
}
