import { Undoable } from '../history.svelte';

export type Point = readonly [number, number];

/** `area` leaves the kind to other layers, `remove` takes away what they say. */
export const KINDS = ['watch', 'ignore', 'area', 'remove'] as const;
export type Kind = (typeof KINDS)[number];
const SHAPES = ['polygon', 'rectangle', 'cells'] as const;
export type ShapeWord = (typeof SHAPES)[number];

export interface Area {
  name: string;
  kind: Kind;
  /** Nothing where another layer gives the shape. */
  shape: ShapeWord | '';
  /** A polygon's corners, or a rectangle's top left and bottom right, 0 to 1 from the top left. */
  points: readonly Point[];
  /** One line a row, `#` for a cell that belongs to it. */
  rows: readonly string[];
  sensitivity: string;
  threshold: string;
}

const clamp = (v: number) => Math.min(1, Math.max(0, Math.round(v * 1000) / 1000));

/** Areas being worked on, over one picture. */
export class AreaDraft {
  readonly #areas: Undoable<readonly Area[]>;
  selected = $state(0);

  constructor(areas: readonly Area[]) {
    this.#areas = new Undoable(areas);
  }

  get areas(): readonly Area[] {
    return this.#areas.value;
  }

  get current(): Area | undefined {
    return this.areas[this.selected];
  }

  get canUndo(): boolean {
    return this.#areas.canUndo;
  }

  get canRedo(): boolean {
    return this.#areas.canRedo;
  }

  undo() {
    this.#areas.undo();
    this.selected = Math.min(this.selected, Math.max(0, this.areas.length - 1));
  }

  redo() {
    this.#areas.redo();
  }

  #free(kind: string): string {
    for (let i = 1; ; i++) {
      const name = i === 1 ? kind : `${kind} ${i}`;
      if (!this.areas.some((a) => a.name === name)) {
        return name;
      }
    }
  }

  #append(area: Area) {
    this.#areas.set([...this.areas, area]);
    this.selected = this.areas.length - 1;
  }

  add(shape: ShapeWord, kind: 'watch' | 'ignore', points: readonly Point[], columns = 22, rows = 18) {
    const name = this.#free(kind === 'watch' ? 'watched' : 'ignored');
    this.#append({ ...shaped(shape, points, columns, rows), name, kind, sensitivity: '', threshold: '' });
  }

  /** Speaks of an area of another layer: to give it values here, or to take it away. */
  speakOf(name: string, kind: 'area' | 'remove') {
    this.#append({ name, kind, shape: '', points: [], rows: [], sensitivity: '', threshold: '' });
  }

  /** Draws an area here of which only values were said. */
  giveShape(index: number, shape: ShapeWord, points: readonly Point[], columns = 22, rows = 18) {
    this.change(index, shaped(shape, points, columns, rows));
  }

  change(index: number, change: Partial<Area>, joined = false) {
    this.#areas.set(
      this.areas.map((a, i) => (i === index ? { ...a, ...change } : a)),
      joined,
    );
  }

  /** A name that was made up goes with the kind. */
  setKind(index: number, kind: Kind) {
    const area = this.areas[index];
    const drawn = kind === 'watch' || kind === 'ignore';
    const made = area && drawn && /^(watched|ignored)( \d+)?$/.test(area.name);
    this.change(index, {
      kind,
      ...(made ? { name: this.#free(kind === 'watch' ? 'watched' : 'ignored') } : {}),
    });
  }

  remove(index: number) {
    this.#areas.set(this.areas.filter((_, i) => i !== index));
    this.selected = Math.max(0, Math.min(this.selected, this.areas.length - 1));
  }

  movePoint(index: number, point: number, [x, y]: Point, joined = false) {
    const area = this.areas[index];
    if (area) {
      const points = area.points.map((p, i) => (i === point ? ([clamp(x), clamp(y)] as const) : p));
      this.change(index, { points }, joined);
    }
  }

  /** Moves a whole area; it stops at the edge of the picture and keeps its form. */
  moveBy(index: number, dx: number, dy: number, joined = false) {
    const area = this.areas[index];
    if (!area || area.points.length === 0) {
      return;
    }
    const xs = area.points.map((p) => p[0]);
    const ys = area.points.map((p) => p[1]);
    const bx = Math.min(1 - Math.max(...xs), Math.max(-Math.min(...xs), dx));
    const by = Math.min(1 - Math.max(...ys), Math.max(-Math.min(...ys), dy));
    this.change(index, { points: area.points.map(([x, y]) => [clamp(x + bx), clamp(y + by)]) }, joined);
  }

  /** A further corner in the middle of an edge. */
  splitEdge(index: number, edge: number) {
    const area = this.areas[index];
    const a = area?.points[edge];
    const b = area?.points[(edge + 1) % (area?.points.length || 1)];
    if (area && a && b) {
      const middle: Point = [clamp((a[0] + b[0]) / 2), clamp((a[1] + b[1]) / 2)];
      this.change(index, {
        points: [...area.points.slice(0, edge + 1), middle, ...area.points.slice(edge + 1)],
      });
    }
  }

  removePoint(index: number, point: number) {
    const area = this.areas[index];
    if (area && area.shape === 'polygon' && area.points.length > 3) {
      this.change(index, { points: area.points.filter((_, i) => i !== point) });
    }
  }

  paintCell(index: number, column: number, row: number, on: boolean, joined = false) {
    const area = this.areas[index];
    const line = area?.rows[row];
    if (area && line !== undefined && column >= 0 && column < line.length) {
      const painted = line.slice(0, column) + (on ? '#' : '.') + line.slice(column + 1);
      this.change(index, { rows: area.rows.map((r, i) => (i === row ? painted : r)) }, joined);
    }
  }

  fill(index: number, how: 'everything' | 'nothing' | 'invert') {
    const area = this.areas[index];
    if (area) {
      const cell = (c: string) =>
        how === 'everything' ? '#' : how === 'nothing' ? '.' : c === '#' ? '.' : '#';
      this.change(index, { rows: area.rows.map((r) => r.replace(/./g, cell)) });
    }
  }

  /** Goes on from areas that were changed elsewhere. */
  take(areas: readonly Area[]) {
    this.#areas.set(areas);
    this.selected = Math.min(this.selected, Math.max(0, areas.length - 1));
  }

  /** As a policy file holds them. */
  get said(): Record<string, unknown>[] {
    return saidOf(this.areas);
  }

  /** JSON is YAML too. */
  get text(): string {
    return JSON.stringify(this.said);
  }
}

const number = (text: string) => (/^\d+(\.\d+)?$/.test(text) ? Number(text) : text);

function shaped(shape: ShapeWord, points: readonly Point[], columns: number, rows: number) {
  return {
    shape,
    points: points.map(([x, y]): Point => [clamp(x), clamp(y)]),
    rows: shape === 'cells' ? Array.from({ length: rows }, () => '.'.repeat(columns)) : [],
  };
}

/** Areas as a policy file holds them. */
export function saidOf(areas: readonly Area[]): Record<string, unknown>[] {
  return areas.map((a) =>
    a.kind === 'remove'
      ? { remove: a.name }
      : {
          [a.kind]: a.name,
          ...(a.shape === 'cells' ? { cells: a.rows } : a.shape ? { [a.shape]: a.points } : {}),
          ...(a.sensitivity ? { sensitivity: number(a.sensitivity) } : {}),
          ...(a.threshold ? { threshold: a.threshold } : {}),
        },
  );
}

/** Areas as a policy file says them; what says nothing that is understood here is not shown. */
export function areasOf(said: unknown): Area[] {
  if (!Array.isArray(said)) {
    return [];
  }
  return (said as Record<string, unknown>[]).flatMap((a): Area[] => {
    const kind = KINDS.find((k) => k in a);
    const shape = SHAPES.find((s) => s in a) ?? '';
    const name = kind ? a[kind] : undefined;
    if (!kind || typeof name !== 'string') {
      return [];
    }
    const points = shape === 'polygon' || shape === 'rectangle' ? (a[shape] as number[][]) : [];
    return [
      {
        name,
        kind,
        shape,
        points: points.map(([x = 0, y = 0]): Point => [x, y]),
        rows: shape === 'cells' ? (a.cells as string[]) : [],
        sensitivity: a.sensitivity === undefined ? '' : String(a.sensitivity as string),
        threshold: a.threshold === undefined ? '' : String(a.threshold as string),
      },
    ];
  });
}

/** The corners of what is drawn, whatever its shape. */
export function outline(area: { shape: string; points: readonly (readonly number[])[] }): readonly Point[] {
  const points = area.points.map(([x = 0, y = 0]) => [x, y] as const);
  const [a, b] = points;
  return area.shape === 'rectangle' && a && b ? [a, [b[0], a[1]], b, [a[0], b[1]]] : points;
}
