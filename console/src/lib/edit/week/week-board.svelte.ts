import { DAY, time } from '../../week';
import type { WeekDraft } from './week-draft.svelte';
import { isLevel } from './week-text';

/** Minutes that pointer and keys move by, unless Alt is held. */
const STEP = 15;
const TRIGGERS = ['continuous', 'motion', 'alarm', 'analytics', 'motion+alarm', 'none'];
const CLOCK = /^\d\d:\d\d$/;

/** A stretch of a day as a share of its width. */
export const share = (minutes: number) => `${(minutes / DAY) * 100}%`;

interface Stretch {
  day: number;
  from: number;
  /** Exclusive; while dragging it may lie before `from`. */
  to: number;
}

/** What pointer and keys do to a week. Levels are sensitivities; otherwise the values start recording. */
export class WeekBoard {
  readonly draft: WeekDraft;
  readonly levels: boolean;
  readonly rows: readonly string[];
  readonly oneDay: boolean;
  /** What can be chosen to paint with. */
  readonly brushes: readonly string[];
  brush = $state('');
  /** The sensitivity that the brush `level` paints. */
  level = $state('50');
  cursor = $state.raw<Stretch>({ day: 0, from: 480, to: 480 + STEP });
  /** What was done last, for those who do not see it. */
  said = $state('');
  wrong = $state('');
  #dragging = false;

  constructor(draft: WeekDraft, levels: boolean) {
    this.draft = draft;
    this.levels = levels;
    this.rows = draft.span.rows;
    this.oneDay = this.rows.length === 1;
    this.brushes = [...(levels ? ['level'] : TRIGGERS), ...(this.oneDay ? [] : ['erase'])];
    this.brush = levels ? 'level' : 'continuous';
  }

  /** What a day spreads. */
  onDay(day: number) {
    return {
      onpointerdown: (event: PointerEvent) => this.#press(event, day),
      onpointermove: (event: PointerEvent) => this.#move(event),
      onpointerup: () => this.#release(),
      onpointercancel: () => (this.#dragging = false),
    };
  }

  readonly onKey = (event: KeyboardEvent) => {
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
      event.preventDefault();
      if (event.shiftKey) {
        this.draft.redo();
      } else {
        this.draft.undo();
      }
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault();
      this.#paintCursor(this.#value);
    } else if ((event.key === 'Delete' || event.key === 'Backspace') && !this.oneDay) {
      event.preventDefault();
      this.#paintCursor(undefined);
    } else {
      const next = this.#step(event.key, event.altKey ? 1 : STEP, event.shiftKey);
      if (next) {
        event.preventDefault();
        this.cursor = next;
        this.said = this.#words([next.day], next.from, next.to);
      }
    }
  };

  paintLevel(level: string) {
    this.level = level;
    this.brush = 'level';
  }

  /** Paints from one typed time to another; one that lies before runs on into the next day. */
  paintTyped(days: readonly number[], fromText: string, toText: string) {
    const minutes = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3, 5));
    const [from, to] = [minutes(fromText), minutes(toText)];
    const fits = [fromText, toText].every((t) => CLOCK.test(t) && Number(t.slice(3)) < 60);
    if (!fits || from >= DAY || to > DAY || from === to) {
      this.#refuse('expected two different times such as 06:00 and 18:30; 24:00 is the end of a day');
    } else if (this.oneDay && to < from) {
      this.#refuse('a special day ends at midnight; nothing runs on into the next day');
    } else {
      this.#paint(this.oneDay ? [0] : days, from, to, this.#value);
    }
  }

  get #value(): string | undefined {
    return this.brush === 'erase' ? undefined : this.brush === 'level' ? this.level : this.brush;
  }

  #minuteAt(event: PointerEvent): number {
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    const step = event.altKey ? 1 : STEP;
    const minute = ((event.clientX - box.left) / box.width) * DAY;
    return Math.min(DAY, Math.max(0, Math.round(minute / step) * step));
  }

  #press(event: PointerEvent, day: number) {
    if (event.button !== 0) {
      return;
    }
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    const at = Math.min(this.#minuteAt(event), DAY - STEP);
    this.#dragging = true;
    this.cursor = { day, from: at, to: at };
  }

  #move(event: PointerEvent) {
    if (this.#dragging) {
      this.cursor = { ...this.cursor, to: this.#minuteAt(event) };
    }
  }

  #release() {
    if (this.#dragging) {
      this.#dragging = false;
      const from = Math.min(this.cursor.from, this.cursor.to);
      const to = Math.max(this.cursor.from, this.cursor.to, from + STEP);
      this.cursor = { day: this.cursor.day, from, to };
      this.#paintCursor(this.#value);
    }
  }

  /** Where a key leads; nothing for other keys. Longer moves the end alone. */
  #step(key: string, step: number, longer: boolean): Stretch | undefined {
    const { day, from, to } = this.cursor;
    const days = this.rows.length;
    switch (key) {
      case 'ArrowRight':
        return { day, from: longer ? from : Math.min(DAY - step, from + step), to: Math.min(DAY, to + step) };
      case 'ArrowLeft':
        return longer
          ? { day, from, to: Math.max(from + step, to - step) }
          : { day, from: Math.max(0, from - step), to: Math.max(step, to - step) };
      case 'ArrowDown':
        return { day: (day + 1) % days, from, to };
      case 'ArrowUp':
        return { day: (day + days - 1) % days, from, to };
      case 'Home':
        return { day, from: 0, to: to - from };
      case 'End':
        return { day, from, to: DAY };
      default:
        return undefined;
    }
  }

  #paintCursor(value: string | undefined) {
    this.#paint([this.cursor.day], this.cursor.from, this.cursor.to, value);
  }

  #paint(days: readonly number[], from: number, to: number, value: string | undefined) {
    if (this.levels && value !== undefined && !isLevel(value)) {
      this.#refuse(`"${value}" is not a sensitivity; expected 0 to 100`);
      return;
    }
    this.wrong = '';
    this.draft.paint(days, from, to, value);
    this.said = `${this.#words(days, from, to)} ${value ?? 'erased'}`;
  }

  #words(days: readonly number[], from: number, to: number): string {
    return `${days.map((d) => this.rows[d]).join(', ')} ${time(from)} to ${time(to)}`;
  }

  #refuse(why: string) {
    this.said = this.wrong = why;
  }
}
