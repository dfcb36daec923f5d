import type { AreaDraft, Point, ShapeWord } from './area-draft.svelte';

/** Width and height of the picture in the units it is drawn in. */
export const W = 640;
export const H = 360;

/** The number of corners from which a drawn line can be closed. */
const CORNERS = 3;
const NUDGES: Record<string, Point> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const HALF: readonly Point[] = [
  [0.25, 0.25],
  [0.75, 0.75],
];

/** What is being dragged; every step after the first is one with it when it is taken back. */
type Drag = { moved: boolean } & (
  { what: 'corner'; corner: number } | { what: 'area'; last: Point } | { what: 'cells'; on: boolean }
);

/** Points as an attribute of a drawing holds them. */
export const path = (points: readonly Point[]) => points.map(([x, y]) => `${x * W},${y * H}`).join(' ');

/** What pointer and keys do to areas on a picture. */
export class AreaBoard {
  readonly draft: AreaDraft;
  /** The picture, whose place on the screen tells where a pointer is. */
  picture = $state.raw<Element>();
  /** The corners of a polygon that is being drawn and not closed yet. */
  drawing = $state.raw<readonly Point[]>();
  /** Columns and rows of cells that are painted anew. */
  grid: readonly [number, number] = [22, 18];
  #drag: Drag | undefined;

  constructor(draft: AreaDraft) {
    this.draft = draft;
  }

  /** Only values are said of the chosen area; its shape is another layer's. */
  get shapeless(): boolean {
    const area = this.draft.current;
    return area?.shape === '' && area.kind !== 'remove';
  }

  /** What the picture spreads. */
  readonly onPicture = {
    onpointerdown: (event: PointerEvent) => this.#press(event),
    onpointermove: (event: PointerEvent) => this.#move(event),
    onpointerup: () => (this.#drag = undefined),
    onpointercancel: () => (this.#drag = undefined),
    ondblclick: () => this.close(),
  };

  /** What an area spreads, or one of its corners. */
  on(index: number, corner?: number) {
    return {
      onpointerdown: (event: PointerEvent) => this.#grab(event, index, corner),
      onkeydown: (event: KeyboardEvent) => this.#nudge(event, index, corner),
    };
  }

  readonly onWindow = (event: KeyboardEvent) => {
    const typing = event.target instanceof Element && event.target.matches('input, textarea, select');
    if (typing) {
      return;
    }
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
      event.preventDefault();
      if (event.shiftKey) {
        this.draft.redo();
      } else {
        this.draft.undo();
      }
    } else if (this.drawing && event.key === 'Enter') {
      event.preventDefault();
      this.close();
    } else if (this.drawing && event.key === 'Escape') {
      event.preventDefault();
      this.drawing = undefined;
    }
  };

  begin() {
    this.drawing = [];
  }

  /** Makes a polygon of the corners that were drawn; fewer than three are given up. */
  close() {
    if (this.drawing && this.drawing.length >= CORNERS) {
      this.#put('polygon', this.drawing);
    }
    this.drawing = undefined;
  }

  addRectangle() {
    this.#put('rectangle', HALF);
  }

  addCells() {
    this.#put('cells', []);
  }

  /** A new shape is a new area, unless the chosen one has none of its own yet. */
  #put(shape: ShapeWord, points: readonly Point[]) {
    if (this.shapeless) {
      this.draft.giveShape(this.draft.selected, shape, points, ...this.grid);
    } else {
      this.draft.add(shape, 'watch', points, ...this.grid);
    }
  }

  #at(event: PointerEvent): Point {
    const box = this.picture?.getBoundingClientRect();
    return box && box.width > 0 && box.height > 0
      ? [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height]
      : [0, 0];
  }

  #cellAt([x, y]: Point): { column: number; row: number } {
    const rows = this.draft.current?.rows ?? [];
    return { column: Math.floor(x * (rows[0]?.length ?? 1)), row: Math.floor(y * rows.length) };
  }

  #press(event: PointerEvent) {
    if (this.drawing) {
      this.drawing = [...this.drawing, this.#at(event)];
    } else if (this.draft.current?.shape === 'cells') {
      const { column, row } = this.#cellAt(this.#at(event));
      const on = this.draft.current.rows[row]?.[column] !== '#';
      this.draft.paintCell(this.draft.selected, column, row, on);
      this.#hold(event, { what: 'cells', on, moved: true });
    }
  }

  #grab(event: PointerEvent, index: number, corner?: number) {
    if (this.drawing) {
      return;
    }
    event.stopPropagation();
    this.draft.selected = index;
    if (this.draft.current?.shape === 'cells') {
      this.#press(event);
    } else if (corner === undefined) {
      this.#hold(event, { what: 'area', last: this.#at(event), moved: false });
    } else {
      this.#hold(event, { what: 'corner', corner, moved: false });
    }
  }

  #hold(event: PointerEvent, drag: Drag) {
    this.#drag = drag;
    this.picture?.setPointerCapture(event.pointerId);
  }

  #move(event: PointerEvent) {
    const drag = this.#drag;
    if (!drag) {
      return;
    }
    const now = this.#at(event);
    const index = this.draft.selected;
    if (drag.what === 'cells') {
      const { column, row } = this.#cellAt(now);
      this.draft.paintCell(index, column, row, drag.on, true);
    } else if (drag.what === 'corner') {
      this.draft.movePoint(index, drag.corner, now, drag.moved);
    } else {
      this.draft.moveBy(index, now[0] - drag.last[0], now[1] - drag.last[1], drag.moved);
      drag.last = now;
    }
    drag.moved = true;
  }

  #nudge(event: KeyboardEvent, index: number, corner?: number) {
    const by = NUDGES[event.key];
    if (by) {
      event.preventDefault();
      const step = event.shiftKey ? 0.05 : 0.01;
      this.#shift(index, corner, [by[0] * step, by[1] * step]);
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      if (corner === undefined) {
        this.draft.remove(index);
      } else {
        this.draft.removePoint(index, corner);
      }
    } else if (event.key === '+' && corner !== undefined) {
      this.draft.splitEdge(index, corner);
    }
  }

  #shift(index: number, corner: number | undefined, [dx, dy]: Point) {
    this.draft.selected = index;
    if (corner === undefined) {
      this.draft.moveBy(index, dx, dy);
      return;
    }
    const place = this.draft.areas[index]?.points[corner];
    if (place) {
      this.draft.movePoint(index, corner, [place[0] + dx, place[1] + dy]);
    }
  }
}
