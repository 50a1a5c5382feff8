/** A stem in words alone, to call its answers by. */
export const stemWords = (stem: string) =>
  stem
    .replace(/!\[([^\]]*)\]\([^)]*\)/g, '$1')
    .replace(/\[([^\]]*)\]\([^)]*\)/g, '$1')
    .replace(/[*_`$^~\\]/g, '')
    .replace(/\s+/g, ' ')
    .trim();
