/** What stands under a name, and nothing that every object has. */
export function named<T>(list: Record<string, T>, name: string): T | undefined {
  return Object.hasOwn(list, name) ? list[name] : undefined;
}

/** A name as it was before it went into an address; one that is no such thing stays as it is. */
export function decoded(name: string): string {
  try {
    return decodeURIComponent(name);
  } catch {
    return name;
  }
}
