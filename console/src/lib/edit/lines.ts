export interface Line {
  kind: 'same' | 'gone' | 'new';
  text: string;
}

/** Two texts line by line, by the longest common subsequence (Wagner and Fischer 1974). */
export function compare(before: string, after: string): Line[] {
  const a = before.split('\n');
  const b = after.split('\n');
  const table = Array.from({ length: a.length + 1 }, () => new Uint32Array(b.length + 1));
  for (let i = a.length - 1; i >= 0; i--) {
    for (let j = b.length - 1; j >= 0; j--) {
      table[i]![j] =
        a[i] === b[j] ? table[i + 1]![j + 1]! + 1 : Math.max(table[i + 1]![j]!, table[i]![j + 1]!);
    }
  }
  const lines: Line[] = [];
  let i = 0;
  let j = 0;
  while (i < a.length || j < b.length) {
    if (i < a.length && j < b.length && a[i] === b[j]) {
      lines.push({ kind: 'same', text: a[i]! });
      i++;
      j++;
    } else if (i < a.length && (j >= b.length || table[i + 1]![j]! >= table[i]![j + 1]!)) {
      lines.push({ kind: 'gone', text: a[i++]! });
    } else {
      lines.push({ kind: 'new', text: b[j++]! });
    }
  }
  return lines;
}
