import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ThreadPool, type ThreadLimits } from '@/server/thread-pool';

/** A thread that does what its question says: answers, runs for ever, fills its memory, throws, or ends. */
const script = join(mkdtempSync(join(tmpdir(), 'threads-')), 'thread.mjs');
writeFileSync(
  script,
  `import { parentPort } from 'node:worker_threads';
parentPort.on('message', ({ text }) => {
  if (text === 'loop') for (;;);
  if (text === 'fill') { const all = []; for (;;) all.push(new Array(1e5).fill(all.length)); }
  if (text === 'throw') throw new Error('broken');
  if (text === 'exit') process.exit(3);
  setTimeout(() => parentPort.postMessage({ status: 200, body: text }), text === 'slow' ? 150 : 0);
});`,
);

let pool: ThreadPool;
const start = (limits: Partial<ThreadLimits> = {}) =>
  (pool = new ThreadPool({ script, threads: 2, waiting: 4, time: 4000, memory: 64, ...limits }));
const ask = (text: string) => pool.ask({ text, derive: [] });
afterEach(() => pool.end());

test('answers each question with its own answer, in as many threads as it may have', async () => {
  start();
  const found = await Promise.all(['a', 'b', 'c', 'd'].map(ask));
  expect(found.map((f) => f.body)).toEqual(['a', 'b', 'c', 'd']);
});

test('of 200 at once those that there is no room for are refused at once, all others answered', async () => {
  start({ waiting: 10 });
  const found = await Promise.all(Array.from({ length: 200 }, () => ask('slow')));
  const count = (status: number) => found.filter((f) => f.status === status).length;
  expect([count(200), count(429)]).toEqual([12, 188]);
  expect((await ask('after')).body).toBe('after');
});

test.each([
  ['loop', /takes longer than 0.5 s/],
  ['fill', /more than 64 MB of memory|longer than/],
  ['throw', /stopped with an error|memory/],
  ['exit', /memory/],
])('a thread that does nothing but %s is ended, says so, and leaves the next ones alone', async (what, reason) => {
  start(what === 'loop' ? { time: 500, threads: 1 } : { threads: 1 });
  const [bad, next] = await Promise.all([ask(what), ask('next')]);
  expect(bad.status).toBe(503);
  expect(JSON.parse(bad.body).faults[0].reason).toMatch(reason);
  expect(next).toEqual({ status: 200, body: 'next' });
});
