import { useState } from 'react';
import { planScale } from '@/core/members/plate/plan-scale';
import type { PlateInput } from '@/core/members/plate/input';
import type { PlateHandle } from '@/core/members/plate/picture';
import {
  holdsOf,
  holdTitle,
  laidBy,
  pointsLaid,
  laidOnPlan,
  movedOnPlan,
  partName,
  pointsMoved,
  restOf,
  takenOffPlan,
} from '@/core/members/plate/plan-changes';
import type { ChosenParts, Hold, PlanPart } from '@/core/members/plate/plan-parts';
import { restOnPlan, type Rest } from '@/core/members/plate/snap';
import type { UnitSystem } from '@/core/units/quantity';
import type { DragPhase } from '@/ui/drawing/DrawingView';

type Place = readonly [x: number, y: number];

/** A change of what is on the plan; it is made on the slab as it stands, which may be newer than what is drawn. */
export type PlanChange = (label: string, make: (plate: PlateInput) => Partial<PlateInput>) => void;

interface PlanPointer {
  readonly plate: PlateInput;
  readonly chosen: ChosenParts;
  /** The sort of parts that a press on the plan lays; none only looks. */
  readonly part: PlanPart | undefined;
  readonly scale: ReturnType<typeof planScale>;
  readonly units: UnitSystem;
  readonly onChange: PlanChange;
}

/** What is being moved or laid: its outline on the plan, and where it comes to rest. */
export interface Ghost {
  readonly points: readonly Place[];
  readonly rest: Rest;
}

/** Grid of the plan (mm), and how near (px) to something its pull is felt. */
const STEP = { SI: 50, US: 76.2 };
const REACH = 7;
/** Shorter than this (mm) a pull lays nothing. */
const LEAST = 40;

const arrows: Readonly<Record<string, Place>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] };

/** The pointer on a plan: where it is, what it moves by its points, and what it lays. */
export function usePlanPointer({ plate, chosen, part, scale, units, onChange }: PlanPointer) {
  const [at, setAt] = useState<Place | null>(null);
  const [from, setFrom] = useState<Place | null>(null);
  const [ghost, setGhost] = useState<Ghost | null>(null);
  const by = { step: STEP[units === 'US' ? 'US' : 'SI'], reach: REACH / scale.scale };
  const placeOf = (e: React.PointerEvent<HTMLDivElement>): Place => {
    const svg = e.currentTarget.querySelector('svg')!.getBoundingClientRect();
    return scale.off([e.clientX - svg.left, e.clientY - svg.top]);
  };
  const move = (hold: Hold, to: Place) => onChange(`${holdTitle(hold, plate, chosen)} moved`, (now) => movedOnPlan(hold, to, now, chosen));
  const leave = () => {
    setFrom(null);
    setGhost(null);
  };

  return {
    at,
    ghost,
    onPointerDown: (e: React.PointerEvent<HTMLDivElement>) => {
      if (!part || e.button !== 0 || (e.target as Element).closest('[role=button]') || !(e.target as Element).closest('svg')) return;
      e.currentTarget.setPointerCapture?.(e.pointerId);
      const rest = restOnPlan(plate, placeOf(e), by);
      setFrom(rest.at);
      setGhost({ points: [rest.at], rest });
    },
    onPointerMove: (e: React.PointerEvent<HTMLDivElement>) => {
      const to = placeOf(e);
      setAt(to);
      if (!part || !from) return;
      const rest = restOnPlan(plate, to, by);
      setGhost({ points: pointsLaid(part, from, rest.at, plate, chosen), rest });
    },
    onPointerUp: (e: React.PointerEvent<HTMLDivElement>) => {
      if (!part || !from) return;
      const to = restOnPlan(plate, placeOf(e), by).at;
      leave();
      if (laidBy(part) === 'place' || isLongEnough(part, from, to))
        onChange(`${partName(part)} laid on the plan`, (now) => laidOnPlan(part, from, to, now, chosen));
    },
    onPointerLeave: () => setAt(null),
    onPointerCancel: leave,
    onDrag: (handle: PlateHandle, x: number, phase: DragPhase, y: number) => {
      if (handle.of !== 'hold') return;
      const rest = restOf(handle, scale.off([x, y]), plate, chosen, by);
      setGhost(phase === 'move' ? { points: besides(handle, plate, pointsMoved(handle, rest.at, plate, chosen)), rest } : null);
      if (phase === 'end') move(handle, rest.at);
    },
    onKey: (handle: PlateHandle, key: string): boolean => {
      if (handle.of !== 'hold') return false;
      const arrow = arrows[key];
      const held = holdsOf(handle.part, plate, chosen).find((h) => h.index === handle.index && h.end === handle.end);
      if (arrow && held) move(handle, [held.at[0] + arrow[0] * by.step, held.at[1] + arrow[1] * by.step]);
      else if (key === 'Delete' || key === 'Backspace')
        onChange(`${holdTitle(handle, plate, chosen)} taken out`, (now) => takenOffPlan(handle, now, chosen));
      else return false;
      return true;
    },
  };
}

const isLongEnough = (part: PlanPart, a: Place, b: Place): boolean =>
  laidBy(part) === 'line' ? Math.hypot(b[0] - a[0], b[1] - a[1]) > LEAST : Math.min(Math.abs(b[0] - a[0]), Math.abs(b[1] - a[1])) > LEAST;

/** A corner is seen with the edges that meet at it. */
function besides({ part, index }: Hold, { outline }: PlateInput, points: readonly Place[]): readonly Place[] {
  if (part !== 'corners') return points;
  const [last, next] = [outline.at(index - 1)!, outline[(index + 1) % outline.length]!];
  return [[last.x, last.y], ...points, [next.x, next.y]];
}
