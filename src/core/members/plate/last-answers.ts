/** So many answers are remembered: the slab as it is, and as it was before the last change. */
const MOST = 2;

/**
 * Answers to the questions asked last, found again by what they depend on. The same question has the same answer, so nobody can tell that it was
 * remembered but by the time that it takes.
 */
export class LastAnswers<A> {
  private known: readonly { readonly key: string; readonly answer: A }[] = [];

  for(question: object, work: () => A): A {
    const key = JSON.stringify(question);
    const found = this.known.find((k) => k.key === key);
    const answer = found ? found.answer : work();
    this.known = [{ key, answer }, ...this.known.filter((k) => k.key !== key)].slice(0, MOST);
    return answer;
  }

  has(question: object): boolean {
    const key = JSON.stringify(question);
    return this.known.some((k) => k.key === key);
  }
}
