import { Document, isMap, parseDocument } from 'yaml';
import { Undoable } from './history.svelte';

type Path = [string, string];

function pathOf(key: string): Path {
  const cut = key.indexOf('.');
  return [key.slice(0, cut), key.slice(cut + 1)];
}

/** One value in the words of a policy file, on one line. */
export function words(value: unknown): string {
  if (Array.isArray(value)) {
    return value
      .map((v) =>
        v !== null && typeof v === 'object'
          ? Object.entries(v as Record<string, unknown>)
              .map(([k, t]) => `${k} ${String(t)}`)
              .join(' ')
          : String(v),
      )
      .join('; ');
  }
  if (value !== null && typeof value === 'object') {
    return Object.entries(value)
      .map(([k, v]) => `${k}: ${words(v)}`)
      .join('; ');
  }
  return value === undefined || value === null ? '' : String(value as string);
}

/** The lines of a week as a policy file holds it, with whether it replaces what lies under it. */
export function weekLines(value: unknown): { text: string; replace: boolean } {
  if (value !== null && typeof value === 'object' && !Array.isArray(value)) {
    const map = value as { windows?: unknown; replace?: unknown };
    return { text: weekLines(map.windows).text, replace: map.replace === true || map.replace === 'true' };
  }
  return { text: words(value).split('; ').filter(Boolean).join('\n'), replace: false };
}

/** What a policy file holds for a week of these lines. */
export function weekValue(text: string, replace: boolean): unknown {
  const windows = text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean)
    .map((line) => {
      const cut = line.lastIndexOf(' ');
      const value = line.slice(cut + 1);
      return { [line.slice(0, cut)]: /^\d+$/.test(value) ? Number(value) : value };
    });
  return replace ? { replace: true, windows } : windows;
}

/** A template being worked on. Its text is the one source; the form reads it and writes it, comments and all. */
export class TemplateDraft {
  readonly #text: Undoable<string>;
  #stored = $state('');

  constructor(text: string) {
    this.#text = new Undoable(text);
    this.#stored = text;
  }

  get text(): string {
    return this.#text.value;
  }

  get changed(): boolean {
    return this.text !== this.#stored;
  }

  /** What is there now is what the service holds. */
  saved() {
    this.#stored = this.text;
  }

  type(text: string) {
    this.#text.set(text);
  }

  readonly #document = $derived.by(() => parseDocument(this.#text.value));

  /** Why the text is no YAML at all; the service checks the rest. */
  get fault(): string {
    return (
      this.#document.errors[0]?.message ?? (isMap(this.#document.contents) ? '' : 'expected keys and values')
    );
  }

  get(key: string): unknown {
    const value: unknown = this.#document.getIn(pathOf(key), false);
    return value !== null && typeof value === 'object' && 'toJSON' in value
      ? (value as { toJSON(): unknown }).toJSON()
      : value;
  }

  #list(name: 'fixed' | 'unset'): string[] {
    const value = this.#document.get(name) as { toJSON?(): unknown } | undefined;
    const list = value?.toJSON?.();
    return Array.isArray(list) ? (list as string[]) : [];
  }

  isFixed(key: string): boolean {
    return this.#list('fixed').includes(key);
  }

  #write(change: (document: Document) => void) {
    const document = parseDocument(this.#text.value) as unknown as Document;
    if (document.errors.length === 0) {
      change(document);
      this.#text.set(document.toString({ lineWidth: 120 }));
    }
  }

  set(key: string, value: unknown) {
    const [section, name] = pathOf(key);
    this.#write((d) => {
      this.#member(d, 'unset', key, false);
      if (!d.has(section)) {
        d.set(section, d.createNode({}));
      }
      d.setIn([section, name], d.createNode(value));
    });
  }

  clear(key: string) {
    const [section, name] = pathOf(key);
    this.#write((d) => this.#drop(d, section, name));
  }

  isUnset(key: string): boolean {
    return this.#list('unset').includes(key);
  }

  fix(key: string, fixed: boolean) {
    this.#write((d) => this.#member(d, 'fixed', key, fixed));
  }

  /** Drops what farther layers say of a setting; what was said here of it goes too. */
  unset(key: string, unset: boolean) {
    const [section, name] = pathOf(key);
    this.#write((d) => {
      this.#member(d, 'unset', key, unset);
      if (unset) {
        this.#drop(d, section, name);
      }
    });
  }

  #member(d: Document, list: 'fixed' | 'unset', key: string, member: boolean) {
    const others = this.#list(list).filter((k) => k !== key);
    const now = member ? [...others, key].sort() : others;
    if (now.length > 0) {
      d.set(list, d.createNode(now));
    } else {
      d.delete(list);
    }
  }

  #drop(d: Document, section: string, name: string) {
    d.deleteIn([section, name]);
    const left = d.get(section);
    if (isMap(left) && left.items.length === 0) {
      d.delete(section);
    }
  }

  #word(key: 'title' | 'extends'): string {
    const value: unknown = this.#document.get(key);
    return typeof value === 'string' ? value : '';
  }

  #setWord(key: 'title' | 'extends', word: string) {
    this.#write((d) => {
      if (word) {
        d.set(key, word);
      } else {
        d.delete(key);
      }
    });
  }

  get title(): string {
    return this.#word('title');
  }

  set title(title: string) {
    this.#setWord('title', title);
  }

  /** The template that this one extends; empty when there is none. */
  get base(): string {
    return this.#word('extends');
  }

  set base(base: string) {
    this.#setWord('extends', base);
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
