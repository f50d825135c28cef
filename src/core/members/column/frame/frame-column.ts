import type { DesignCode } from '../../../codes/design-code';
import type { FrameColumn, FrameColumnRules } from '../../../codes/frame-columns';
import { outlineProperties } from '../../../geometry/polygon';
import { outlineOfShape } from '../../../geometry/section-shapes';
import { axialAt, isRound, type ColumnInput, type FrameJoints } from '../input';
import { loadSets } from '../load-sets';

/** A column in a ductile frame with the rules of its class. */
export interface FrameOfColumn {
  readonly rules: FrameColumnRules;
  readonly column: FrameColumn;
  readonly joints: FrameJoints;
}

/** A column as the rules of its frame see it; null where it is in none, or in one that the code does not have. */
export function frameColumnOf(
  column: ColumnInput,
  code: DesignCode,
  sizes: Pick<FrameColumn, 'width' | 'depth' | 'smallestBar' | 'tie'>,
): FrameOfColumn | null {
  const rules = column.frame === undefined || column.isSection ? null : code.frames.columns(column.frame);
  if (!rules || !column.frameJoints) return null;
  const { axes, height, materials, shape, cover } = column;
  return {
    rules,
    joints: column.frameJoints,
    column: {
      ...sizes,
      materials,
      isRound: isRound(shape),
      clear: Math.max(axes.x.clear ?? height, axes.y.clear ?? height),
      area: outlineProperties(outlineOfShape(shape)).area,
      inset: cover + sizes.tie / 2,
      isSpiral: column.transverse === 'spiral',
      ...axialRange(column, code, column.frameJoints),
    },
  };
}

/** Axial force in an earthquake: as it is given, else that of all ultimate load sets at both ends. */
function axialRange(column: ColumnInput, code: DesignCode, { most, least }: FrameJoints): Pick<FrameColumn, 'most' | 'least'> {
  if (most !== null && least !== null) return { most, least };
  let range = { most: -Infinity, least: Infinity };
  for (const set of loadSets(column, code)) {
    if (set.kind !== 'ultimate') continue;
    const [top, foot] = [set.N, axialAt(set, 'foot')];
    range = { most: Math.max(range.most, top, foot), least: Math.min(range.least, top, foot) };
  }
  if (range.most < range.least) range = { most: 0, least: 0 };
  return { most: most ?? range.most, least: least ?? range.least };
}
