import { castDraft, produce } from 'immer';
import type { BeamMember } from '@/core/members/beam/input';
import { isRound, type ColumnMember } from '@/core/members/column/input';
import type { Member } from '@/core/members/kinds';
import { outlineAndOpenings } from '@/core/members/plate/drawn-plan';
import type { PlateMember } from '@/core/members/plate/input';
import type { WallMember } from '@/core/members/wall/input';
import { newMember } from '@/core/project/new-member';
import type { Project } from '@/core/project/project';
import { byKind, type ByKind, type MeantMember, type OfferedMember } from '@/exchange/import/members-of-ifc';
import { freshId } from '@/store/commands';
import { setSpans } from '@/ui/fields/spans';

/** Starts of members by what an element is. */
const starts: Readonly<Record<MeantMember['kind'], string>> = { beam: 'beam', column: 'column', wall: 'wall', slab: 'plate' };

/** Adds members of a building model, with their sizes, strengths and places; they have no loads but their own weight. */
export const takeElements = (project: Project, list: readonly OfferedMember[]): Project =>
  list.reduce((now, { element, mark, meant, strength }) => {
    if (!meant) return now;
    const fresh = newMember(now, starts[meant.kind], freshId(now), mark, element.storey.slice(0, 60));
    const named = produce(fresh, (m) => {
      m.title = element.name.slice(0, 60);
      if (strength !== null) m.materials.concreteStrength = strength;
    });
    return { ...now, members: [...now.members, byKind(sized, meant, named)] };
  }, project);

const sized: ByKind<[member: Member], Member> = {
  beam: ({ section, length }, member) =>
    produce(member as BeamMember, (m) => {
      m.section = castDraft({ ...m.section, ...section });
      setSpans(m, 1);
      m.spans[0]!.length = length;
      m.loads = [];
    }),
  column: ({ shape, height }, member) =>
    produce(member as ColumnMember, (m) => {
      m.shape = castDraft(shape);
      if (isRound(shape)) m.bars = { kind: 'ring', count: 8, size: sizeOf(m.bars) };
      else if (shape.kind === 'free') m.bars = { kind: 'outline', size: sizeOf(m.bars), spacing: 250 };
      m.height = height;
      m.sets = [];
    }),
  wall: ({ length, thickness, height }, member) =>
    produce(member as WallMember, (m) => void Object.assign(m, { isStrip: false, length, thickness, height, sets: [] })),
  slab: ({ outer, holes, h }, member) =>
    produce(
      member as PlateMember,
      (m) => void Object.assign(m, castDraft(outlineAndOpenings({ outline: [] }, outer, holes)), { h, loads: [], columns: [] }),
    ),
};

const sizeOf = (bars: ColumnMember['bars']) => (bars.kind === 'sides' ? bars.corner : bars.kind === 'list' ? '20' : bars.size);
