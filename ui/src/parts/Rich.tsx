import DOMPurify from 'dompurify';
import { marked } from 'marked';

const tags = ['p', 'em', 'strong', 'code', 'ul', 'ol', 'li', 'a', 'br'];

/** Text in the small Markdown of questions. */
export function Rich({ text, inline = false, className = '' }: { text: string; inline?: boolean; className?: string }) {
  const html = inline ? marked.parseInline(text, { async: false }) : marked.parse(text, { async: false, breaks: true });
  const clean = DOMPurify.sanitize(html, { ALLOWED_TAGS: tags, ALLOWED_ATTR: ['href'] });
  return inline ? (
    <span className={className} dangerouslySetInnerHTML={{ __html: clean }} />
  ) : (
    <div className={`rich ${className}`} dangerouslySetInnerHTML={{ __html: clean }} />
  );
}
