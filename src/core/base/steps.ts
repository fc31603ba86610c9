/** Runs a generator to its end without looking at what it yields. */
export function toEnd<T>(steps: Generator<unknown, T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
