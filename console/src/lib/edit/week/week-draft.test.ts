import { describe, expect, it } from 'vitest';
import { WeekDraft } from './week-draft.svelte';
import { isTriggers } from './week-text';

describe('a week being worked on', () => {
  it('painting writes the text and each step can be taken back and again', () => {
    const draft = new WeekDraft('daily motion', isTriggers);
    draft.paint([0, 1], 360, 600, 'continuous');
    expect(draft.text).toContain('mon,tue 06:00-10:00 continuous');
    draft.undo();
    expect(draft.text).toBe('daily motion');
    expect(draft.canUndo).toBe(false);
    draft.redo();
    expect(draft.text).toContain('continuous');
  });

  it('a day is copied to others with its silent minutes', () => {
    const draft = new WeekDraft('mon 06:00-07:00 alarm\nsat motion', isTriggers);
    draft.copyDay(0, [5, 6]);
    expect(draft.text).toBe('sat-mon 06:00-07:00 alarm');
  });

  it('what cannot be understood is a fault with its line, and the drawing keeps what was understood', () => {
    const draft = new WeekDraft('daily motion', isTriggers);
    expect(draft.minutes[0]).toBe('motion');
    draft.type('daily motion\nmon 6-7 alarm');
    expect(draft.fault?.line).toBe(2);
    expect(draft.minutes[0]).toBe('motion');
    draft.type('mon 06:00-07:00 alarm');
    expect(draft.fault).toBeUndefined();
    expect(draft.minutes[0]).toBeUndefined();
  });

  it('a window over midnight on Sunday runs into Monday', () => {
    const draft = new WeekDraft('', isTriggers);
    draft.paint([6], 1320, 240, 'continuous');
    expect(draft.text).toBe('sun 22:00-04:00 continuous');
    expect(draft.minutes[0]).toBe('continuous');
  });
});
