/** Names that every object of the language has: a file or a field that holds one would be taken for what it is not. */
const reserved = new Set([...Object.getOwnPropertyNames(Object.prototype), 'prototype', 'toJSON']);

export const isReserved = (text: string): boolean => reserved.has(text);

export const RESERVED_REASON = 'is a word that the program keeps for itself';
