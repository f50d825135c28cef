import { join } from 'node:path';
import { openApi } from '@/exchange/schemas/openapi';
import { refusal, type Answer } from '@/server/answer';
import { ThreadPool } from '@/server/thread-pool';

/** Most bytes of a posted project. */
const MOST_BYTES = 5_000_000;

const pool = new ThreadPool({
  script: join(process.cwd(), '.server', 'design-thread.mjs'),
  threads: 2,
  waiting: 30,
  time: 20_000,
  memory: 512,
});

const respond = ({ status, body }: Answer): Response => new Response(body, { status, headers: { 'content-type': 'application/json' } });
const refuse = (status: number, reason: string) => respond(refusal(status, [{ path: '', reason }]));

/** What can be asked here, for programs that call it. */
export const GET = (): Response => Response.json(openApi);

/** Designs a posted project file and answers with the JSON of the command line. Nothing is kept. */
export async function POST(request: Request): Promise<Response> {
  if (isFromElsewhere(request)) return refuse(403, 'Pages of other origins may not ask for designs here.');
  const announced = Number(request.headers.get('content-length') ?? 0);
  const tooLarge = () => refuse(413, `At most ${MOST_BYTES / 1e6} MB are taken.`);
  if (announced > MOST_BYTES) return tooLarge();
  const text = await readLimited(request);
  if (text === undefined) return tooLarge();
  const derive = new URL(request.url).searchParams.get('derive') === 'none' ? [] : ('all' as const);
  return respond(await pool.ask({ text, derive }));
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
