/**
 * Questions that are asked while an earlier one is under way go to the database together in the next one: under load one statement
 * serves many requests. `answer` gets at most `most` questions and gives the answers in their order.
 */
export function gather<Question, Answer>(
  answer: (questions: readonly Question[]) => Promise<readonly Answer[]>,
  most: number,
): (question: Question) => Promise<Answer> {
  const waiting: { question: Question; done: (answer: Answer) => void; failed: (error: unknown) => void }[] = [];
  let asking = false;
  const ask = async () => {
    asking = true;
    while (waiting.length > 0) {
      const batch = waiting.splice(0, most);
      try {
        const answers = await answer(batch.map(({ question }) => question));
        batch.forEach(({ done }, index) => done(answers[index]!));
      } catch (error) {
        for (const { failed } of batch) failed(error);
      }
    }
    asking = false;
  };
  return (question) =>
    new Promise((done, failed) => {
      waiting.push({ question, done, failed });
      if (!asking) void ask();
    });
}

/** The list lengthened to the next power of two by repeating its last element, so that few different statements are prepared. */
export function padded<T>(list: readonly T[]): T[] {
  const length = 2 ** Math.ceil(Math.log2(Math.max(1, list.length)));
  return Array.from({ length }, (_, index) => list[Math.min(index, list.length - 1)]!);
}
