import { commands, lowered, raised } from './signs.gen';

/** Deeper formulas are rare, and stand with their braces. */
const NESTED = 12;

/** A text in words alone, in one line: for names that are read out and for what cannot draw. As the lists of the API have it. */
export const inWords = (text: string) =>
  text
    .split(/(?<!\\)\$(?=\S)([^$\n]+?)(?<=\S)\$(?!\d)/u)
    .map((piece, i) => (i % 2 === 1 ? formula(piece) : unmarked(piece)))
    .join('')
    .replace(/\s+/gu, ' ')
    .trim();

const unmarked = (text: string) =>
  text
    .replace(/!?\[([^\]]*)\]\([^()\s]*\)/gu, '$1')
    .replace(/(?<!\\)\^([^\s^]{1,40})\^/gu, (_, signs: string) => moved(signs, raised, ''))
    .replace(/(?<!\\)~([^\s~]{1,40})~/gu, (_, signs: string) => moved(signs, lowered, ''))
    .replace(/(?<!\\)[*`]+/gu, '')
    .replace(/\\([\\*`^~$])/gu, '$1');

function formula(tex: string): string {
  let text = tex;
  for (let deep = 0, before = ''; before !== text && deep < NESTED; deep++) {
    before = text;
    text = text
      .replace(/\\[dt]?frac\s*\{([^{}]*)\}\s*\{([^{}]*)\}/gu, (_, above: string, below: string) => `${grouped(above)}/${grouped(below)}`)
      .replace(
        /\\sqrt\s*(?:\[([^\][{}]*)\])?\s*\{([^{}]*)\}/gu,
        (_, root: string | undefined, of: string) => `${moved(root ?? '', raised, '')}√${grouped(of)}`,
      )
      .replace(/([\^_])\s*\{([^{}]*)\}/gu, (_, mark: string, signs: string) => moved(signs, mark === '^' ? raised : lowered, mark))
      .replace(/(\\(?![dt]?frac|sqrt)[a-zA-Z]+)\s*\{([^{}]*)\}/gu, '$1 $2');
  }
  return text
    .replace(/\\[dt]?frac\s*(\d)\s*(\d)/gu, '$1/$2')
    .replace(/([\^_])\s*([0-9n+−-])/gu, (_, mark: string, sign: string) => moved(sign, mark === '^' ? raised : lowered, mark))
    .replace(/\\([a-zA-Z]+)\s*/gu, (_, word: string) => commands[word] ?? `${word} `)
    .replace(/\\[,;:! ]/gu, ' ')
    .replace(/\\(.)/gu, '$1')
    .replace(/\^°/gu, '°')
    .replace(/[{}]/gu, '')
    .replace(/\s+/gu, ' ')
    .trim();
}

/** @param mark what stands before signs that have no raised or lowered form */
function moved(signs: string, places: Record<string, string>, mark: string): string {
  const all = Array.from(signs, (sign) => places[sign]);
  return all.includes(undefined) ? (mark === '' ? signs : mark + grouped(signs)) : all.join('');
}

const grouped = (text: string) => (/^(?:√?\([^()]*\)|√?\\?[\p{L}\p{N}.,]*)$/u.test(text.trim()) ? text.trim() : `(${text.trim()})`);
