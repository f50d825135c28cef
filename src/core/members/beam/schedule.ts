import { silent } from '../../calc/calc';
import type { Check } from '../../checks/check';
import type { DesignCode } from '../../codes/design-code';
import { catalogues } from '../../materials/bars';
import { barOf } from '../../reinforcement/bar-groups';
import { scheduleOf, type BarSchedule, type Draft } from '../../schedule/bar-schedule';
import type { BarShape, BendSetting } from '../../schedule/bend-types';
import { outlineOf, supportName, supportPositions, type BeamInput } from './input';
import type { BeamResult } from './result';

/** The bars of a beam as they are to be cut and bent. Bottom bars of neighbouring spans lap over the support between them. */
export function beamSchedule(beam: BeamInput, code: DesignCode, result: BeamResult, bends: BendSetting = 'byCode'): BarSchedule {
  const hasBars = result.steel && beam.mode !== 'forces';
  const drafts = hasBars
    ? [...bottomBars(beam, code, result), ...topBars(beam, result), ...sideBars(beam, result), ...links(beam, code, result)]
    : [];
  return scheduleOf(drafts, beam.catalogue, code, bends);
}

const isBentAt = (checks: readonly Check[], id: string) => checks.some((c) => c.id === id && c.warnings.length > 0);

/** How far bars run beyond the centre of an end support, and over an inner support to lap. */
function endReach(beam: BeamInput, support: number, lap: number): number {
  const s = beam.supports[support]!;
  if (support > 0 && support < beam.spans.length) return lap / 2;
  return s.type === 'free' ? -beam.cover.side : Math.max(0, s.width / 2 - beam.cover.side);
}

function bottomBars(beam: BeamInput, code: DesignCode, { steel, checks }: BeamResult): Draft[] {
  const catalogue = catalogues[beam.catalogue];
  return beam.spans.flatMap((span, i): Draft[] => {
    const { main, extra } = steel!.bottom[i]!;
    const bar = barOf(main, catalogue);
    const { h } = outlineOf(beam, i);
    const lap = code.anchorage.lap(
      silent,
      {
        materials: beam.materials,
        diameter: bar.diameter,
        isTop: false,
        h,
        cover: beam.cover.bottom,
        clear: 2 * bar.diameter,
        isBent: false,
      },
      1,
    );
    const bent = [i, i + 1].filter((s) => (s === 0 || s === beam.spans.length) && isBentAt(checks, `anchorage-${supportName(s)}`)).length;
    const leg = h - beam.cover.top - beam.cover.bottom;
    const A = span.length + endReach(beam, i, lap) + endReach(beam, i + 1, lap);
    const shape: BarShape = bent === 2 ? 'U' : bent === 1 ? 'L' : 'straight';
    const dimensions = bent === 2 ? [leg, A, leg] : bent === 1 ? [A, leg] : [A];
    return [
      { place: `bottom, span ${i + 1}`, size: main.size, count: main.count, shape, dimensions },
      ...(extra && extra.bars.count > 0
        ? [
            {
              place: `bottom extra, span ${i + 1}`,
              size: extra.bars.size,
              count: extra.bars.count,
              shape: 'straight' as const,
              dimensions: [extra.to - extra.from],
            },
          ]
        : []),
    ];
  });
}

function topBars(beam: BeamInput, { steel, checks }: BeamResult): Draft[] {
  const starts = supportPositions(beam);
  const end = starts.at(-1)!;
  const hangers = beam.spans.map((span, i): Draft => {
    const { main } = steel!.top[i]!;
    return { place: `top, span ${i + 1}`, size: main.size, count: main.count, shape: 'straight', dimensions: [span.length] };
  });
  const runs = steel!.support.flatMap((run, j): Draft[] => {
    if (!run) return [];
    const beyond = (run.from <= 1 ? endReach(beam, 0, 0) : 0) + (run.to >= end - 1 ? endReach(beam, beam.spans.length, 0) : 0);
    const A = run.to - run.from + beyond;
    const isBent = isBentAt(checks, `anchorage-top-${supportName(j)}`);
    const { h } = outlineOf(beam, Math.min(j, beam.spans.length - 1));
    return [
      {
        place: `top, support ${supportName(j)}`,
        size: run.bars.size,
        count: run.bars.count,
        shape: isBent ? 'L' : 'straight',
        dimensions: isBent ? [A, h - beam.cover.top - beam.cover.bottom] : [A],
      },
    ];
  });
  return [...hangers, ...runs];
}

function sideBars(beam: BeamInput, { steel }: BeamResult): Draft[] {
  const { side } = steel!;
  if (!side || side.count === 0) return [];
  return beam.spans.map((span, i) => ({
    place: `sides, span ${i + 1}`,
    size: side.size,
    count: 2 * side.count,
    shape: 'straight' as const,
    dimensions: [span.length],
  }));
}

/** Closed links; more than two legs as links one inside the other, over neighbouring bars. */
function links(beam: BeamInput, code: DesignCode, { steel }: BeamResult): Draft[] {
  const catalogue = catalogues[beam.catalogue];
  return steel!.links.flatMap((zones, span) => {
    let from = 0;
    return zones.flatMap((zone): Draft[] => {
      const bar = barOf({ count: 1, size: zone.size }, catalogue);
      const { b, h } = outlineOf(beam, span);
      const count = Math.ceil((zone.to - from) / zone.spacing) + (from === 0 ? 1 : 0);
      from = zone.to;
      const hook = code.anchorage.bend(bar.diameter, true).straight135 + 3 * bar.diameter;
      const height = h - beam.cover.top - beam.cover.bottom;
      const width = b - 2 * beam.cover.side;
      const inner = Math.max(0, Math.floor(zone.legs / 2) - 1);
      const draft = (wide: number, n: number, what: string): Draft => ({
        place: `${what}, span ${span + 1}`,
        size: zone.size,
        count: n,
        shape: 'link',
        dimensions: [height, wide, hook],
      });
      return [
        draft(width, count, code.linkWord),
        ...(inner > 0 ? [draft(width / (inner + 1), count * inner, `inner ${code.linkWord}`)] : []),
      ];
    });
  });
}
