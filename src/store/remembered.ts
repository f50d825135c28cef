/** Small habits that are kept in this browser, such as how a table is read. Losing them loses nothing of a project. */
const PREFIX = 'intarsia.habit.';

export function recall<T>(key: string): T | undefined {
  try {
    const text = window.localStorage.getItem(PREFIX + key);
    return text === null ? undefined : (JSON.parse(text) as T);
  } catch {
    return undefined;
  }
}

export function remember(key: string, value: unknown): void {
  try {
    window.localStorage.setItem(PREFIX + key, JSON.stringify(value));
  } catch {
    // A browser without storage forgets; nothing else depends on it.
  }
}
