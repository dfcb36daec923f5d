/** Light, dark, or as the system says. */
export type Theme = 'system' | 'light' | 'dark';

const KEY = 'choir.theme';

export function theme(): Theme {
  const kept = localStorage.getItem(KEY);
  return kept === 'light' || kept === 'dark' ? kept : 'system';
}

export function apply(chosen: Theme): void {
  if (chosen === 'system') {
    localStorage.removeItem(KEY);
    delete document.documentElement.dataset.theme;
  } else {
    localStorage.setItem(KEY, chosen);
    document.documentElement.dataset.theme = chosen;
  }
}
