import { flushSync } from 'svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { click, drag, one, press, show, type } from '../../testing/page';
import { AreaDraft, areasOf } from './area-draft.svelte';
import AreaEditor from './AreaEditor.svelte';

const SQUARE = { watch: 'gate', rectangle: [[0.2, 0.2], [0.6, 0.6]] }; // prettier-ignore

interface Asked {
  signal: AbortSignal;
  answer: (found: unknown) => void;
  refuse: (error: Error) => void;
}

const asked = vi.hoisted((): Asked[] => []);
vi.mock('../../api/client', () => ({
  ask: (call: unknown) => call,
  api: {
    POST: (_: string, { signal }: { signal: AbortSignal }) =>
      new Promise((answer, refuse) => {
        asked.push({ signal, answer, refuse });
      }),
  },
}));

describe('the editor of areas', () => {
  beforeEach(() => {
    asked.length = 0;
    vi.useFakeTimers();
  });
  afterEach(() => vi.useRealTimers());

  const editor = (...said: unknown[]) => {
    const draft = new AreaDraft(areasOf(said));
    const page = show(AreaEditor, { draft, camera: 'north/1' });
    return { draft, page, svg: one(page, 'svg') };
  };
  const rest = async (millis: number) => {
    await vi.advanceTimersByTimeAsync(millis);
    flushSync();
  };

  it('draws a polygon corner by corner, and gives up one of two corners', () => {
    const { draft, page, svg } = editor();
    click(page, 'Draw a polygon');
    drag(svg, [144, 100]);
    drag(svg, [720, 100]);
    press(document.body, 'Enter');
    expect(draft.areas).toHaveLength(0);
    click(page, 'Draw a polygon');
    drag(svg, [144, 100]);
    drag(svg, [720, 100]);
    drag(svg, [720, 900]);
    press(document.body, 'Enter');
    expect(draft.current?.points).toEqual([
      [0.1, 0.1],
      [0.5, 0.1],
      [0.5, 0.9],
    ]);
    click(page, 'Draw a polygon');
    drag(svg, [10, 10]);
    drag(svg, [20, 10]);
    drag(svg, [20, 20]);
    press(document.body, 'Escape');
    expect(draft.areas).toHaveLength(1);
  });

  it('drags a corner and an area, each as one step', () => {
    const { draft, page } = editor(SQUARE);
    drag(one(page, 'circle'), [288, 200], [400, 300], [432, 300]);
    expect(draft.current?.points[0]).toEqual([0.3, 0.3]);
    draft.undo();
    flushSync();
    expect(draft.current?.points[0]).toEqual([0.2, 0.2]);
    drag(one(page, 'polygon[role=button]'), [500, 400], [572, 400], [644, 450]);
    expect(draft.current?.points).toEqual([
      [0.3, 0.25],
      [0.7, 0.65],
    ]);
    draft.undo();
    expect(draft.canUndo).toBe(false);
  });

  it('moves with arrows, adds a corner with plus, and takes away with Delete', () => {
    const { draft, page } = editor({ watch: 'gate', polygon: [[0.1, 0.1], [0.5, 0.1], [0.3, 0.5]] }); // prettier-ignore
    press(one(page, 'polygon[role=button]'), 'ArrowRight', { shiftKey: true });
    expect(draft.current?.points[0]).toEqual([0.15, 0.1]);
    press(one(page, 'circle'), '+');
    expect(draft.current?.points).toHaveLength(4);
    press(one(page, 'circle'), 'ArrowDown');
    expect(draft.current?.points[0]).toEqual([0.15, 0.11]);
    press(one(page, 'circle'), 'Delete');
    expect(draft.current?.points).toHaveLength(3);
    press(one(page, 'polygon[role=button]'), 'Backspace');
    expect(draft.areas).toHaveLength(0);
    press(document.body, 'z', { ctrlKey: true });
    expect(draft.areas).toHaveLength(1);
  });

  it('leaves keys to a field that is being typed in', () => {
    const { draft, page } = editor(SQUARE);
    type(one(page, 'input.field'), 'front gate');
    expect(draft.current?.name).toBe('front gate');
    press(one(page, 'input.field'), 'z', { ctrlKey: true });
    expect(draft.current?.name).toBe('front gate');
  });

  it('paints cells with one sweep, all on or all off as the first', () => {
    const { draft, svg } = editor({ watch: 'door', cells: ['....', '#...'] });
    drag(svg, [100, 100], [500, 100], [1400, 100]);
    expect(draft.current?.rows).toEqual(['##.#', '#...']);
    drag(svg, [100, 900], [100, 100]);
    expect(draft.current?.rows).toEqual(['.#.#', '....']);
    draft.undo();
    expect(draft.current?.rows).toEqual(['##.#', '#...']);
  });

  it('asks once what the recorder would hold, and never shows an answer to an older drawing', async () => {
    const { draft, page } = editor(SQUARE);
    await rest(250);
    expect(asked).toHaveLength(1);
    draft.moveBy(0, 0.1, 0);
    flushSync();
    draft.moveBy(0, 0.1, 0);
    flushSync();
    await rest(250);
    expect(asked).toHaveLength(2);
    expect(asked[0]?.signal.aborted).toBe(true);
    asked[1]?.answer({ cells: ['#.', '..'], approximated: 'to cells', cannot: '' });
    asked[0]?.answer({ cells: ['..', '..'], approximated: 'older', cannot: '' });
    await rest(10);
    expect(page.querySelectorAll('rect[fill^="url"]')).toHaveLength(3);
    expect(page.textContent).toContain('Approximated: to cells.');
    expect(page.textContent).not.toContain('older');
  });

  it('says why the service refuses and hatches nothing then', async () => {
    const { draft, page } = editor(SQUARE);
    await rest(250);
    asked[0]?.answer({ cells: ['#.'], approximated: '', cannot: '' });
    await rest(10);
    expect(page.querySelectorAll('rect[fill^="url"]')).toHaveLength(1);
    draft.change(0, { name: '' });
    flushSync();
    await rest(250);
    asked[1]?.refuse(new Error('an area needs a name'));
    await rest(10);
    expect(one(page, '[role=alert]').textContent).toBe('an area needs a name');
    expect(page.querySelectorAll('rect[fill^="url"]')).toHaveLength(0);
  });

  it('speaks of an area of another layer, and gives it a shape of its own', () => {
    const draft = new AreaDraft([]);
    const origins = [{ template: 'yard', text: 'yard' }];
    const inherited = [{ name: 'gate', kind: 'watch', shape: 'rectangle', points: [[0, 0], [0.5, 0.5]], origins }]; // prettier-ignore
    const page = show(AreaEditor, { draft, camera: 'north/1', inherited: inherited as never });
    one<HTMLButtonElement>(page, 'p button').click();
    flushSync();
    expect(draft.said).toEqual([{ area: 'gate' }]);
    click(page, 'Add a rectangle');
    expect(draft.areas).toHaveLength(1);
    expect(draft.current?.shape).toBe('rectangle');
  });
});
