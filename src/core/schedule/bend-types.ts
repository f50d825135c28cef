import type { DesignCode } from '../codes/design-code';
import type { BendType } from '../model/bar-set';

/** By which practice shapes are named and lengths to be cut are worked out; by the code of practice unless it is set. */
export const bendSettings = ['byCode', 'iso', 'aci'] as const;
export type BendSetting = (typeof bendSettings)[number];

export interface BendPractice {
  readonly codes: Readonly<Record<BendType, string>>;
  /** Letters of the out-to-out dimensions, in the order in which a bar of a schedule has them. */
  readonly letters: Readonly<Record<BendType, readonly string[]>>;
  /** Whether the arcs of bends are taken off the sum of the dimensions. */
  readonly deducts: boolean;
  readonly note: string;
}

/** Outside dimensions one after the other, and the hook at both ends as the last of them. */
const asDrawn = ['a', 'b', 'c', 'd'];

const practices: Readonly<Record<Exclude<BendSetting, 'byCode'>, BendPractice>> = {
  iso: {
    codes: { straight: '00', L: '11', U: '21', arc: '67', link: '51', leg: '99', other: '99' },
    letters: { straight: ['A'], L: ['A', 'B'], U: ['A', 'B', 'C'], arc: ['A', 'R'], link: ['A', 'B', 'C'], leg: asDrawn, other: asDrawn },
    deducts: true,
    note: 'Shapes by ISO 3766 and BS 8666: 00 straight, 11 bent once, 21 bent at both ends, 67 to a radius (A its length along the arc), 51 closed link (C its hook), 99 as drawn; dimensions out to out.',
  },
  aci: {
    codes: { straight: 'straight', L: '17', U: '2', arc: 'as drawn', link: 'T1', leg: 'as drawn', other: 'as drawn' },
    letters: {
      straight: ['B'],
      L: ['B', 'C'],
      U: ['A', 'B', 'G'],
      arc: ['a', 'R'],
      link: ['B, D', 'C, E', 'A, G'],
      leg: asDrawn,
      other: asDrawn,
    },
    deducts: false,
    note: 'ACI bend types: 17 bent once, 2 bent at both ends, T1 closed tie (A, G its hooks); dimensions out to out, no deductions for bends.',
  },
};

export function bendPractice(setting: BendSetting, code: Pick<DesignCode, 'bends'>): BendPractice {
  return practices[setting === 'byCode' ? code.bends : setting];
}
