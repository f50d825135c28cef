'use client';
import { useMemo } from 'react';
import { ELEVATION_HEIGHT, elevationDrawing } from '@/core/members/beam/drawing/elevation';
import type { Frame } from '@/core/drawing/frame';
import type { MemberModel } from '@/core/model/member-model';
import type { BeamResult } from '@/core/members/beam/result';
import { barLabel, linkLabel } from '@/core/members/parts/bar-labels';
import { isSetByHand, type BeamHandle, type LinksHandle } from '@/core/members/beam/drawing/handles';
import type { Project } from '@/core/project/project';
import type { BeamMember } from '@/core/members/beam/input';
import { AlignedStrips, type StripsProps } from '@/ui/sheet/AlignedStrips';

type Shared = Omit<StripsProps<BeamHandle>, 'units' | 'beam' | 'result' | 'above' | 'links'>;

/** Elevation and strips of a beam. */
export function Strips({
  project,
  member,
  result,
  model,
  ...rest
}: Shared & { project: Project; member: BeamMember; result: BeamResult; model: MemberModel }) {
  const above = useMemo(
    () => [
      {
        title: 'Elevation',
        height: ELEVATION_HEIGHT,
        draw: (frame: Frame) =>
          elevationDrawing(
            {
              beam: member,
              steel: result.steel,
              bars: model.bars,
              units: project.display,
              barLabel: (g) => barLabel(g, project),
              isSet: (handle) => isSetByHand(member.bars, handle),
            },
            frame,
          ),
      },
    ],
    [member, result.steel, model, project],
  );
  const links = useMemo(
    () => ({
      zones: result.steel?.links ?? [],
      label: (z: Parameters<typeof linkLabel>[0]) => linkLabel(z, project),
      isSet: (handle: LinksHandle) => isSetByHand(member.bars, handle),
    }),
    [result.steel, project, member.bars],
  );
  return <AlignedStrips<BeamHandle> {...rest} units={project.display} beam={member} result={result} above={above} links={links} />;
}
