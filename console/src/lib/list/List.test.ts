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

function list(n: number, more: Record<string, unknown> = {}): HTMLElement {
  return show(List as unknown as Component<Record<string, unknown>>, {
    name: 'things',
    unit: 'thing',
    rows: rows(n),
    columns: COLUMNS,
    of: (r: Row) => r.name,
    ...more,
  });
}
const column = (page: HTMLElement, nth: number) =>
  [...page.querySelectorAll(`tbody td:nth-child(${nth})`)].map((c) => c.textContent.trim());
/** What the file holds that a list is taken as. */
async function taken(page: HTMLElement): Promise<string> {
  const file = new Promise<Blob>((done) => {
    URL.createObjectURL = (b) => (done(b as Blob), 'blob:of-the-test');
  });
  URL.revokeObjectURL = () => undefined;
  HTMLAnchorElement.prototype.click = () => undefined;
  click(page, 'Take as a file');
  const reader = new FileReader();
  return new Promise((done) => {
    reader.onload = () => done(String(reader.result));
    void file.then((f) => reader.readAsText(f));
  });
}
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
  const text = await taken(page);
  expect(text.trim().split('\n')).toHaveLength(1001);
  expect(text.split('\n')[0]).toBe('name,size');
});

test('one of several on its page keeps its order apart from theirs, and a short one is no more than its rows', async () => {
  expect(list(3, { part: true }).querySelector('details')).toBeNull();
  const page = list(20, { part: true });
  click(page, 'Size');
  await settled();
  flushSync();
  expect(location.search).toContain('things-sort=size');
  expect(page.querySelector('details')).not.toBeNull();
});

test('where more is kept than is shown the file holds all of it', async () => {
  const text = await taken(list(3, { whole: () => Promise.resolve(rows(5)) }));
  expect(text.trim().split('\n').sort()).toEqual(['name,size', 'r-0,0', 'r-1,2', 'r-2,4', 'r-3,1', 'r-4,3']);
});

test('what could not be fetched for a file is said', async () => {
  const page = list(3, { whole: () => Promise.reject(new Error('the service is away')) });
  click(page, 'Take as a file');
  await settled();
  flushSync();
  expect(page.textContent).toContain('the service is away');
});

test('a cell says in words what its value is, and both are found', async () => {
  const columns = [{ ...COLUMNS[0], text: (r: Row) => `thing ${r.name}` }, COLUMNS[1]];
  const page = list(20, { columns });
  expect(column(page, 1)[0]).toBe('thing r-0');
  const words = one<HTMLInputElement>(page, 'input[type=search]');
  words.value = 'THING r-19';
  words.dispatchEvent(new Event('input', { bubbles: true }));
  await settled();
  flushSync();
  expect(column(page, 1)).toEqual(['thing r-19']);
});
