import type { Job } from '@/core/job';
import type { Member, MemberResult } from '@/core/members/kinds';
import { designOrSay } from '@/core/project/design-member';
import { asDesigned } from '@/core/project/following';
import { resultsToJson } from '@/exchange/result-json';
import { readProjectText } from '@/exchange/project-text';

/** What is asked: the text of a project file, and whether the steps of its checks are wanted. */
export interface Question {
  readonly text: string;
  readonly derive: Job['derive'];
}

/** An answer as it is sent: its status of HTTP, and its body. */
export interface Answer {
  readonly status: number;
  readonly body: string;
}

export const refusal = (status: number, faults: readonly { readonly path: string; readonly reason: string }[]): Answer => ({
  status,
  body: JSON.stringify({ format: 'intarsia-faults', faults }),
});

/** Designs a posted project file: the JSON of the command line, or the faults of the file. */
export async function answer({ text, derive }: Question): Promise<Answer> {
  const read = readProjectText(text);
  if (!read.ok) return refusal(422, read.faults);
  const results: { readonly member: Member; readonly result: MemberResult }[] = [];
  for (const member of read.project.members) {
    const result = await designOrSay(read.project, member, { derive });
    results.push({ member: asDesigned(member, result), result });
  }
  return { status: 200, body: JSON.stringify(resultsToJson(read.project, results)) };
}
