import { parentPort } from 'node:worker_threads';
import { answer, refusal, type Question } from './answer';

// One question at a time: whoever asks ends this thread where it takes too long, or too much memory.
parentPort!.on('message', (question: Question) => {
  answer(question).then(
    (found) => parentPort!.postMessage(found),
    (error: unknown) =>
      parentPort!.postMessage(
        refusal(500, [
          {
            path: '',
            reason: `The design stopped with an error of the program (${error instanceof Error ? error.message : String(error)}).`,
          },
        ]),
      ),
  );
});
