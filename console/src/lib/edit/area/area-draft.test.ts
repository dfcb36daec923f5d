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

describe('areas of which only a part is said here', () => {
  const said = [
    { ignore: 'swell' },
    { area: 'door', sensitivity: 70, threshold: '0.4%' },
    { remove: 'street' },
  ];

  it('are kept as they are said while others are drawn', () => {
    const draft = new AreaDraft(areasOf(said));
    draft.add('cells', 'watch', [], 4, 2);
    expect(draft.said.slice(0, 3)).toEqual(said);
    expect(draft.said[3]).toEqual({ watch: 'watched', cells: ['....', '....'] });
  });

  it('can be given a shape, values or be taken away here', () => {
    const draft = new AreaDraft(areasOf(said));
    draft.giveShape(0, 'rectangle', [
      [0, 0.5],
      [1, 1],
    ]);
    expect(draft.said[0]).toEqual({
      ignore: 'swell',
      rectangle: [
        [0, 0.5],
        [1, 1],
      ],
    });
    draft.speakOf('mast', 'remove');
    expect(draft.said.at(-1)).toEqual({ remove: 'mast' });
    draft.setKind(3, 'area');
    expect(draft.said.at(-1)).toEqual({ area: 'mast' });
    draft.take(areasOf([{ watch: 'gate' }]));
    expect(draft.current?.name).toBe('gate');
    draft.undo();
    expect(draft.areas).toHaveLength(4);
  });
});
