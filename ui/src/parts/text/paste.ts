/** What was pasted, as small Markdown: structure kept, styles dropped; its lines, if it was a list or had several; and what could not come along. */
export interface Pasted {
  text: string;
  lines: string[];
  told: string | null;
  /** A picture by itself, to be taken in. */
  file: File | null;
}

/** Stands for a blank that must stay: the indent of a list within a list. */
const kept = '\u0001';

export function pasted(data: DataTransfer): Pasted {
  const html = data.getData('text/html');
  const plain = data.getData('text/plain').replace(/\r\n?/g, '\n');
  const body = html === '' ? null : new DOMParser().parseFromString(html, 'text/html').body;
  const text = body ? tidy(block(body)) : plain.trim();
  const lines = (text === '' ? plain : text)
    .split('\n')
    .map((line) => line.replace(/^\s*(?:[-*•·–]|\(?[0-9a-zA-Z]{1,2}[.)])\s+/, '').trim())
    .filter((line) => line !== '');
  const pictures = body ? body.querySelectorAll('img').length : 0;
  const file = [...data.files].find((f) => f.type.startsWith('image/')) ?? null;
  const told = [
    body?.querySelector('table') ? 'The table was pasted as lines, its cells parted by “;”.' : '',
    text !== '' && (pictures > 0 || file) ? 'A picture in it was left out; put it in with “picture” above.' : '',
  ]
    .filter((line) => line !== '')
    .join(' ');
  return { text, lines: lines.length > 1 ? lines : [], told: told === '' ? null : told, file: text === '' ? file : null };
}

const tidy = (text: string) =>
  text
    .replace(/[ \t\u00a0]+/g, ' ')
    .replace(/ *\n */g, '\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim()
    .replaceAll(kept, ' ');

const blocks = new Set(['P', 'DIV', 'SECTION', 'ARTICLE', 'H1', 'H2', 'H3', 'H4', 'H5', 'H6', 'BLOCKQUOTE', 'PRE']);
const dropped = new Set(['STYLE', 'SCRIPT', 'META', 'LINK', 'TITLE', 'HEAD', 'IMG', 'OBJECT', 'SVG', 'O:P', 'COL', 'COLGROUP']);

function block(node: Node): string {
  return [...node.childNodes].map(one).join('');
}

function one(node: Node): string {
  if (node.nodeType === Node.TEXT_NODE) return literal((node.textContent ?? '').replace(/\s+/g, ' '));
  if (!(node instanceof HTMLElement) || dropped.has(node.tagName)) return '';
  if (node.tagName === 'BR') return '\n';
  if (node.tagName === 'UL' || node.tagName === 'OL') return `\n${list(node, 0)}\n`;
  if (node.tagName === 'TABLE') return `\n${table(node)}\n`;
  const inside = block(node);
  const item = node.tagName === 'P' ? itemOf(node, inside) : null;
  if (item !== null) return `\n${item}`;
  const before = node.previousElementSibling;
  // What follows a list begins apart from it.
  const isBehindList = before instanceof HTMLElement && before.tagName === 'P' && itemOf(before, block(before)) !== null;
  if (blocks.has(node.tagName)) return `${isBehindList ? '\n\n' : '\n'}${inside.trim()}\n\n`;
  if (inside.trim() === '') return inside;
  if (node.tagName === 'A') return link(node.getAttribute('href') ?? '', inside);
  return emphasised(node, inside);
}

/** A word processor writes the item of a list as a paragraph that begins with its sign, and says in its style how deep it stands. */
function itemOf(node: HTMLElement, inside: string): string | null {
  const style = `${node.getAttribute('style') ?? ''} ${node.className}`;
  const text = inside.replace(/[\s\u00a0]+/g, ' ').trim();
  const [sign = '', mark = ''] = /^([·•◦▪‣∙●○■\uf000-\uf0ff]|[-–o§]|\(?(?:\d{1,2}|[a-zA-Z])[.)]) /.exec(text) ?? [];
  if (sign === '' || (/^[-–o§(\da-zA-Z]/.test(mark) && !/list/i.test(style))) return null;
  const depth = Math.min(5, Number(/level(\d)/.exec(style)?.[1] ?? 1) - 1);
  return `${kept.repeat(3 * depth)}${/\d/.test(mark) ? mark.replace(/^\(?(\d+).*$/, '$1.') : '-'} ${text.slice(sign.length).trim()}`;
}

/** Characters that would mean something here stand for themselves. */
const literal = (text: string) => text.replace(/[\\*`^~$]/g, '\\$&');

function list(node: HTMLElement, depth: number): string {
  const lines: string[] = [];
  let n = 0;
  for (const child of node.children) {
    if (!(child instanceof HTMLElement)) continue;
    if (['UL', 'OL'].includes(child.tagName)) lines.push(list(child, depth + 1));
    if (child.tagName !== 'LI') continue;
    n += 1;
    const own = [...child.childNodes]
      .filter((c) => !isList(c))
      .map(one)
      .join('');
    const below = [...child.children].filter((c): c is HTMLElement => isList(c)).map((c) => list(c, depth + 1));
    lines.push(`${kept.repeat(3 * depth)}${node.tagName === 'OL' ? `${n}.` : '-'} ${tidy(own).replace(/\n+/g, ' ')}`, ...below);
  }
  return lines.join('\n');
}

const isList = (node: Node): boolean => node instanceof HTMLElement && ['UL', 'OL'].includes(node.tagName);

/** A line for each row; cells parted by a semicolon. */
function table(node: HTMLElement): string {
  return [...node.querySelectorAll('tr')]
    .map((row) =>
      [...row.children]
        .map((cell) => tidy(block(cell)).replace(/\n+/g, ' '))
        .filter((cell) => cell !== '')
        .join('; '),
    )
    .filter((line) => line !== '')
    .join('\n');
}

const link = (href: string, words: string) => (/^https?:\/\//.test(href) ? `[${words.trim()}](${href})` : words);

function emphasised(node: HTMLElement, inside: string): string {
  const [, before = '', words = '', after = ''] = /^(\s*)([\s\S]*?)(\s*)$/.exec(inside) ?? [];
  const align = node.style.verticalAlign;
  const raised = node.tagName === 'SUP' || align === 'super' ? '^' : node.tagName === 'SUB' || align === 'sub' ? '~' : '';
  // Raised and lowered are a few characters without blanks; more than that stays as it is.
  if (raised !== '') return /^\S{1,40}$/.test(words) && !words.includes(raised) ? `${before}${raised}${words}${raised}${after}` : inside;
  const weight = node.style.fontWeight;
  const strong = ['B', 'STRONG'].includes(node.tagName) ? weight !== 'normal' : weight === 'bold' || Number(weight) >= 600;
  const italic = ['I', 'EM'].includes(node.tagName) || node.style.fontStyle === 'italic';
  const marks = strong ? '**' : italic ? '*' : node.tagName === 'CODE' ? '`' : '';
  return marks === '' || words.replace(/\\[*`]/g, '').includes(marks) ? inside : `${before}${marks}${words}${marks}${after}`;
}
