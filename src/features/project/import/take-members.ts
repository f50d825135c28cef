import { castDraft, produce } from 'immer';
import type { BeamMember, StationForces } from '@/core/members/beam/input';
import type { StationUse } from '@/core/members/beam/station-uses';
import type { LoadSet } from '@/core/members/column/input';
import type { Member } from '@/core/members/kinds';
import type { UprightMember } from '@/core/members/wall/upright';
import type { PunchingForces, PunchingMember } from '@/core/members/punching/input';
import { withImport } from '@/core/members/parts/imported';
import { newMember } from '@/core/project/new-member';
import type { Project } from '@/core/project/project';
import type { BeamStations, ForMember, ImportRule } from '@/exchange/import/members-of-table';
import { freshId } from '@/store/commands';
import { setSpans } from '@/ui/fields/spans';

/** A new member comes without the sets that it would begin with. */
const nothing = { sets: [], imported: [] };

/** A project in which a member has been changed, or a new one was added at the end. */
function withMember(project: Project, id: string | undefined, made: Member): Project {
  const members = id === undefined ? [...project.members, made] : project.members.map((m) => (m.id === id ? made : m));
  return { ...project, members };
}

/** Puts the load sets of a table into the columns and walls that they are of; columns that are not there yet are made. */
export function takeSets(
  project: Project,
  list: readonly ForMember<UprightMember, LoadSet>[],
  { sustained, ...rule }: ImportRule & { readonly sustained: number | null },
): Project {
  return list.reduce((now, { name, member, values, refused }) => {
    if (refused || values.length === 0) return now;
    const own = member ?? (newMember(now, 'column', freshId(now), name, '') as UprightMember);
    const made = produce(own, (m) => {
      Object.assign(m, castDraft(withImport(member ?? nothing, values, rule)));
      m.mode = 'sets';
      if (sustained !== null) m.sustained = sustained;
    });
    return withMember(now, member?.id, made);
  }, project);
}

/** Puts stations into the beams that they are of, in place of those that they have; beams that are not there yet are made with the spans of the table. */
export function takeStations(
  project: Project,
  list: readonly ForMember<BeamMember, StationForces>[],
  beams: ReadonlyMap<string, BeamStations>,
  useOf: (set: string) => StationUse,
): Project {
  return list.reduce((now, { name, member, refused }) => {
    const given = beams.get(name);
    if (refused || !given || given.stations.length === 0) return now;
    const own = member ?? (newMember(now, 'beam', freshId(now), name, '') as BeamMember);
    const made = produce(own, (m) => {
      if (!member) {
        setSpans(m, given.spans.length);
        given.spans.forEach((length, i) => (m.spans[i]!.length = length));
      }
      m.mode = 'stations';
      m.stations = castDraft([...given.stations]);
      m.stationSets = given.sets.map((set) => ({ name: set, use: useOf(set) }));
    });
    return withMember(now, member?.id, made);
  }, project);
}

/** Puts forces into the slabs at columns that they are of; those that are not there yet are made. */
export const takeSlabForces = (project: Project, list: readonly ForMember<PunchingMember, PunchingForces>[], rule: ImportRule): Project =>
  list.reduce((now, { name, member, values, refused }) => {
    if (refused || values.length === 0) return now;
    const own = member ?? (newMember(now, 'punching', freshId(now), name, '') as PunchingMember);
    return withMember(now, member?.id, { ...own, ...withImport(member ?? nothing, values, rule) });
  }, project);
