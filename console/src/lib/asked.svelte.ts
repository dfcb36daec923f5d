/**
 * One question at a time for what is typed: it is asked when typing rests, the one before it is given up, and an answer
 * that comes too late is dropped.
 */
export class Asked<Q, A> {
  /** The answer to the last question that was answered; nothing once a question was refused. */
  answer = $state.raw<A>();
  error = $state.raw<Error>();
  /** Whether what is shown is not yet about what was put last. */
  waiting = $state(false);

  readonly #ask: (question: Q, signal: AbortSignal) => Promise<A>;
  readonly #restMillis: number;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #running: AbortController | undefined;

  constructor(ask: (question: Q, signal: AbortSignal) => Promise<A>, restMillis: number) {
    this.#ask = ask;
    this.#restMillis = restMillis;
  }

  put(question: Q) {
    this.stop();
    this.waiting = true;
    this.#timer = setTimeout(() => void this.#put(question), this.#restMillis);
  }

  /** Gives up whatever is being asked; what was answered stays. */
  stop() {
    clearTimeout(this.#timer);
    this.#running?.abort();
    this.#running = undefined;
    this.waiting = false;
  }

  async #put(question: Q) {
    const mine = new AbortController();
    this.#running = mine;
    let answer: A | undefined;
    let error: Error | undefined;
    try {
      answer = await this.#ask(question, mine.signal);
    } catch (e) {
      error = e as Error;
    }
    if (this.#running === mine) {
      this.answer = answer;
      this.error = error;
      this.waiting = false;
      this.#running = undefined;
    }
  }
}

/** Asks about a value whenever it changes, until the component that called this is gone. */
export function asking<Q, A>(
  question: () => Q | undefined,
  ask: (question: Q, signal: AbortSignal) => Promise<A>,
  restMillis: number,
): Asked<Q, A> {
  const asked = new Asked(ask, restMillis);
  $effect(() => {
    const now = question();
    if (now === undefined) {
      return;
    }
    asked.put(now);
    return () => asked.stop();
  });
  return asked;
}
