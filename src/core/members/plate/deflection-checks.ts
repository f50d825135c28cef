import { checkInWords, type DerivableCheck } from '../../checks/check';
import { compareCheck } from '../../checks/compare';
import type { DesignCode } from '../../codes/design-code';
import { distanceToEdges, distanceToSegment, type Point } from '../../geometry/polygon';
import type { UnitSystem } from '../../units/quantity';
import type { PlateAnswer } from './analysis';
import { belowLevel, camberOver } from './camber';
import { placeWords } from './checks';
import type { PlateDeflections, SlabDeflection } from './deflection';
import { columnAt } from './geometry';
import type { PlateInput } from './input';
import type { JudgedLine } from './result';
import { profileAlong, straightedgesOf, worstGap } from './straightedges';

/** All lines of a slab with their gaps. */
export function judgedLines(plate: PlateInput, answer: PlateAnswer, { sums }: PlateDeflections): JudgedLine[] {
  const { mesh } = answer.model;
  const heads = plate.columns.map((c) => ({ outer: columnAt(c), holes: [] }));
  const isSupport = (p: Point) =>
    answer.supports.some(({ piece: [a, b] }) => distanceToSegment(p, a, b) < plate.h) ||
    plate.columns.some(({ x, y }, i) => Math.hypot(x - p[0], y - p[1]) < plate.h || distanceToEdges(p, heads[i]!) < plate.h);
  const camber = camberOver(plate, answer);
  // As beside beams: what comes after partitions does not see the camber.
  const seen = sums.map((sum) => ({ ...sum, values: sum.id === 'total' ? belowLevel(sum.values, camber) : sum.values }));
  return straightedgesOf(plate, answer).map((line) => {
    const [a, b] = line.ends;
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
    const isHeld = (s: number) => isSupport([a[0] + (s / length) * (b[0] - a[0]), a[1] + (s / length) * (b[1] - a[1])]);
    const gaps = seen.flatMap((sum) => {
      const gap = worstGap(profileAlong(mesh, answer.locate, line.ends, sum.values), isHeld);
      return gap ? [{ ...gap, id: sum.id, limit: limitOf(plate, sum, gap.length) }] : [];
    });
    // What a camber rises above a straightedge is the gap that its mirror image would have below.
    const rise = camber ? (worstGap(profileAlong(mesh, answer.locate, line.ends, camber), isHeld) ?? null) : null;
    return { ...line, gaps, rise };
  });
}

const limitOf = ({ service }: PlateInput, sum: SlabDeflection, length: number): number =>
  Math.min(length / (service.limits[sum.id] ?? sum.usual), service.most ?? Infinity);

/** Deflection along every straightedge: of each the limit that is used up most; in words what could not be worked out. */
export function deflectionChecks(
  plate: PlateInput,
  code: DesignCode,
  units: UnitSystem,
  found: PlateDeflections,
  lines: readonly JudgedLine[],
): DerivableCheck[] {
  if (found.sums.length === 0) return [inWords('Deflection', found.trouble ?? 'It could not be worked out.')];
  if (lines.every((l) => l.gaps.length === 0))
    return [
      inWords(
        'Deflection',
        'No line crosses this slab: lay a straightedge, between supports or from a support to a free end, to judge its deflection.',
      ),
    ];
  return [
    ...(found.trouble ? [inWords('Deflection, rounds', found.trouble)] : []),
    ...lines.flatMap((line) => (line.gaps.length > 0 ? [lineCheck(plate, code, units, found, line)] : [])),
    ...camberCheck(found, lines),
  ];
}

/** Formwork stands no higher above a straightedge than the slab may sink below it: the line that uses most of that. */
function camberCheck({ sums }: PlateDeflections, lines: readonly JudgedLine[]): DerivableCheck[] {
  const total = sums.find((s) => s.id === 'total');
  const risen = lines.flatMap(({ name, rise }) => (rise && rise.deflection > 0 ? [{ name, ...rise }] : []));
  if (!total || risen.length === 0) return [];
  const worst = risen.reduce((a, b) => (b.deflection / b.length > a.deflection / a.length ? b : a));
  return [
    compareCheck({
      id: 'camber',
      family: 'deflection',
      title: `Camber along ${worst.name}`,
      clause: total.clause,
      place: { x: null, label: worst.name },
      kind: 'smallLength',
      compare: () => ({
        demand: worst.deflection,
        demandIs: ['formwork above the straightedge', 'in the shape of the elastic deflection by permanent loads'],
        capacity: worst.length / total.usual,
        capacityIs: ['height allowed', `the length/${total.usual}`],
      }),
      fails: (has, allowed) => `Camber along ${worst.name}: ${has}; ${allowed} is allowed.`,
    }),
  ];
}

const inWords = (title: string, reason: string): DerivableCheck =>
  checkInWords({
    id: title === 'Deflection' ? 'deflection' : 'deflection-rounds',
    family: 'deflection',
    title,
    clause: '',
    status: 'failed',
    place: { x: null, label: '' },
    reason,
  });

function lineCheck(plate: PlateInput, code: DesignCode, units: UnitSystem, { sums }: PlateDeflections, line: JudgedLine): DerivableCheck {
  const worst = line.gaps.reduce((a, b) => (b.deflection / b.limit > a.deflection / a.limit ? b : a));
  const sum = sums.find((s) => s.id === worst.id)!;
  const part = plate.service.limits[sum.id] ?? sum.usual;
  const [from, to] = line.ends.map((p) => placeWords(p, units));
  return compareCheck({
    id: `deflection-${line.name}`,
    family: 'deflection',
    group: 'deflections along lines',
    title: `${sum.title} along ${line.name}`,
    clause: sum.clause,
    place: { x: null, label: `${from} to ${to}` },
    assumptions: code.choices.filter((c) => c.topic === 'service' && c.only !== 'strips').map((c) => c.key),
    kind: 'smallLength',
    compare: (c) => {
      if (c.recording) {
        c.note(
          `The plate with the mean curvature of its cracked sections both ways, all loads on (${sum.how}). A direction is judged to be cracked by ${
            plate.service.twist === 'bars' ? 'its own and the twisting moment' : 'its own moment alone'
          }.`,
        );
        if (plate.camber !== 0 && sum.id === 'total')
          c.state(
            'camber where the slab sinks most',
            plate.camber,
            'smallLength',
            'in the shape of the elastic deflection by permanent loads; it is taken off',
          );
        if (plate.service.tension !== 1)
          c.state('share of the tensile strength', plate.service.tension, 'ratio', 'as set, for what restraint uses');
        c.state(
          'length between the places that a straightedge lies on',
          worst.length,
          'length',
          'twice the length to an end that nothing holds',
        );
      }
      return {
        demand: worst.deflection,
        demandIs: [sum.title.toLowerCase(), 'the largest gap below the straightedge'],
        capacity: worst.limit,
        capacityIs: [
          'deflection allowed',
          Math.abs(worst.limit - worst.length / part) < 1e-9 ? `the length/${part}` : 'the most that is set',
        ],
      };
    },
    fails: (has, allowed) =>
      `${sum.title} along ${line.name}: ${has}, that is length/${Math.round(worst.length / worst.deflection)}; ${allowed} is allowed.`,
  });
}
