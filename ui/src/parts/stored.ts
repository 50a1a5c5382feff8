/** What this browser keeps under a key; null where it keeps nothing, or nothing that can be read. */
export function stored(key: string): unknown {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null');
  } catch {
    return null;
  }
}
