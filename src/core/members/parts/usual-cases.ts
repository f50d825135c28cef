import { makeCode } from '../../codes/registry';
import type { ProjectBasis } from '../member';

/** Load cases that a new member begins with, as they stand in a file: permanent and imposed, by the letters of the code. */
export function usualCases({ code }: Pick<ProjectBasis, 'code'>) {
  const { permanent: dead = 'G', imposed: live = 'Q' } = makeCode(code).caseLetters;
  return {
    dead,
    live,
    cases: [
      { id: dead, title: 'Permanent', nature: 'permanent' },
      { id: live, title: 'Imposed', nature: 'imposed' },
    ],
  };
}
