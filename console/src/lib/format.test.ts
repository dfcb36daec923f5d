import { describe, expect, it } from 'vitest';
import { ago, count, duration, groupName, groupTerm } from './format';

describe('words', () => {
  it('tell ages in the unit that fits', () => {
    const now = new Date('2026-05-01T12:00:00Z');
    expect(ago('2026-05-01T11:59:40Z', now)).toBe('just now');
    expect(ago('2026-05-01T11:15:00Z', now)).toBe('45 min ago');
    expect(ago('2026-04-29T13:00:00Z', now)).toBe('47 h ago');
    expect(ago('2026-04-20T12:00:00Z', now)).toBe('11 days ago');
    expect(ago(undefined, now)).toBe('never');
  });

  it('tell durations and counts', () => {
    expect(duration(45)).toBe('45 min');
    expect(duration(1440)).toBe('24 h');
    expect(duration(1475)).toBe('24 h 35 min');
    expect(duration(108_485)).toBe('1,808 h');
    expect(count(1, 'camera')).toBe('1 camera');
    expect(count(1200, 'camera')).toBe('1,200 cameras');
  });

  it('leave the root out of groups', () => {
    expect(groupName('fleet/terminals/haldr')).toBe('terminals / haldr');
    expect(groupTerm('fleet/terminals/haldr')).toBe('group:terminals/haldr');
    expect(groupTerm('fleet')).toBe('');
  });
});
