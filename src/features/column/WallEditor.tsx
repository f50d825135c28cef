'use client';
import type { WallMember } from '@/core/members/wall/input';
import { editorRow, sizeOptions, useRows } from '@/ui/fields/use-rows';
import { DrawnPopover, type EditorProps } from '@/ui/drawing/DrawnPopover';

/** Both meshes of a wall: bars up and across, at each face. */
export function WallEditor({ project, member, ...place }: EditorProps<WallMember>) {
  const { pick, quantity, box } = useRows(project, member, { row: editorRow });
  const sizes = sizeOptions(member.catalogue);
  return (
    <DrawnPopover title="Bars of both faces" {...place}>
      {(['vertical', 'horizontal'] as const).map((mesh) => [
        pick(mesh === 'vertical' ? 'Upright' : 'Across', `${mesh}.size`, sizes, `Size of ${mesh} bars`),
        quantity('at a spacing of', 'length', `${mesh}.spacing`, { name: `Spacing of ${mesh} bars` }),
      ])}
      {box('bars across lie outside', 'horizontalOutside', 'order of the layers')}
    </DrawnPopover>
  );
}
