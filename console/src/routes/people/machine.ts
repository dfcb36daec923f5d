/** The machine that a browser says it runs on, which stands in the first brackets; else its own name. */
export function machineOf(program: string): string {
  return /\(([^()]+)\)/.exec(program)?.[1] ?? (program.split(/[\s/]/)[0] || 'unknown');
}
