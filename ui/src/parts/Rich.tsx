import DOMPurify from 'dompurify';
import { Marked } from 'marked';
import { use, useEffect, useMemo, useRef } from 'react';
import { type Medium, MediaContext } from './media';

const tags = ['p', 'em', 'strong', 'code', 'ul', 'ol', 'li', 'a', 'br', 'img', 'audio', 'video', 'span'];
const attributes = ['href', 'src', 'alt', 'width', 'height', 'controls', 'preload', 'aria-label', 'class', 'data-tex'];
const escaped = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** Text in the small Markdown of questions, with formulas between dollar signs and files of the bank as pictures, sound or film. */
export function Rich({ text, inline = false, className = '' }: { text: string; inline?: boolean; className?: string }) {
  const media = use(MediaContext);
  const box = useRef<HTMLElement>(null);
  const html = useMemo(() => toHtml(text, inline, media), [text, inline, media]);
  useEffect(() => {
    const formulas = box.current?.querySelectorAll<HTMLElement>('.math') ?? [];
    if (formulas.length > 0) void setFormulas([...formulas]);
  }, [html]);
  const inside = { dangerouslySetInnerHTML: { __html: html } };
  return inline ? (
    <span ref={box} className={className} {...inside} />
  ) : (
    <div ref={box as React.RefObject<HTMLDivElement | null>} className={`rich ${className}`} {...inside} />
  );
}

function toHtml(text: string, inline: boolean, media: Record<string, Medium>): string {
  const marked = reader(media);
  const html = inline ? marked.parseInline(text, { async: false }) : marked.parse(text, { async: false, breaks: true });
  return DOMPurify.sanitize(html, { ALLOWED_TAGS: tags, ALLOWED_ATTR: attributes });
}

function reader(media: Record<string, Medium>): Marked {
  return new Marked({
    extensions: [
      {
        name: 'math',
        level: 'inline',
        start: (source: string) => source.indexOf('$'),
        tokenizer: (source: string) => {
          const found = /^\$(?=\S)([^$\n]+?)(?<=\S)\$(?!\d)/.exec(source);
          return found ? { type: 'math', raw: found[0], text: found[1] ?? '' } : undefined;
        },
        renderer: (token) => `<span class="math" data-tex="${escaped(String(token.text))}">${escaped(String(token.text))}</span>`,
      },
    ],
    renderer: {
      html: ({ text }) => escaped(text),
      image: ({ href, text }) => file(media[decodeURI(href)], href, text),
    },
  });
}

function file(medium: Medium | undefined, name: string, shows: string): string {
  if (!medium) return `<span class="missing">“${escaped(name)}” is not in the bank</span>`;
  const label = escaped(shows);
  if (medium.type.startsWith('audio/')) return `<audio controls preload="none" src="${medium.url}" aria-label="${label}"></audio>`;
  if (medium.type.startsWith('video/')) return `<video controls preload="none" src="${medium.url}" aria-label="${label}"></video>`;
  return `<img src="${medium.url}" alt="${label}" width="${medium.width ?? ''}" height="${medium.height ?? ''}">`;
}

/** KaTeX is fetched when the first formula is shown. */
async function setFormulas(formulas: HTMLElement[]) {
  const [{ default: katex }] = await Promise.all([import('katex'), import('katex/dist/katex.min.css')]);
  for (const formula of formulas) {
    katex.render(formula.dataset.tex ?? '', formula, { throwOnError: false, strict: false, trust: false, maxSize: 20, maxExpand: 200 });
  }
}
