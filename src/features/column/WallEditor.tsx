'use client';
import { CheckBox } from '@/ui/fields/CheckBox';
import { useChange } from '@/ui/fields/use-change';
import { catalogues } from '@/core/materials/bars';
import type { WallRestraint } from '@/core/members/wall/input';
import type { WallMember } from '@/core/members/wall/input';
import { QuantityInput } from '@/ui/fields/QuantityInput';
import { Select } from '@/ui/fields/Select';
import { DrawnPopover, editorRow, type EditorProps } from '@/ui/drawing/DrawnPopover';

export const restraints: readonly (readonly [WallRestraint, string])[] = [
  ['given', 'length given below each axis'],
  ['twoSides', 'held by the floors'],
  ['threeSides', 'floors and one cross wall'],
  ['fourSides', 'floors and two cross walls'],
  ['cantilever', 'free at the top'],
];

/** Both meshes of a wall: bars up and across, at each face. */
export function WallEditor({ project, member, ...place }: EditorProps<WallMember>) {
  const sizes = catalogues[member.catalogue].bars.map((b) => [b.name, b.name] as const);
  const change = useChange(member);
  return (
    <DrawnPopover title="Bars of both faces" {...place}>
      {(['vertical', 'horizontal'] as const).map((mesh) => (
        <div key={mesh}>
          <label className={editorRow}>
            {mesh === 'vertical' ? 'Upright' : 'Across'}
            <Select
              label={`Size of ${mesh} bars`}
              value={member[mesh].size}
              options={sizes}
              onPick={(size) => change(`size of ${mesh} bars`, (m) => void (m[mesh].size = size))}
            />
          </label>
          <label className={editorRow}>
            at a spacing of
            <QuantityInput
              kind="length"
              system={project.display}
              value={member[mesh].spacing}
              label={`Spacing of ${mesh} bars`}
              onKeep={(v) => v !== null && change(`spacing of ${mesh} bars`, (m) => void (m[mesh].spacing = v))}
            />
          </label>
        </div>
      ))}
      <CheckBox
        label="bars across lie outside"
        checked={member.horizontalOutside}
        onCheck={(on) => change('order of the layers', (m) => void (m.horizontalOutside = on))}
      />
    </DrawnPopover>
  );
}
