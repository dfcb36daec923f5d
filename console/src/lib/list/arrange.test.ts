import { describe, expect, test } from 'vitest';
import { arranged, columnsOf, direction, table, turned, type ListColumn } from './arrange';

interface Row {
  name: string;
  slow?: number;
  note: string;
}

const COLUMNS: ListColumn<Row>[] = [
  { key: 'name', title: 'Name', value: (r) => r.name },
  { key: 'slow', title: 'Clock', value: (r) => r.slow },
  { key: 'note', title: 'Note', value: (r) => r.note, aside: true },
];
const ROWS: Row[] = [
  { name: 'pier-10', slow: 9, note: 'b' },
  { name: 'Pier-2', note: '=1+1' },
  { name: 'hall-1', slow: -40, note: 'a, "b"' },
];
const ALL = ['name', 'slow', 'note'];
const names = (rows: Row[]) => rows.map((r) => r.name);

describe('the rows of a list', () => {
  test('go by numbers in names and by numbers as numbers, either way', () => {
    const by = (sort: string) => names(arranged(ROWS, COLUMNS, { columns: ALL, sort, words: '' }));
    expect(by('name')).toEqual(['hall-1', 'Pier-2', 'pier-10']);
    expect(by('-name')).toEqual(['pier-10', 'Pier-2', 'hall-1']);
    expect(by('slow')).toEqual(['hall-1', 'pier-10', 'Pier-2']);
    expect(by('-slow'), 'what is not known comes last here too').toEqual(['pier-10', 'hall-1', 'Pier-2']);
    expect(by('of-no-column')).toEqual(names(ROWS));
  });

  test('are those that have every word in some column shown', () => {
    const with_ = (words: string, columns = ALL) =>
      names(arranged(ROWS, COLUMNS, { columns, sort: '', words }));
    expect(with_('PIER')).toEqual(['pier-10', 'Pier-2']);
    expect(with_('pier 9')).toEqual(['pier-10']);
    expect(with_('a,', ['name', 'slow']), 'a column that is not shown').toEqual([]);
    expect(with_('  ')).toEqual(names(ROWS));
  });

  test('may go by what words mean', () => {
    const grave: ListColumn<Row>[] = [
      { key: 'n', title: '', value: (r) => r.note, order: (r) => -r.name.length },
    ];
    expect(names(arranged(ROWS, grave, { columns: ['n'], sort: 'n', words: '' }))[0]).toBe('pier-10');
  });
});

describe('the columns of a list', () => {
  test('are what the address says, else what was kept, else those that are not aside', () => {
    expect(columnsOf(COLUMNS, undefined, undefined)).toEqual(['name', 'slow']);
    expect(columnsOf(COLUMNS, undefined, ['note'])).toEqual(['note']);
    expect(columnsOf(COLUMNS, 'note,name', ['slow']), 'in the order of the list').toEqual(['name', 'note']);
    expect(columnsOf(COLUMNS, 'gone', undefined), 'never none').toEqual(['name', 'slow']);
  });

  test('sort up, down and not', () => {
    expect(turned('', 'name')).toBe('name');
    expect(turned('name', 'name')).toBe('-name');
    expect(turned('-name', 'name')).toBe('');
    expect(turned('-name', 'slow')).toBe('slow');
    expect(direction('-name', 'name')).toBe('descending');
    expect(direction('', 'name')).toBe('none');
  });
});

test('a file holds what is seen, by the names of the interface, and no formula', () => {
  expect(table(ROWS, COLUMNS, ['name', 'note', 'slow'])).toBe(
    'name,slow,note\npier-10,9,b\nPier-2,,\'=1+1\nhall-1,-40,"a, ""b"""\n',
  );
});
