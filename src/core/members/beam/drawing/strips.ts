import { supportPositions, type BeamInput, type LinkZone } from '../input';
import type { BeamStrips, ServiceStrips } from '../result';
import { formatValue } from '../../../units/format';
import { displayUnit, type UnitSystem } from '../../../units/quantity';
import type { LineHandle, LinksHandle } from './handles';
import type { StripPicture } from '../../../drawing/strip-drawing';

export interface StripSource {
  readonly member: BeamInput;
  readonly strips: BeamStrips;
  readonly units: UnitSystem;
  /** Zones of links that are named (and edited) on the shear strip. */
  readonly links?: {
    readonly zones: readonly (readonly LinkZone[])[];
    readonly label: (zone: LinkZone) => string;
    readonly isSet: (handle: LinksHandle) => boolean;
  };
}

type Links = NonNullable<StripSource['links']>;

const negative = (values: Float64Array) => values.map((v) => Math.max(0, -v));
/** Shear near supports counts only up to the design value. */
const cut = (values: Float64Array, most: Float64Array) => values.map((v, i) => Math.min(v, most[i]!));
const positive = (values: Float64Array) => values.map((v) => Math.max(0, v));

/** Below this share of the largest value a peak is not written. */
const WORTH_A_FIGURE = 0.12;

/** The strips of a beam: bending with hogging above, shear inside its resistance, steel required against provided. */
export function stripPictures(source: StripSource) {
  const { member, strips: s, units } = source;
  const starts = supportPositions(member);
  const length = starts[starts.length - 1]!;
  const format = (kind: 'moment' | 'force' | 'area') => (v: number) =>
    formatValue(v, kind, units, kind === 'area' && units === 'US' ? 2 : 0);
  const unit = (kind: 'moment' | 'force' | 'area') => displayUnit(kind, units).unit.factor;
  const hogging = negative(s.minM);
  const sagging = positive(s.maxM);
  const common = { length, x: s.x };
  const bending: StripPicture<LineHandle> = {
    ...common,
    title: 'Bending',
    format: format('moment'),
    unit: unit('moment'),
    above: { demand: hogging, resistance: s.resistanceHogging, shifted: s.shiftedHogging },
    below: { demand: sagging, resistance: s.resistanceSagging, shifted: s.shiftedSagging },
    marks: [...spanPeaks(member, s, sagging), ...starts.flatMap((x) => supportPeak(s, hogging, x))],
  };
  const shear: StripPicture<LineHandle> = {
    ...common,
    title: 'Shear',
    format: format('force'),
    unit: unit('force'),
    above: { demand: positive(s.maxV), resistance: s.resistanceV, shifted: cut(positive(s.maxV), s.designV) },
    below: { demand: negative(s.minV), resistance: s.resistanceV, shifted: cut(negative(s.minV), s.designV) },
    marks: [],
    ...(source.links ? { names: zoneNames(source.links, starts, length), bounds: zoneBounds(source.links, starts) } : {}),
  };
  const steel: StripPicture<LineHandle> = {
    ...common,
    title: 'Steel',
    format: format('area'),
    unit: unit('area'),
    above: { demand: s.requiredTop, resistance: s.providedTop },
    below: { demand: s.requiredBottom, resistance: s.providedBottom },
    marks: spanPeaks(member, s, s.requiredBottom),
  };
  return { bending, shear, steel };
}

const shortTitles = { total: 'Deflection', after: 'After partitions', live: 'Live load' } as const;

/** The strips in service: deflections with their limits, downwards drawn down, and crack widths of the top above and the bottom below. */
export function servicePictures(member: BeamInput, service: ServiceStrips, units: UnitSystem): StripPicture<LineHandle>[] {
  const starts = supportPositions(member);
  const length = starts[starts.length - 1]!;
  const spans = member.spans.length;
  const steps = service.x.length / spans;
  const deflections = service.sums.map((sum): StripPicture<LineHandle> => {
    const limit = Float64Array.from(service.x, (_, i) => sum.limits[Math.floor(i / steps)]!);
    const down = positive(sum.max);
    const up = negative(sum.min);
    const peakIn = (values: Float64Array, span: number) => {
      let best = span * steps;
      for (let i = best; i < (span + 1) * steps; i += 1) if (values[i]! > values[best]!) best = i;
      return best;
    };
    const marks = member.spans.flatMap((_, span) =>
      (
        [
          ['below', down],
          ['above', up],
        ] as const
      ).flatMap(([side, values]) => {
        const i = peakIn(values, span);
        return values[i]! > WORTH_A_FIGURE * sum.limits[span]!
          ? [{ x: service.x[i]!, side, value: values[i]!, style: 'demand' as const }]
          : [];
      }),
    );
    return {
      title: shortTitles[sum.id],
      length,
      x: service.x,
      format: (v) => formatValue(v, 'smallLength', units, units === 'US' ? 2 : 1),
      unit: displayUnit('smallLength', units).unit.factor,
      above: { demand: up, resistance: up.some((v, i) => v > 0.1 * limit[i]!) ? limit : up },
      below: { demand: down, resistance: limit },
      marks,
    };
  });
  // From end to end, so that the limit is drawn along the whole beam.
  const crackX = Float64Array.from([0, ...service.crackX, length]);
  const padded = (values: Float64Array) => Float64Array.from([0, ...values, 0]);
  const [crackTop, crackBottom] = [padded(service.crackTop), padded(service.crackBottom)];
  const allowed = crackX.map(() => member.service.crackWidth);
  const isThere = (values: Float64Array) => (values.some((v) => v > 0) ? allowed : new Float64Array(values.length));
  return [
    ...deflections,
    {
      title: service.crackIsEstimate ? 'Crack width, estimate' : 'Crack width',
      length,
      x: crackX,
      format: (v) => formatValue(v, 'crack', units, units === 'US' ? 3 : 2),
      unit: displayUnit('crack', units).unit.factor,
      above: { demand: crackTop, resistance: service.crackIsEstimate ? crackTop : isThere(crackTop) },
      below: { demand: crackBottom, resistance: service.crackIsEstimate ? crackBottom : isThere(crackBottom) },
      marks: [],
    },
  ];
}

function spanPeaks(member: BeamInput, s: BeamStrips, values: Float64Array): StripPicture['marks'] {
  const most = Math.max(...values);
  return member.spans.flatMap((_, span) => {
    let best = -1;
    for (let i = 0; i < values.length; i += 1) if (s.span[i] === span && (best < 0 || values[i]! > values[best]!)) best = i;
    return best >= 0 && values[best]! > WORTH_A_FIGURE * most
      ? [{ x: s.x[best]!, side: 'below' as const, value: values[best]!, style: 'demand' as const }]
      : [];
  });
}

function supportPeak(s: BeamStrips, hogging: Float64Array, x: number): StripPicture['marks'] {
  const NEAR = 600; // mm on either side of the support
  let best = -1;
  for (let i = 0; i < s.x.length; i += 1) if (Math.abs(s.x[i]! - x) < NEAR && (best < 0 || hogging[i]! > hogging[best]!)) best = i;
  // Beside the sagging moment too, for the least hogging one prints as nothing.
  const worth = Math.max(WORTH_A_FIGURE * Math.max(...hogging), 0.005 * Math.max(...s.maxM));
  if (best < 0 || hogging[best]! <= worth) return [];
  return [{ x: s.x[best]!, side: 'above', value: hogging[best]!, style: 'demand' }];
}

function zoneNames({ zones: all, label, isSet }: Links, starts: readonly number[], length: number) {
  return all.flatMap((zones, span) => {
    let from = 0;
    return zones.map((zone, k) => {
      const x = starts[span]! + (from + zone.to) / 2;
      const isNarrow = (zone.to - from) / length < 0.1;
      from = zone.to;
      const full = label(zone);
      const edit = { of: 'links', span, zone: k } as const;
      const own = isSet(edit);
      return {
        x,
        text: isNarrow ? full.replace(/^.*@ /, '@ ') : full,
        edit,
        label: `Links of span ${span + 1}, zone ${k + 1}${own ? ', set by hand' : ''}`,
        isSet: own,
      };
    });
  });
}

/** Where one zone of links ends and the next begins, inside the spans. */
function zoneBounds({ zones: all }: Links, starts: readonly number[]) {
  return all.flatMap((zones, span) =>
    zones
      .slice(0, -1)
      .map((zone, k) => ({
        x: starts[span]! + zone.to,
        edit: { of: 'linksEnd', span, zone: k } as const,
        label: `End of zone ${k + 1} of the links in span ${span + 1}`,
      })),
  );
}
