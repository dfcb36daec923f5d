import { describe, expect, it } from 'vitest';
import { AreaDraft, areasOf, outline } from './area-draft.svelte';

const triangle = () => {
  const draft = new AreaDraft([]);
  draft.add('polygon', 'watch', [
    [0.1, 0.1],
    [0.5, 0.1],
    [0.3, 0.6],
  ]);
  return draft;
};

describe('areas being worked on', () => {
  it('are said as a policy file holds them and read back the same', () => {
    const draft = triangle();
    draft.add('rectangle', 'ignore', [
      [0, 0],
      [1, 0.2],
    ]);
    draft.change(0, { sensitivity: '60', threshold: '0.3%' });
    const read = areasOf(JSON.parse(draft.text));
    expect(read).toEqual(draft.areas);
    expect(draft.said[1]).toEqual({
      ignore: 'ignored',
      rectangle: [
        [0, 0],
        [1, 0.2],
      ],
    });
  });

  it('stop at the edge of the picture and keep their form', () => {
    const draft = triangle();
    draft.moveBy(0, 9, -9);
    expect(draft.current?.points).toEqual([
      [0.6, 0],
      [1, 0],
      [0.8, 0.5],
    ]);
    draft.movePoint(0, 0, [-1, 2]);
    expect(draft.current?.points[0]).toEqual([0, 1]);
  });

  it('gain and lose corners, never fewer than three', () => {
    const draft = triangle();
    draft.splitEdge(0, 0);
    expect(draft.current?.points).toHaveLength(4);
    draft.removePoint(0, 1);
    draft.removePoint(0, 1);
    expect(draft.current?.points).toHaveLength(3);
  });

  it('cells are painted, filled and inverted, and each step can be taken back', () => {
    const draft = new AreaDraft([]);
    draft.add('cells', 'watch', [], 4, 2);
    draft.paintCell(0, 1, 0, true);
    expect(draft.current?.rows).toEqual(['.#..', '....']);
    draft.fill(0, 'invert');
    expect(draft.current?.rows).toEqual(['#.##', '####']);
    draft.undo();
    draft.undo();
    expect(draft.current?.rows).toEqual(['....', '....']);
    draft.paintCell(0, 9, 9, true);
    expect(draft.current?.rows).toEqual(['....', '....']);
  });

  it('a name that was made up goes with the kind, one that was given stays', () => {
    const draft = triangle();
    draft.setKind(0, 'ignore');
    expect(draft.current?.name).toBe('ignored');
    draft.change(0, { name: 'swell' });
    draft.setKind(0, 'watch');
    expect(draft.current?.name).toBe('swell');
  });

  it('a new one gets a name that is free', () => {
    const draft = triangle();
    draft.add('rectangle', 'watch', [
      [0, 0],
      [1, 1],
    ]);
    expect(draft.areas.map((a) => a.name)).toEqual(['watched', 'watched 2']);
    expect(outline(draft.areas[1]!)).toHaveLength(4);
    draft.remove(0);
    expect(draft.current?.name).toBe('watched 2');
  });
});
