import { castDraft } from 'immer';
import { memo } from 'react';
import { applied, type BeamProposal, type BeamSearch } from '@/core/advice/beam-proposals';
import type { BeamMember, Project } from '@/core/project/project';
import { onBeam } from '@/store/commands';
import { useProject } from '@/store/project-store';
import { proposeForBeam } from '@/store/proposing';
import { WaysForward } from '@/ui/WaysForward';

const searches: readonly (readonly [BeamSearch, string])[] = [
  ['changes', 'single changes'],
  ['arrangements', 'arrangements of bars'],
];

/** Other arrangements of bars, or single changes of size and concrete. */
export const BeamWays = memo(function BeamWays({ project, member }: { project: Project; member: BeamMember }) {
  const edit = useProject((s) => s.edit);
  const { code, display, rates } = project;
  return (
    <WaysForward
      project={project}
      member={member}
      word="beam"
      searches={searches}
      search={(search) => proposeForBeam({ code, display, rates }, member, search)}
      label={(p) => p.title}
      onTake={(p) =>
        edit(
          `try ${p.title} for ${member.mark}`,
          onBeam(member.id, (m) => void Object.assign(m, castDraft(applied(member, p.change)))),
        )
      }
      empty="No arrangement of the allowed sizes holds: look at single changes."
      picture={(list, search) => search === 'arrangements' && <TradeOff list={list} />}
    />
  );
});

const [WIDTH, HEIGHT] = [310, 74];

/** Cost against ease of building, by number; what holds is filled. */
function TradeOff({ list }: { list: readonly BeamProposal[] }) {
  const range = (values: readonly number[]) => {
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const pad = Math.max(0.01, (high - low) * 0.12);
    return [low - pad, high + pad] as const;
  };
  const [c0, c1] = range(list.map((p) => p.cost));
  const [b0, b1] = range(list.map((p) => p.buildability));
  const x = (p: BeamProposal) => 58 + ((p.cost - c0) / (c1 - c0)) * (WIDTH - 76);
  const y = (p: BeamProposal) => HEIGHT - 16 - ((p.buildability - b0) / (b1 - b0)) * (HEIGHT - 26);
  return (
    <svg width={WIDTH} height={HEIGHT} role="img" aria-label="Cost against ease of building" className="block">
      <path d={`M54 6V${HEIGHT - 14}H${WIDTH - 6}`} fill="none" stroke="#231E19" />
      <text x="50" y="14" textAnchor="end" fontSize="0.6875rem" fill="#51473C">
        easier
      </text>
      <text x={WIDTH - 6} y={HEIGHT - 3} textAnchor="end" fontSize="0.6875rem" fill="#51473C">
        dearer
      </text>
      {list.map((p, i) => (
        <g key={p.title}>
          <circle cx={x(p)} cy={y(p)} r="3.4" fill={p.holds ? '#3C8A7A' : '#F8F4E9'} stroke={p.holds ? '#3C8A7A' : '#A3123F'} />
          <text x={x(p) + 6} y={y(p) + 4} fontSize="0.6875rem">
            {i + 1}
          </text>
        </g>
      ))}
    </svg>
  );
}
