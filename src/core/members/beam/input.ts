import type { BeamOutline } from '../../geometry/beam-outline';
import type { InputOf } from '../parts/schema-parts';
import type { beamFields, beamMemberFields } from './schema';
import type { MemberOf } from '../member';

/** Lengths mm, forces N, line loads N/mm, moments N mm; positions along a span from its left end. Loads positive down. */
export type BeamInput = InputOf<typeof beamFields> & {
  /** A strip of slab, for rules that beams do not share. */
  readonly isSlab?: true;
};
/** A beam in a project. */
export type BeamMember = MemberOf<'beam', InputOf<typeof beamMemberFields>>;
export const isBeam = (member: { readonly type: string }): member is BeamMember => member.type === 'beam';
export type BeamSupport = BeamInput['supports'][number];
export type SupportType = BeamSupport['type'];
export type BeamSpan = BeamInput['spans'][number];
export type BeamLoad = BeamInput['loads'][number];
export type BeamLoadType = BeamLoad['type'];
export type Cover = BeamInput['cover'];
export type BeamBars = BeamInput['bars'];
export type LinkZone = NonNullable<BeamBars['links'][number]['zones']>[number];
export type BarRules = BeamInput['barRules'];
export type GivenForces = BeamInput['forces'][number];
export type StationSet = BeamInput['stationSets'][number];
export type StationForces = BeamInput['stations'][number];

/** The outline of a span as it is typed. */
export const spanOutline = ({ section, spans }: BeamInput, i: number): BeamOutline => ({ ...section, ...spans[i]?.section });

/** Distances of the supports from the left end. */
export function supportPositions({ spans }: { readonly spans: readonly { readonly length: number }[] }): number[] {
  const x = [0];
  for (const span of spans) x.push(x[x.length - 1]! + span.length);
  return x;
}

/** Names of supports as on the grid: A, B, ... Z, AA. */
export function supportName(i: number): string {
  return i < 26 ? String.fromCharCode(65 + i) : supportName(Math.floor(i / 26) - 1) + supportName(i % 26);
}
