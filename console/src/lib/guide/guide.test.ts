import { describe, expect, test } from 'vitest';
import { wordOf } from './of-settings';
import { around, PAGES, searching, SHELVES } from './pages';
import { WORDS } from './words';

const SOURCES = import.meta.glob<string>(['../../**/*.svelte'], {
  eager: true,
  query: '?raw',
  import: 'default',
});

describe('the guide', () => {
  test('has every page on one shelf, and no link within it leads nowhere', () => {
    const shelved = SHELVES.flatMap((s) => s.pages);
    expect([...shelved].sort()).toEqual([...PAGES.keys()].filter((n) => n !== 'README').sort());
    for (const [name, page] of PAGES) {
      for (const [, to, place] of page.html.matchAll(/href="\/guide\/([\w-]+)(?:#([^"]*))?"/g)) {
        const target = PAGES.get(to ?? '');
        expect(target, `${name} leads to ${to}`).toBeDefined();
        if (place) {
          expect(
            target?.sections.map((s) => s.id),
            `${name} leads to ${to}`,
          ).toContain(place);
        }
      }
    }
  });

  test('is searched by headings first, by beginnings, and in spite of a slip', () => {
    const search = searching(PAGES);
    expect(search('threshold')[0]?.section.head).toMatch(/threshold/i);
    expect(search('honour')[0]).toMatchObject({ page: 'words' });
    expect(search('senstivity').length).toBeGreaterThan(0);
    expect(search('backup').map((h) => h.page)).toContain('7-bad-day');
    expect(search('xyzzyplugh')).toEqual([]);
    expect(search('')).toEqual([]);
  });

  test('shows what stands around a word', () => {
    const text = 'one '.repeat(60) + 'needle ' + 'two '.repeat(60);
    expect(around(text, 'NEEDLE')).toMatch(/^… .*needle.* …$/);
    expect(around('short', 'nothing')).toBe('short');
  });
});

describe('a word of the domain', () => {
  test('has one sentence and a picture with words for those who do not see it', () => {
    expect(WORDS.size).toBeGreaterThan(10);
    for (const word of WORDS.values()) {
      expect(word.picture, word.head).toMatch(/\.svg$/);
      expect(word.alt.length, word.head).toBeGreaterThan(20);
      expect(word.text, word.head).toMatch(/^[A-Z][^.]*\.$/);
    }
  });

  test('that a view explains is one that there is', () => {
    const asked = Object.values(SOURCES).flatMap((source) =>
      [...source.matchAll(/<Word\s+of="([^"]*)"/g)].map((found) => found[1] ?? ''),
    );
    expect(asked.length).toBeGreaterThan(5);
    expect(asked.filter((of) => !WORDS.has(of))).toEqual([]);
    for (const key of ['motion.sensitivity', 'motion.threshold', 'recording.week', 'motion.areas']) {
      expect(WORDS.has(wordOf(key) ?? ''), key).toBe(true);
    }
    expect(wordOf('recording.store')).toBeUndefined();
  });
});
