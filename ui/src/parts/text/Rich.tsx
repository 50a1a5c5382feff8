import DOMPurify from 'dompurify';
import { Marked } from 'marked';
import { use, useEffect, useMemo, useRef, useState } from 'react';
import { isPlayed, type Medium, MediaContext, PagesContext } from './media';
import { decoded, named } from './named';
import { isTooMuch } from './isTooMuch';

const tags = ['p', 'em', 'strong', 'code', 'sup', 'sub', 'ul', 'ol', 'li', 'a', 'br', 'img', 'audio', 'video', 'span', 'button'];
const attributes = [
  'href',
  'src',
  'alt',
  'width',
  'height',
  'controls',
  'preload',
  'aria-label',
  'class',
  'type',
  'data-tex',
  'data-page',
  'data-larger',
  'aria-pressed',
];
const escaped = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** Whether a text holds what a plain label or the browser's own list cannot show: a formula, a file, raised or lowered characters. */
export const isMoreThanWords = (text: string) => /\$[^$]+\$|!\[|\^[^\s^]+\^|~[^\s~]+~/.test(text);

/** Within a page no further page opens, so that none can hold itself. */
const noPages = {};

interface RichProps {
  text: string;
  inline?: boolean;
  /** sound and film are named and not played: where a press does something else */
  still?: boolean;
  className?: string;
}

/** Text in the small Markdown of questions, with formulas between dollar signs and files of the bank as pictures, sound or film. */
export function Rich({ text, inline = false, still = false, className = '' }: RichProps) {
  const media = use(MediaContext);
  const box = useRef<HTMLElement>(null);
  const html = useMemo(() => toHtml(text, inline, still, media), [text, inline, still, media]);
  useEffect(() => {
    const formulas = box.current?.querySelectorAll<HTMLElement>('.math') ?? [];
    if (formulas.length > 0) void setFormulas([...formulas]);
  }, [html]);
  const pages = use(PagesContext);
  // A text that is nothing but a page shows the page itself.
  const only = /^\[[^\]]*\]\(page:((?:[^()\s]|\([^()\s]*\))+)\)$/.exec(text.trim())?.[1];
  const [opened, setOpened] = useState<string | null>(null);
  const shown = only === undefined ? opened : decoded(only);
  const page = shown === null ? undefined : named(pages, shown);
  useEffect(() => {
    const element = box.current;
    const press = (e: MouseEvent) => {
      if (e.target instanceof HTMLElement && e.target.dataset.larger !== undefined) makeLarger(e.target);
      const name = e.target instanceof Element ? e.target.closest('[data-page]')?.getAttribute('data-page') : null;
      if (name) setOpened((now) => (now === name ? null : name));
    };
    element?.addEventListener('click', press);
    return () => element?.removeEventListener('click', press);
  }, []);
  const inside = { dangerouslySetInnerHTML: { __html: html } };
  return inline ? (
    <span ref={box} className={className} {...inside} />
  ) : (
    <>
      <div ref={box as React.RefObject<HTMLDivElement | null>} className={`rich ${className}`} {...inside} />
      {page && (
        <div className="read-page">
          {page.heading !== null && <p className="title">{page.heading}</p>}
          <PagesContext value={noPages}>
            <Rich text={page.reads} className="answer" />
          </PagesContext>
        </div>
      )}
    </>
  );
}

function toHtml(text: string, inline: boolean, still: boolean, media: Record<string, Medium>): string {
  // An old text that would keep the screen busy for minutes stands as it was typed.
  if (isTooMuch(text)) return escaped(text);
  const marked = reader(media, !inline, still);
  const html = inline ? marked.parseInline(text, { async: false }) : marked.parse(text, { async: false, breaks: true });
  return DOMPurify.sanitize(html, { ALLOWED_TAGS: tags, ALLOWED_ATTR: attributes });
}

/** @param larger whether pictures can be made larger: not within an answer, where pressing chooses it */
function reader(media: Record<string, Medium>, larger: boolean, still: boolean): Marked {
  return new Marked({
    extensions: [
      raised('^', 'sup'),
      raised('~', 'sub'),
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
      link({ href, tokens, text }) {
        const words = this.parser.parseInline(tokens);
        if (!href.startsWith('page:')) return `<a href="${escaped(href)}">${words}</a>`;
        return `<button type="button" class="act" data-page="${escaped(decoded(href.slice(5)))}">${words || escaped(text)}</button>`;
      },
      image: ({ href, text }) => file(named(media, decoded(href)), href, text, larger, still),
    },
  });
}

/** `^raised^` and `~lowered~`: a few characters without space. */
function raised(sign: '^' | '~', tag: 'sup' | 'sub') {
  const rule = sign === '^' ? /^\^([^\s^]{1,40})\^/ : /^~([^\s~]{1,40})~(?!~)/;
  return {
    name: tag,
    level: 'inline' as const,
    start: (source: string) => source.indexOf(sign),
    tokenizer: (source: string) => {
      const found = rule.exec(source);
      return found ? { type: tag, raw: found[0], text: found[1] ?? '' } : undefined;
    },
    renderer: (token: { text?: unknown }) => `<${tag}>${escaped(String(token.text))}</${tag}>`,
  };
}

function file(medium: Medium | undefined, name: string, shows: string, larger: boolean, still: boolean): string {
  if (!medium) return `<span class="missing">“${escaped(name)}” is not in the bank</span>`;
  const label = escaped(shows);
  if (still && isPlayed(medium)) return `<span>${label === '' ? escaped(name) : label}</span>`;
  if (medium.type.startsWith('audio/')) return `<audio controls preload="none" src="${medium.url}" aria-label="${label}"></audio>`;
  if (medium.type.startsWith('video/')) return `<video controls preload="none" src="${medium.url}" aria-label="${label}"></video>`;
  const picture = `<img src="${medium.url}" alt="${label}" width="${medium.width ?? ''}" height="${medium.height ?? ''}">`;
  if (!larger || (medium.width ?? 0) < 200) return picture;
  return `<span class="picture"><span>${picture}</span><button type="button" class="act" data-larger aria-pressed="false" aria-label="Larger: ${label}">larger</button></span>`;
}

/** A picture at twice its size, scrolled within its place; pressed again, as it was. */
function makeLarger(button: HTMLElement) {
  const large = button.getAttribute('aria-pressed') !== 'true';
  button.setAttribute('aria-pressed', String(large));
  button.textContent = large ? 'smaller' : 'larger';
  button.parentElement?.classList.toggle('large', large);
}

/** KaTeX is fetched when the first formula is shown. */
async function setFormulas(formulas: HTMLElement[]) {
  const [{ default: katex }] = await Promise.all([import('katex'), import('katex/dist/katex.min.css')]);
  for (const formula of formulas) {
    katex.render(formula.dataset.tex ?? '', formula, { throwOnError: false, strict: false, trust: false, maxSize: 20, maxExpand: 200 });
  }
}
