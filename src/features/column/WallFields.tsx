'use client';
import type { Fault } from '@/core/checks/fault';
import { codeOf } from '@/core/members/member';
import { effectiveFactor } from '@/core/members/wall/as-column';
import type { WallMember } from '@/core/members/wall/input';
import type { Project } from '@/core/project/project';
import { useRows } from '@/ui/fields/use-rows';
import { lengthWay, lengthWays, setLengthWay } from './length-ways';

const ways = { metre: 'a metre of a longer wall', whole: 'a wall of its own length' };

/** Size of a wall and how its edges are held. */
export function WallFields({ project, member, faults }: { project: Project; member: WallMember; faults: readonly Fault[] }) {
  const { quantity, choose, fault } = useRows(project, member, { faults });
  const { restraint, isStrip } = member;
  const factor = effectiveFactor(member, codeOf(project, member));
  return (
    <>
      {choose('Worked as', isStrip ? 'metre' : 'whole', ways, (m, v) => void (m.isStrip = v === 'metre'))}
      {quantity('Thickness', 'length', 'thickness')}
      {!isStrip && quantity('Length', 'length', 'length')}
      {choose('Length out of plane', lengthWay(member, 'x'), lengthWays(member, 'x'), (m, v) => setLengthWay(m, 'x', v))}
      {(restraint === 'threeSides' || restraint === 'fourSides') && quantity('Between cross walls', 'length', 'between')}
      {lengthWay(member, 'x') === 'factor' && quantity('Factor on height', 'ratio', 'axes.x.factor')}
      {lengthWay(member, 'x') === 'length' && quantity('l0', 'span', 'axes.x.length')}
      {lengthWay(member, 'x') === 'ends' && <p className="small">The floors are sized at “l0” about x, on the sheet.</p>}
      {factor !== null && <p className="small">Effective length out of plane: {factor.toFixed(2)} of the clear height.</p>}
      {faults.filter((f) => /^(vertical|horizontal|axes\.x)/.test(f.path)).map((f) => fault(f.path))}
    </>
  );
}
