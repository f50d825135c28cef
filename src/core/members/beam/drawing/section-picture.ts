import type { BarSet } from '../../../model/bar-set';
import type { MemberModel } from '../../../model/member-model';
import type { BarGroup } from '../../../reinforcement/bar-groups';
import { supportPositions, type BeamInput, type LinkZone } from '../input';
import { barsCut } from '../model';
import type { BeamStrips } from '../result';
import type { SectionState } from '../section-state';
import type { BarsHandle } from './handles';
import type { SectionPicture } from './section';
import type { Sense } from '../sense';

/** How bars, links and lengths are written. */
export interface SectionLabels {
  readonly bars: (group: BarGroup) => string;
  readonly links: (zone: LinkZone) => string;
  readonly length: (value: number) => string;
}

/** The sense of bending that stands at a place: that of the larger shifted moment there. */
export function senseAt(strips: BeamStrips, x: number): Sense {
  let best = 0;
  strips.x.forEach((at, i) => {
    if (Math.abs(at - x) < Math.abs(strips.x[best]! - x)) best = i;
  });
  return strips.shiftedHogging[best]! > strips.shiftedSagging[best]! ? 'hogging' : 'sagging';
}

const wallLabel = (thickness: number | null, labels: SectionLabels) =>
  thickness === null ? 'torsion: within the links' : `torsion: wall ${labels.length(thickness)}`;

/** Of bars that lap, those are drawn whose strength counts there. */
function countsIn({ face, source, span }: BarSet, state: SectionState): boolean {
  const of = source as BarsHandle | null;
  if (face === 'top') return state.over === null ? of?.of === 'top' && span === state.span : of?.of === 'over' && of.support === state.over;
  return span === state.span && (of?.of !== 'extra' || state.bottomGroups.length > 1);
}

/** A cut through a beam as it is drawn, with the values that are edited on it. */
export function beamSectionPicture(
  beam: BeamInput,
  state: SectionState,
  model: MemberModel,
  station: number,
  zoneIndex: number,
  labels: SectionLabels,
): SectionPicture {
  const { span, outline } = state;
  const starts = supportPositions(beam);
  const nearSupport = station - starts[span]! < starts[span + 1]! - station ? span : span + 1;
  const isSupportRun =
    state.topGroups.length === 1 &&
    beam.mode !== 'forces' &&
    beam.bars.support[nearSupport] !== undefined &&
    Math.abs(station - starts[nearSupport]!) < 0.35 * beam.spans[span]!.length &&
    state.sense === 'hogging';
  return {
    outline,
    cover: beam.cover,
    linkDiameter: state.linkDiameter,
    legs: state.zone.legs,
    bars: barsCut(model, station, (set) => countsIn(set, state)).map(({ set, at: [, y, z] }) => ({
      x: y,
      y: outline.h + z,
      diameter: set.bar.diameter,
    })),
    ...(state.torsionWall ? { wall: { ...state.torsionWall, label: wallLabel(state.torsionWall.thickness, labels) } } : {}),
    labels: {
      top: state.topGroups.map(labels.bars).join(' + '),
      bottom: state.bottomGroups.map(labels.bars).join(' + '),
      links: labels.links(state.zone),
      b: labels.length(outline.b),
      h: labels.length(outline.h),
      ...(outline.shape === 'rectangular' || outline.shape === 'free'
        ? {}
        : { flange: labels.length(outline.flangeWidth), flangeDepth: `× ${labels.length(outline.flangeDepth)}` }),
    },
    edits: {
      top: isSupportRun ? { of: 'over', support: nearSupport } : { of: 'top', span },
      bottom: { of: 'bottom', span },
      links: { of: 'links', span, zone: zoneIndex },
      // Found by code it is changed by the distances to the next webs.
      ...(beam.slab ? {} : { flange: { of: 'section' as const, side: 'flangeWidth' as const } }),
    },
    ...(state.resistance
      ? {
          block: {
            face: state.sense === 'sagging' ? ('top' as const) : ('bottom' as const),
            depth: Math.min(outline.h, state.blockFactor * state.resistance.x),
          },
        }
      : {}),
  };
}
