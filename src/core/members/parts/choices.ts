import type { Choice, DesignCode } from '../../codes/design-code';

/** The choices of a code for a kind of member: without those that only other kinds rest on. */
export const codeChoices =
  (...others: readonly NonNullable<Choice['only']>[]) =>
  (code: DesignCode): readonly Choice[] =>
    code.choices.filter((k) => !k.only || !others.includes(k.only));
