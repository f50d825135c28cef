import { Worker } from 'node:worker_threads';
import { refusal, type Answer, type Question } from './answer';

export interface ThreadLimits {
  /** The script of a thread. */
  readonly script: string;
  /** Threads at work at once, and questions that may wait for one. */
  readonly threads: number;
  readonly waiting: number;
  /** Longest time for an answer, reading within it (ms), and most memory of a thread (MB). */
  readonly time: number;
  readonly memory: number;
}

interface Asked {
  readonly question: Question;
  readonly tell: (answer: Answer) => void;
}

/**
 * Answers questions in threads of their own, so that no design stops the server: a thread that takes too long or too much is ended and another takes its place.
 * What there is no room for is refused at once.
 */
export class ThreadPool {
  private readonly idle: Worker[] = [];
  private readonly queue: Asked[] = [];
  private busy = 0;

  constructor(private readonly limits: ThreadLimits) {}

  ask(question: Question): Promise<Answer> {
    if (this.busy >= this.limits.threads && this.queue.length >= this.limits.waiting)
      return Promise.resolve(refusal(429, [{ path: '', reason: 'Too many designs are asked for at once: ask again in a moment.' }]));
    return new Promise((tell) => {
      this.queue.push({ question, tell });
      this.next();
    });
  }

  /** Ends all threads. */
  async end(): Promise<void> {
    await Promise.all(this.idle.splice(0).map((thread) => thread.terminate()));
  }

  private next(): void {
    if (this.busy >= this.limits.threads) return;
    const asked = this.queue.shift();
    if (!asked) return;
    this.busy += 1;
    const thread = this.idle.pop() ?? this.start();
    const { time, memory } = this.limits;
    let isTold = false;
    const finish = (answer: Answer, isAlive: boolean) => {
      if (isTold) return;
      isTold = true;
      clearTimeout(timer);
      thread.off('message', onMessage).off('error', onError).off('exit', onExit);
      // One that waits keeps nothing alive.
      thread.unref();
      if (isAlive) this.idle.push(thread);
      else void thread.terminate();
      this.busy -= 1;
      asked.tell(answer);
      this.next();
    };
    const onMessage = (answer: Answer) => finish(answer, true);
    const onError = () => finish(tooMuch(`takes more than ${memory} MB of memory, or stopped with an error of the program`), false);
    const onExit = () => finish(tooMuch(`takes more than ${memory} MB of memory`), false);
    const timer = setTimeout(() => finish(tooMuch(`takes longer than ${time / 1000} s`), false), time);
    thread.on('message', onMessage).on('error', onError).on('exit', onExit);
    thread.ref();
    thread.postMessage(asked.question);
  }

  private start(): Worker {
    const thread = new Worker(this.limits.script, { resourceLimits: { maxOldGenerationSizeMb: this.limits.memory } });
    // What still comes from a thread that is being ended belongs to nobody.
    return thread.on('error', () => {});
  }
}

const tooMuch = (what: string): Answer =>
  refusal(503, [{ path: '', reason: `The design ${what} here: post fewer members, or use the command line.` }]);
