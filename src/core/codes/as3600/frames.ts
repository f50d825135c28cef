import type { FrameCode } from '../frame-rules';

/** Ductile frames of AS 3600, section 14, are not worked out here. */
export const frameCode: FrameCode = { classes: { none: 'none' }, choices: [], rules: () => null, columns: () => null };
