import { Stopped, type Job } from '@/core/job';
import type { Member, MemberResult } from '@/core/members/kinds';
import { designOrSay } from '@/core/project/design-member';
import { asDesigned } from '@/core/project/following';
import { readProjectText } from '@/exchange/project-text';
import { openApi } from '@/exchange/schemas/openapi';
import { resultsToJson } from '@/exchange/result-json';

/** Most bytes of a posted project, and most time that one answer may take. */
const MOST_BYTES = 5_000_000;
const MOST_TIME = 20_000; // ms

const refuse = (status: number, faults: readonly { path: string; reason: string }[]) =>
  Response.json({ format: 'intarsia-faults', faults }, { status });

/** What can be asked here, for programs that call it. */
export const GET = (): Response => Response.json(openApi);

/** Designs a posted project file and answers with the JSON of the command line. Nothing is kept. */
export async function POST(request: Request): Promise<Response> {
  if (isFromElsewhere(request)) return refuse(403, [{ path: '', reason: 'Pages of other origins may not ask for designs here.' }]);
  const announced = Number(request.headers.get('content-length') ?? 0);
  const tooLarge = () => refuse(413, [{ path: '', reason: `At most ${MOST_BYTES / 1e6} MB are taken.` }]);
  if (announced > MOST_BYTES) return tooLarge();
  const text = await readLimited(request);
  if (text === undefined) return tooLarge();
  const read = readProjectText(text);
  if (!read.ok) return refuse(422, read.faults);
  const derive = new URL(request.url).searchParams.get('derive') === 'none' ? [] : ('all' as const);
  const end = Date.now() + MOST_TIME;
  // Other requests get their turn between members, and between the steps of a long one.
  const turn = () => new Promise<void>((resolve) => setImmediate(resolve));
  const job: Omit<Job, 'units'> = {
    derive,
    progress: turn,
    signal: {
      get aborted() {
        return Date.now() > end;
      },
    },
  };
  const results: { readonly member: Member; readonly result: MemberResult }[] = [];
  try {
    for (const member of read.project.members) {
      if (job.signal!.aborted) throw new Stopped();
      const result = await designOrSay(read.project, member, job);
      results.push({ member: asDesigned(member, result), result });
      await turn();
    }
  } catch (error) {
    if (!(error instanceof Stopped)) throw error;
    const reason = `The design takes longer than ${MOST_TIME / 1000} s here: post fewer members, or use the command line.`;
    return refuse(503, [{ path: '', reason }]);
  }
  return Response.json(resultsToJson(read.project, results));
}

/** Whether a page of another origin asks; programs send no origin. */
function isFromElsewhere(request: Request): boolean {
  const origin = request.headers.get('origin');
  if (origin === null) return false;
  try {
    return new URL(origin).host !== request.headers.get('host');
  } catch {
    return true;
  }
}

/** Reads the body up to the limit; undefined when there is more, whatever its headers said. */
async function readLimited(request: Request): Promise<string | undefined> {
  if (!request.body) return '';
  const reader = request.body.getReader();
  const decoder = new TextDecoder();
  let size = 0;
  let text = '';
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return text + decoder.decode();
    size += value.byteLength;
    if (size > MOST_BYTES) {
      await reader.cancel();
      return undefined;
    }
    text += decoder.decode(value, { stream: true });
  }
}
