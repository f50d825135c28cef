'use client';
import type { Fault } from '@/core/checks/fault';
import { codeOf } from '@/core/members/member';
import { effectiveFactor } from '@/core/members/wall/as-column';
import type { WallMember } from '@/core/members/wall/input';
import type { Project } from '@/core/project/project';
import { useRows } from '@/ui/fields/use-rows';
import { restraints } from './WallEditor';

const ways = { metre: 'a metre of a longer wall', whole: 'a wall of its own length' };

/** Size of a wall and how its edges are held. */
export function WallFields({ project, member, faults }: { project: Project; member: WallMember; faults: readonly Fault[] }) {
  const { quantity, pick, choose, fault } = useRows(project, member, { faults });
  const { restraint, isStrip } = member;
  const factor = effectiveFactor(member, codeOf(project, member));
  return (
    <>
      {choose('Worked as', isStrip ? 'metre' : 'whole', ways, (m, v) => void (m.isStrip = v === 'metre'))}
      {quantity('Thickness', 'length', 'thickness')}
      {!isStrip && quantity('Length', 'length', 'length')}
      {pick('Edges, out of plane', 'restraint', restraints)}
      {(restraint === 'threeSides' || restraint === 'fourSides') && quantity('Between cross walls', 'length', 'between')}
      {factor !== null && <p className="small">Effective length out of plane: {factor.toFixed(2)} of the clear height.</p>}
      {faults.filter((f) => /^(vertical|horizontal)/.test(f.path)).map((f) => fault(f.path))}
    </>
  );
}
