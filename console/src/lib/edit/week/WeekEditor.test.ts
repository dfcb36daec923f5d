import { describe, expect, it } from 'vitest';
import { click, drag, one, point, press, show, type } from '../../testing/page';
import WeekEditor from './WeekEditor.svelte';
import { WeekDraft } from './week-draft.svelte';
import { isLevel, isTriggers, ONE_DAY } from './week-text';

const week = (text = '') => {
  const draft = new WeekDraft(text, isTriggers);
  const page = show(WeekEditor, { draft });
  return {
    draft,
    page,
    day: (i: number) => one(page, `[data-day="${i}"]`),
    grid: one(page, '[role=application]'),
  };
};

// A day is as wide as it has minutes here, so a pixel is a minute.
describe('the editor of a week', () => {
  it('paints what is dragged over, in quarters of an hour, as one step', () => {
    const { draft, page, day } = week();
    drag(day(1), [362, 5], [500, 5], [1083, 5]);
    expect(draft.text).toBe('tue 06:00-18:00 continuous');
    click(page, 'Undo');
    expect(draft.text).toBe('');
  });

  it('paints single minutes with Alt, and a quarter of an hour where a click was meant', () => {
    const { draft, day } = week();
    drag(day(0), [600, 5]);
    expect(draft.text).toBe('mon 10:00-10:15 continuous');
    point(day(2), 'pointerdown', { clientX: 61, altKey: true });
    point(day(2), 'pointermove', { clientX: 122, altKey: true });
    point(day(2), 'pointerup');
    expect(draft.text).toContain('wed 01:01-02:02 continuous');
  });

  it('gives up a drag that the system took away, and does not paint for another button', () => {
    const { draft, day } = week();
    point(day(0), 'pointerdown', { clientX: 60 });
    point(day(0), 'pointercancel');
    point(day(0), 'pointerup');
    point(day(0), 'pointerdown', { clientX: 60, button: 2 });
    point(day(0), 'pointerup', { button: 2 });
    expect(draft.text).toBe('');
  });

  it('does with keys all that the pointer does, and says it', () => {
    const { draft, page, grid } = week();
    press(grid, 'ArrowUp');
    press(grid, 'Home');
    press(grid, 'ArrowRight', { shiftKey: true });
    press(grid, 'Enter');
    expect(draft.text).toBe('sun 00:00-00:30 continuous');
    expect(one(page, '[aria-live]').textContent).toBe('sun 00:00 to 00:30 continuous');
    press(grid, 'ArrowLeft');
    press(grid, 'Delete');
    expect(one(page, '[aria-live]').textContent).toContain('erased');
    press(grid, 'z', { ctrlKey: true });
    expect(draft.text).toBe('sun 00:00-00:30 continuous');
    press(grid, 'z', { ctrlKey: true });
    expect(draft.text).toBe('');
    press(grid, 'Z', { ctrlKey: true, shiftKey: true });
    expect(draft.text).toBe('sun 00:00-00:30 continuous');
  });

  it('never leads a key beyond the day', () => {
    const { draft, grid } = week();
    press(grid, 'End');
    for (let i = 0; i < 100; i++) {
      press(grid, 'ArrowRight');
    }
    press(grid, 'Enter');
    expect(draft.text).toBe('mon 23:45-24:00 continuous');
    for (let i = 0; i < 200; i++) {
      press(grid, 'ArrowLeft');
    }
    press(grid, ' ');
    expect(draft.text).toBe('mon 00:00-00:15 continuous\nmon 23:45-24:00 continuous');
  });

  it('takes exact times, over midnight too, and says which cannot be', () => {
    const { draft, page } = week();
    const exact = (from: string, to: string) => {
      type(one(page, '[aria-label=From]'), from);
      type(one(page, '[aria-label^="To;"]'), to);
      click(page, 'Paint');
    };
    for (const [from, to] of [
      ['06:00', '06:00'],
      ['24:00', '06:00'],
      ['6:00', '07:00'],
      ['06:75', '07:00'],
      ['06:00', '25:00'],
    ] as const) {
      exact(from, to);
      expect(one(page, '[aria-live]').textContent, `${from} to ${to}`).toContain('expected two different');
      expect(draft.text).toBe('');
    }
    exact('22:00', '05:30');
    expect(draft.text).toContain('22:00-');
    expect(draft.minutes[1440 + 5 * 60 + 29]).toBe('continuous');
    expect(draft.minutes[5 * 1440 + 5 * 60]).toBe('continuous');
    expect(draft.minutes[5 * 1440 + 5 * 60 + 30]).toBeUndefined();
  });

  it('keeps what was understood while something is typed that cannot be', () => {
    const { draft, page, day } = week('mon continuous');
    type(one(page, 'textarea'), 'mon continuous\ntue nonsense');
    expect(one(page, '[role=alert]').textContent).toContain('Line 2');
    expect(day(0).querySelectorAll('.t-continuous')).toHaveLength(1);
    expect(draft.fault?.line).toBe(2);
  });

  it('paints sensitivities and refuses what is none', () => {
    const draft = new WeekDraft('', isLevel);
    const page = show(WeekEditor, { draft, levels: true });
    type(one(page, 'input.w-16'), '140');
    press(one(page, '[role=application]'), 'Enter');
    expect(draft.text).toBe('');
    expect(one(page, '[aria-live]').textContent).toContain('0 to 100');
    type(one(page, 'input[type=range]'), '35');
    press(one(page, '[role=application]'), 'Enter');
    expect(draft.text).toBe('mon 08:00-08:15 35');
  });

  it('lets nothing of a special day run into the next, nor be erased', () => {
    const draft = new WeekDraft('', isTriggers, ONE_DAY);
    const page = show(WeekEditor, { draft });
    type(one(page, '[aria-label=From]'), '22:00');
    type(one(page, '[aria-label^="To;"]'), '06:00');
    click(page, 'Paint');
    expect(one(page, '[aria-live]').textContent).toContain('ends at midnight');
    const before = draft.text;
    press(one(page, '[role=application]'), 'Delete');
    expect(draft.text).toBe(before);
    expect([...page.querySelectorAll('label')].some((l) => l.textContent.trim() === 'erase')).toBe(false);
  });
});
