import type { DesignCode } from '../../../codes/design-code';
import { amount, type Fact } from '../../../document/blocks';
import type { ColumnMember, FrameJoints } from '../input';

const kinds: Readonly<Record<FrameJoints['top']['kind'], string>> = {
  joint: 'beams and a column beyond',
  last: 'beams, no column beyond',
  base: 'foundation',
};

/** What a paper says of the ductile frame of a column. */
export function frameFacts({ frame, frameJoints, isSection }: ColumnMember, code: DesignCode): Fact[] {
  if (frame === 'none' || isSection) return [];
  const { about, most, least, drift } = frameJoints;
  const axes = about === 'both' ? (['x', 'y'] as const) : [about];
  return [
    ['Ductile frame', code.frames.classes[frame] ?? frame],
    ...(most === null ? [] : [['Largest axial force in an earthquake', amount(most, 'force')] as Fact]),
    ...(least === null ? [] : [['Least axial force in an earthquake', amount(least, 'force')] as Fact]),
    ...(drift === null ? [] : [['Sensitivity to drift', amount(drift, 'ratio')] as Fact]),
    ...(['top', 'foot'] as const).flatMap((end): Fact[] => [
      [`Joint at the ${end}`, kinds[frameJoints[end].kind]],
      ...axes.flatMap((axis): Fact[] => {
        const { beams, yielding, beyond } = frameJoints[end][axis];
        return [
          ...(beams === null ? [] : [[`Beams at the ${end}, about ${axis}`, amount(beams, 'moment')] as Fact]),
          ...(yielding === null ? [] : [[`As they yield, about ${axis}`, amount(yielding, 'moment')] as Fact]),
          ...(beyond === null ? [] : [[`Column beyond the ${end}, about ${axis}`, amount(beyond, 'moment')] as Fact]),
        ];
      }),
    ]),
  ];
}
