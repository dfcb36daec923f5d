import { DAY } from '../../week';
import { Undoable } from '../history.svelte';
import { paint, silent, WeekFault, WHOLE_WEEK, type Minutes, type Span } from './week-text';

/** A week or a day being worked on. The text is the one source: painting writes it, typing changes it. */
export class WeekDraft {
  readonly #text: Undoable<string>;
  readonly #valid: (value: string) => boolean;
  readonly span: Span;
  #understood: Minutes = silent();

  constructor(text: string, valid: (value: string) => boolean, span: Span = WHOLE_WEEK) {
    this.#text = new Undoable(text);
    this.#valid = valid;
    this.span = span;
  }

  get text(): string {
    return this.#text.value;
  }

  type(text: string) {
    this.#text.set(text, false);
  }

  readonly #read = $derived.by((): { minutes: Minutes; fault: WeekFault | undefined } => {
    try {
      this.#understood = this.span.parse(this.#text.value, this.#valid);
      return { minutes: this.#understood, fault: undefined };
    } catch (e) {
      return { minutes: this.#understood, fault: e as WeekFault };
    }
  });

  /** As last understood, while something is being typed that cannot be. */
  get minutes(): Minutes {
    return this.#read.minutes;
  }

  get fault(): WeekFault | undefined {
    return this.#read.fault;
  }

  /** @param to exclusive; at or before `from` it is on the next day. Without a value the stretch is erased. */
  paint(days: readonly number[], from: number, to: number, value: string | undefined) {
    let week = this.minutes;
    for (const day of days) {
      week = paint(week, day, from, to, value);
    }
    this.#text.set(this.span.print(week));
  }

  copyDay(from: number, to: readonly number[]) {
    const week = [...this.minutes];
    for (const day of to) {
      for (let m = 0; m < DAY; m++) {
        week[day * DAY + m] = this.minutes[from * DAY + m];
      }
    }
    this.#text.set(this.span.print(week));
  }

  get canUndo(): boolean {
    return this.#text.canUndo;
  }

  get canRedo(): boolean {
    return this.#text.canRedo;
  }

  undo() {
    this.#text.undo();
  }

  redo() {
    this.#text.redo();
  }
}

/** Minutes as runs, for drawing. */
export function runsOf(week: Minutes): { from: number; to: number; triggers: string }[] {
  const runs: { from: number; to: number; triggers: string }[] = [];
  week.forEach((value, m) => {
    const last = runs.at(-1);
    if (value !== undefined && last && last.to === m && last.triggers === value && m % DAY !== 0) {
      last.to = m + 1;
    } else if (value !== undefined) {
      runs.push({ from: m, to: m + 1, triggers: value });
    }
  });
  return runs;
}
