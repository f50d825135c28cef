import type { DesignCode, Named } from '@/core/codes/design-code';

/** The classes of frames of a code; one that stems from another code is still shown as what is set. */
export const frameOptions = ({ frames: { classes } }: DesignCode, frame: string): Named =>
  Object.hasOwn(classes, frame) ? classes : { ...classes, [frame]: `${frame}, not of this code` };
