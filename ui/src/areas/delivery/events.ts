/** What an event is called where that is not its own name. */
const called: Record<string, string> = {
  started: 'begun',
  'ran out': 'time ran out',
  'closed by staff': 'closed by staff',
  placed: 'placed here',
};

export const eventWords = (kind: string): string => called[kind] ?? kind;
