/** Nothing that answers to the wishes was found in the time that was given: not the same as that there is nothing. */
export class OutOfTime extends Error {
  constructor(seconds: number) {
    super(`nothing was found within ${seconds} s: ask for less at once, or fewer layers`);
  }
}
