import { JobPool, WorkerLost, type PoolJob, type Runner } from '@/workers/job-pool';

/** A worker that does what the test says: its tasks are settled by hand, and it may die. */
function fakeWorkers() {
  const made: Fake[] = [];
  interface Fake {
    readonly ran: string[];
    answer(): void;
    fail(message: string): void;
    tell(share: number): void;
    die(): void;
    stopsAsked: number;
    isEnded: boolean;
    /** Whether a stop that is asked for is followed. */
    obeys: boolean;
  }
  const start = (): Runner<string, string> => {
    let settle: { resolve: (a: string | null) => void; reject: (e: Error) => void; told: (p: { share: number; words: string }) => void };
    let gone: () => void = () => undefined;
    const fake: Fake = {
      ran: [],
      answer: () => settle.resolve(`done ${fake.ran.at(-1)}`),
      fail: (message) => settle.reject(new Error(message)),
      tell: (share) => settle.told({ share, words: 'half' }),
      die: () => gone(),
      stopsAsked: 0,
      isEnded: false,
      obeys: true,
    };
    made.push(fake);
    return {
      run: (task, told) => {
        fake.ran.push(task);
        return new Promise((resolve, reject) => (settle = { resolve, reject, told }));
      },
      stop: () => {
        fake.stopsAsked += 1;
        if (fake.obeys) settle.resolve(null);
      },
      end: () => {
        fake.isEnded = true;
      },
      onGone: (listener) => {
        gone = listener;
      },
    };
  };
  return { made, start };
}

const job = (key: string, isUrgent = false, onProgress?: PoolJob<string>['onProgress']): PoolJob<string> => ({
  key,
  task: key,
  isUrgent,
  onProgress,
});
const patience = { silent: 1000, stopping: 200, replaced: 500 };
const turn = () => jest.advanceTimersByTimeAsync(0);

describe('jobs of a pool', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  test('newest of a key wins, urgent ones go first, nothing waits for ever', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 1, patience);
    const first = pool.submit(job('a'));
    const dropped = pool.submit(job('b'));
    const waiting = pool.submit(job('c'));
    const newer = pool.submit(job('b'));
    const urgent = pool.submit(job('u', true));
    expect(await dropped).toBeNull();
    for (let i = 0; i < 4; i += 1) {
      made[0]!.answer();
      await turn();
    }
    expect(await Promise.all([first, waiting, newer, urgent])).toEqual(['done a', 'done c', 'done b', 'done u']);
    expect(made[0]!.ran).toEqual(['a', 'u', 'c', 'b']);
    expect(made).toHaveLength(1);
  });

  test('an error of one job does not stop the next', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 1, patience);
    const bad = pool.submit(job('a'));
    const good = pool.submit(job('b'));
    made[0]!.fail('x');
    await expect(bad).rejects.toThrow('x');
    await turn();
    made[0]!.answer();
    expect(await good).toBe('done b');
  });

  test('a job whose worker dies is tried once more by another worker', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 1, patience);
    const answer = pool.submit(job('a'));
    made[0]!.die();
    await turn();
    expect(made.map((w) => w.ran)).toEqual([['a'], ['a']]);
    made[1]!.answer();
    expect(await answer).toBe('done a');
  });

  test('a job whose worker dies twice is given up, and others go on', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 1, patience);
    const lost = pool.submit(job('a'));
    const next = pool.submit(job('b'));
    const told = expect(lost).rejects.toThrow(WorkerLost);
    made[0]!.die();
    await turn();
    made[1]!.die();
    await told;
    await turn();
    made[2]!.answer();
    expect(await next).toBe('done b');
  });

  test('a worker that dies while it has nothing to do is replaced when it is needed', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 1, patience);
    const first = pool.submit(job('a'));
    made[0]!.answer();
    await first;
    made[0]!.die();
    const second = pool.submit(job('b'));
    made[1]!.answer();
    expect(await second).toBe('done b');
  });

  test('a worker that shows no sign of life is ended; telling how far it is, is one', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 1, patience);
    const shares: number[] = [];
    const answer = pool.submit(job('a', false, ({ share }) => shares.push(share)));
    for (const share of [0.2, 0.4, 0.6]) {
      await jest.advanceTimersByTimeAsync(900);
      made[0]!.tell(share);
    }
    expect([shares, made[0]!.isEnded]).toEqual([[0.2, 0.4, 0.6], false]);
    await jest.advanceTimersByTimeAsync(1000);
    expect(made[0]!.isEnded).toBe(true);
    made[1]!.answer();
    expect(await answer).toBe('done a');
  });

  test('a running job is stopped between its steps, and its worker goes on with the next', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 1, patience);
    const long = pool.submit(job('a'));
    const next = pool.submit(job('b'));
    pool.cancel('a');
    expect(await long).toBeNull();
    await turn();
    made[0]!.answer();
    expect(await next).toBe('done b');
    expect([made.length, made[0]!.isEnded]).toEqual([1, false]);
  });

  test('a worker that does not stop when asked is ended, and its job is not tried again', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 1, patience);
    const long = pool.submit(job('a'));
    const next = pool.submit(job('b'));
    made[0]!.obeys = false;
    pool.cancel('a');
    await jest.advanceTimersByTimeAsync(patience.stopping);
    expect(await long).toBeNull();
    expect(made[0]!.isEnded).toBe(true);
    await turn();
    expect(made[1]!.ran).toEqual(['b']);
    made[1]!.answer();
    expect(await next).toBe('done b');
  });

  test('a newer job of the same key stops one that has told how far it is, and waits for one that has not', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 1, patience);
    const short = pool.submit(job('a'));
    const newer = pool.submit(job('a'));
    expect(made[0]!.stopsAsked).toBe(0);
    made[0]!.answer();
    expect(await short).toBe('done a');
    await turn();
    made[0]!.tell(0.5);
    const newest = pool.submit(job('a'));
    expect(await newer).toBeNull();
    await turn();
    made[0]!.answer();
    expect(await newest).toBe('done a');
    expect(made[0]!.ran).toEqual(['a', 'a', 'a']);
  });

  test('a worker that is kept for urgent jobs takes no other; urgent ones take any that is free', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 2, patience, 1);
    const listed = ['a', 'b', 'c'].map((key) => pool.submit(job(key)));
    // One worker for the list, whatever its length.
    expect(made.map((m) => m.ran)).toEqual([['a']]);
    const typed = pool.submit(job('typed', true));
    expect(made.map((m) => m.ran)).toEqual([['a'], ['typed']]);
    const again = pool.submit(job('other', true));
    made[0]!.answer();
    await turn();
    expect(made[0]!.ran).toEqual(['a', 'other']);
    made[1]!.answer();
    await turn();
    expect(made[1]!.ran).toEqual(['typed']);
    made[0]!.answer();
    await turn();
    expect(made[0]!.ran).toEqual(['a', 'other', 'b']);
    made[0]!.answer();
    await turn();
    made[0]!.answer();
    expect(await Promise.all([...listed, typed, again])).toEqual(['done a', 'done b', 'done c', 'done typed', 'done other']);
  });

  test('a worker that was started before there is work takes the first job of a list', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 3, patience, 1);
    pool.warm();
    pool.warm();
    expect(made).toHaveLength(1);
    const listed = pool.submit(job('a'));
    expect([made.length, made[0]!.ran]).toEqual([1, ['a']]);
    made[0]!.answer();
    expect(await listed).toBe('done a');
  });

  test('a job that a newer one has taken the place of has longer to stop than one that was stopped by hand', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 1, patience);
    const first = pool.submit(job('a'));
    made[0]!.obeys = false;
    made[0]!.tell(0.1);
    const second = pool.submit(job('a'));
    await jest.advanceTimersByTimeAsync(patience.replaced - 1);
    expect(made[0]!.isEnded).toBe(false);
    await jest.advanceTimersByTimeAsync(1);
    expect(made[0]!.isEnded).toBe(true);
    expect(await first).toBeNull();
    await turn();
    made[1]!.answer();
    expect(await second).toBe('done a');
  });

  test('what a job that was stopped still says is not heard', async () => {
    const { made, start } = fakeWorkers();
    const pool = new JobPool(start, 1, patience);
    const heard: number[] = [];
    const long = pool.submit(job('a', false, ({ share }) => heard.push(share)));
    made[0]!.obeys = false;
    pool.cancel('a');
    made[0]!.tell(0.9);
    made[0]!.answer();
    expect([await long, heard]).toEqual([null, []]);
  });
});
