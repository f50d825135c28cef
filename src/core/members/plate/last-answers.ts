/** So many answers are remembered unless it is said: the slab as it is, and as it was before the last change. */
const MOST = 2;

/**
 * Answers to the questions asked last, found again by what they depend on. The same question has the same answer, so nobody can tell that it was
 * remembered but by the time that it takes.
 */
export class LastAnswers<A> {
  /** The last one asked for at the end. */
  private readonly known = new Map<string, A>();

  constructor(private readonly most = MOST) {}

  for(question: object, work: () => A): A {
    const key = JSON.stringify(question);
    const answer = this.known.has(key) ? this.known.get(key)! : work();
    this.known.delete(key);
    this.known.set(key, answer);
    if (this.known.size > this.most) this.known.delete(this.known.keys().next().value!);
    return answer;
  }

  has(question: object): boolean {
    return this.known.has(JSON.stringify(question));
  }
}

const ofAnswers = new WeakMap<object, Map<string, unknown>>();

/**
 * What follows from an answer and a question alone, whatever bars lie in the slab: worked out once for as long as the answer is known. The question is what
 * is asked beside the answer, the name tells questions of different kinds apart; `isStill` says whether what is known is still what is asked for.
 */
export function onceFor<T>(answer: object, name: string, question: unknown, work: () => T, isStill: (known: T) => boolean = () => true): T {
  let known = ofAnswers.get(answer);
  if (!known) ofAnswers.set(answer, (known = new Map()));
  const key = `${name} ${JSON.stringify(question)}`;
  if (!known.has(key) || !isStill(known.get(key) as T)) known.set(key, work());
  return known.get(key) as T;
}
