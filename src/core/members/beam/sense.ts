export type Face = 'top' | 'bottom';

/** Sagging stretches the bottom, hogging the top. */
export type Sense = 'sagging' | 'hogging';

export const tensionFace = (sense: Sense): Face => (sense === 'sagging' ? 'bottom' : 'top');
export const compressionFace = (sense: Sense): Face => (sense === 'sagging' ? 'top' : 'bottom');
