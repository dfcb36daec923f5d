/** Weeks, special days and areas have an editor that needs room. */
export function isLarge(kind: string): boolean {
  return ['week', 'levels', 'special-days', 'areas'].includes(kind);
}
