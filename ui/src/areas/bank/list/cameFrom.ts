/** The list that a question was opened from, so that "next" goes on in it. Kept for this tab. */
export interface CameFrom {
  ids: number[];
  words: string;
  path: string;
}

const shelf = 'zetema:list';

export function remember(list: CameFrom) {
  sessionStorage.setItem(shelf, JSON.stringify(list));
}

export function cameFrom(id: number): CameFrom | null {
  const kept = sessionStorage.getItem(shelf);
  const list = kept === null ? null : (JSON.parse(kept) as CameFrom);
  return list?.ids.includes(id) ? list : null;
}
