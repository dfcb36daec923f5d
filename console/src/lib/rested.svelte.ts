/** A value that is typed, as it was when typing last rested; nothing before the first rest. */
export function rested<T>(value: () => T, millis: number): { readonly current: T | undefined } {
  let current = $state.raw<T>();
  $effect(() => {
    const now = value();
    const timer = setTimeout(() => (current = now), millis);
    return () => clearTimeout(timer);
  });
  return {
    get current() {
      return current;
    },
  };
}
