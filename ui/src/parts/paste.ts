/** What was pasted, as small Markdown: structure kept, styles dropped; and its lines, if it was a list or had several. */
export function pasted(data: DataTransfer): { text: string; lines: string[] } {
  const html = data.getData('text/html');
  const plain = data.getData('text/plain').replace(/\r\n?/g, '\n');
  const text = html === '' ? plain.trim() : tidy(block(new DOMParser().parseFromString(html, 'text/html').body));
  const lines = (text === '' ? plain : text)
    .split('\n')
    .map((line) => line.replace(/^\s*(?:[-*•·–]|\(?[0-9a-zA-Z]{1,2}[.)])\s+/, '').trim())
    .filter((line) => line !== '');
  return { text, lines: lines.length > 1 ? lines : [] };
}

const tidy = (text: string) =>
  text
    .replace(/[ \t\u00a0]+/g, ' ')
    .replace(/ *\n */g, '\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim();

const blocks = new Set(['P', 'DIV', 'SECTION', 'ARTICLE', 'H1', 'H2', 'H3', 'H4', 'H5', 'H6', 'TR', 'BLOCKQUOTE', 'PRE']);
const dropped = new Set(['STYLE', 'SCRIPT', 'META', 'LINK', 'TITLE', 'HEAD', 'IMG', 'OBJECT', 'SVG', 'O:P']);

function block(node: Node): string {
  return [...node.childNodes].map(one).join('');
}

function one(node: Node): string {
  if (node.nodeType === Node.TEXT_NODE) return (node.textContent ?? '').replace(/\s+/g, ' ');
  if (!(node instanceof HTMLElement) || dropped.has(node.tagName)) return '';
  const inside = block(node);
  if (node.tagName === 'BR') return '\n';
  if (node.tagName === 'UL' || node.tagName === 'OL') return `\n${list(node)}\n`;
  if (blocks.has(node.tagName)) return `\n${inside.trim()}\n\n`;
  if (inside.trim() === '') return inside;
  if (node.tagName === 'A') return link(node.getAttribute('href') ?? '', inside);
  return emphasised(node, inside);
}

function list(node: HTMLElement): string {
  const items = [...node.children].filter((child) => child.tagName === 'LI');
  return items.map((item, i) => `${node.tagName === 'OL' ? `${i + 1}.` : '-'} ${tidy(block(item)).replace(/\n+/g, ' ')}`).join('\n');
}

const link = (href: string, words: string) => (/^https?:\/\//.test(href) ? `[${words.trim()}](${href})` : words);

function emphasised(node: HTMLElement, inside: string): string {
  const weight = node.style.fontWeight;
  const strong = ['B', 'STRONG'].includes(node.tagName) ? weight !== 'normal' : weight === 'bold' || Number(weight) >= 600;
  const italic = ['I', 'EM'].includes(node.tagName) || node.style.fontStyle === 'italic';
  const marks = strong ? '**' : italic ? '*' : node.tagName === 'CODE' ? '`' : '';
  const [, before = '', words = '', after = ''] = /^(\s*)([\s\S]*?)(\s*)$/.exec(inside) ?? [];
  return marks === '' || words.includes(marks) ? inside : `${before}${marks}${words}${marks}${after}`;
}
