import { flushSync, type Component } from 'svelte';
import { beforeEach, expect, test } from 'vitest';
import { click, one, press, show } from '../testing/page';
import type { ListColumn } from './arrange';
import List from './List.svelte';

interface Row {
  name: string;
  size: number;
}
const COLUMNS: ListColumn<Row>[] = [
  { key: 'name', title: 'Name', value: (r) => r.name },
  { key: 'size', title: 'Size', value: (r) => r.size },
];
const rows = (n: number): Row[] =>
  Array.from({ length: n }, (_, i) => ({ name: `r-${i}`, size: (i * 7) % n }));

function list(n: number): HTMLElement {
  return show(List as unknown as Component<Record<string, unknown>>, {
    name: 'things',
    unit: 'thing',
    rows: rows(n),
    columns: COLUMNS,
    of: (r: Row) => r.name,
  });
}
const column = (page: HTMLElement, nth: number) =>
  [...page.querySelectorAll(`tbody td:nth-child(${nth})`)].map((c) => c.textContent.trim());
const settled = () => new Promise((done) => setTimeout(done, 20));

beforeEach(() => {
  localStorage.clear();
  history.replaceState(null, '', '/recorders');
});

test('a list is put in order by its heads, says so in its address, and keeps it', async () => {
  const page = list(20);
  click(page, 'Size');
  await settled();
  flushSync();
  expect(column(page, 2).slice(0, 3)).toEqual(['0', '1', '2']);
  expect(one(page, 'th:nth-child(2)').getAttribute('aria-sort')).toBe('ascending');
  expect(location.search).toContain('sort=size');
  history.replaceState(null, '', '/recorders');
  expect(column(list(20), 2).slice(0, 3), 'when it is opened anew').toEqual(['0', '1', '2']);
});

test('a column goes and comes back, and the last one stays', async () => {
  const page = list(3);
  const boxes = () => [...page.querySelectorAll<HTMLInputElement>('fieldset input')];
  boxes()[0]?.click();
  await settled();
  flushSync();
  expect(page.querySelectorAll('th')).toHaveLength(1);
  expect(boxes()[1]?.disabled).toBe(true);
  boxes()[0]?.click();
  await settled();
  flushSync();
  expect(page.querySelectorAll('th')).toHaveLength(2);
});

test('widths are set by keys, and forgotten', () => {
  const page = list(3);
  press(one(page, 'th button'), 'ArrowRight', { shiftKey: true });
  expect(one(page, 'th').style.width).toMatch(/px$/);
  expect(one(page, 'table').className).toContain('table-fixed');
  click(page, 'Widths as they were');
  expect(one(page, 'th').style.width).toBe('');
});

test('of very many rows a part is drawn, and a file holds all', async () => {
  const page = list(1000);
  expect(page.querySelectorAll('tbody tr')).toHaveLength(300);
  click(page, '300 more things of 1,000');
  expect(page.querySelectorAll('tbody tr')).toHaveLength(600);
  let file = new Blob();
  URL.createObjectURL = (b) => ((file = b as Blob), 'blob:of-the-test');
  URL.revokeObjectURL = () => undefined;
  HTMLAnchorElement.prototype.click = () => undefined;
  click(page, 'Take as a file');
  const text = await new Promise<string>((done) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.readAsText(file);
  });
  expect(text.trim().split('\n')).toHaveLength(1001);
  expect(text.split('\n')[0]).toBe('name,size');
});
