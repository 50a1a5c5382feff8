import { use } from 'react';
import { isPlayed, MediaContext } from '../../../parts/text/media';
import { decoded, named } from '../../../parts/text/named';
import { Rich } from '../../../parts/text/Rich';

/** Sound and film of an answer, beside what is pressed to choose it: a player within it could not be used. */
export function Players({ text }: { text: string }) {
  const media = use(MediaContext);
  const played = [...text.matchAll(/!\[[^\]]*\]\(([^()\s]+)\)/g)].filter(([, name = '']) => {
    const medium = named(media, decoded(name));
    return medium !== undefined && isPlayed(medium);
  });
  return played.map(([markdown], i) => (
    <p key={i} className="rich mb-2">
      <Rich text={markdown} inline />
    </p>
  ));
}
