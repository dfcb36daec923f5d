import { describe, expect, it } from 'vitest';
import { TemplateDraft, weekLines, weekValue, words } from './template-draft.svelte';

const TEXT = `template: quay
extends: house
motion:
  # the pier head is far away
  threshold: 0.6%
recording:
  week:
    - daily: motion
    - mon-fri 05:30-09:30: continuous
fixed:
  - motion.threshold
`;

describe('a template being worked on', () => {
  it('reads its values and keeps comments when one is written', () => {
    const draft = new TemplateDraft(TEXT);
    expect(draft.get('motion.threshold')).toBe('0.6%');
    expect(draft.base).toBe('house');
    draft.set('motion.sensitivity', 60);
    expect(draft.text).toContain('# the pier head is far away');
    expect(draft.text).toContain('sensitivity: 60');
    expect(draft.changed).toBe(true);
    draft.undo();
    expect(draft.text).toBe(TEXT);
    expect(draft.changed).toBe(false);
  });

  it('a section that loses its last value goes with it', () => {
    const draft = new TemplateDraft(TEXT);
    draft.clear('motion.threshold');
    expect(draft.text).not.toContain('motion:');
    draft.set('response.mail', 'watch@skerry.example');
    expect(draft.get('response.mail')).toBe('watch@skerry.example');
  });

  it('fixes and frees a setting', () => {
    const draft = new TemplateDraft(TEXT);
    expect(draft.isFixed('motion.threshold')).toBe(true);
    draft.fix('recording.week', true);
    draft.fix('motion.threshold', false);
    expect(draft.isFixed('recording.week')).toBe(true);
    draft.fix('recording.week', false);
    expect(draft.text).not.toContain('fixed');
  });

  it('drops what farther layers say, until something is said here again', () => {
    const draft = new TemplateDraft(TEXT);
    draft.unset('recording.week', true);
    expect(draft.isUnset('recording.week')).toBe(true);
    expect(draft.get('recording.week')).toBeUndefined();
    expect(draft.text).not.toContain('recording:');
    draft.set('recording.week', weekValue('daily motion', false));
    expect(draft.text).not.toContain('unset');
    draft.unset('recording.week', true);
    draft.unset('recording.week', false);
    expect(draft.text).not.toContain('unset');
  });

  it('changes its title and its base, and leaves them out when they are empty', () => {
    const draft = new TemplateDraft(TEXT);
    draft.title = 'Open quays';
    draft.base = '';
    expect(draft.title).toBe('Open quays');
    expect(draft.text).not.toContain('extends');
    draft.base = 'house';
    expect(draft.base).toBe('house');
  });

  it('a week goes over into lines and back', () => {
    const draft = new TemplateDraft(TEXT);
    const lines = weekLines(draft.get('recording.week'));
    expect(lines).toEqual({ text: 'daily motion\nmon-fri 05:30-09:30 continuous', replace: false });
    draft.set('recording.week', weekValue(lines.text, true));
    expect(weekLines(draft.get('recording.week'))).toEqual({ ...lines, replace: true });
    expect(weekLines('daily motion; sun none').text).toBe('daily motion\nsun none');
  });

  it('a text that is no YAML is told, and writing waits until it is', () => {
    const draft = new TemplateDraft('template: [');
    expect(draft.fault).not.toBe('');
    draft.set('motion.log', 'on');
    expect(draft.text).toBe('template: [');
    expect(words({ holidays: 'daily none' })).toBe('holidays: daily none');
  });
});
