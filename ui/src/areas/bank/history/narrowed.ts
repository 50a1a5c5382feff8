/** What of a bank's history is looked at. */
export const whats = [
  { value: '', words: 'the bank as a whole' },
  { value: 'saves', words: 'single questions' },
  { value: 'thrown away', words: 'the wastebasket' },
  { value: 'intake', words: 'what came in' },
  { value: 'questions', words: 'many questions at once' },
  { value: 'objectives', words: 'objectives' },
  { value: 'pool', words: 'pools' },
  { value: 'order', words: 'the order of questions' },
  { value: 'merge', words: 'merged questions' },
  { value: 'apart', words: 'questions kept apart' },
  { value: 'settings', words: 'settings' },
] as const;

export interface Narrowed {
  what: (typeof whats)[number]['value'];
  who: string;
  days: string;
}

/** So many are told at once. */
export const page = 50;

/** As the server is asked. */
export function asked({ what, who, days }: Narrowed, today = new Date()) {
  const since = new Date(today.getFullYear(), today.getMonth(), today.getDate() - Number(days));
  const day = `${since.getFullYear()}-${String(since.getMonth() + 1).padStart(2, '0')}-${String(since.getDate()).padStart(2, '0')}`;
  return {
    ...(who === '' ? {} : { who: Number(who) }),
    ...(days === '' ? {} : { since: day }),
    ...(what === '' || what === 'saves' ? {} : { kind: what }),
  };
}
