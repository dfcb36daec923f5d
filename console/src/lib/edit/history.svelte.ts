/** A value with the steps that led to it, so that each can be taken back and taken again. */
export class Undoable<T> {
  #past = $state.raw<T[]>([]);
  #future = $state.raw<T[]>([]);
  #value = $state.raw() as T;

  constructor(value: T) {
    this.#value = value;
  }

  get value(): T {
    return this.#value;
  }

  /** @param joined the step belongs to the one before, as in a drag or in typing */
  set(value: T, joined = false) {
    if (!joined) {
      this.#past = [...this.#past.slice(-199), this.#value];
    }
    this.#future = [];
    this.#value = value;
  }

  /** Begins again with another value, of which nothing is to be taken back. */
  reset(value: T) {
    this.#past = [];
    this.#future = [];
    this.#value = value;
  }

  get canUndo(): boolean {
    return this.#past.length > 0;
  }

  get canRedo(): boolean {
    return this.#future.length > 0;
  }

  undo() {
    const before = this.#past.at(-1);
    if (before !== undefined) {
      this.#past = this.#past.slice(0, -1);
      this.#future = [this.#value, ...this.#future];
      this.#value = before;
    }
  }

  redo() {
    const next = this.#future[0];
    if (next !== undefined) {
      this.#future = this.#future.slice(1);
      this.#past = [...this.#past, this.#value];
      this.#value = next;
    }
  }
}
