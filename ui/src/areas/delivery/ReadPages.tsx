import { use } from 'react';
import { PagesContext } from '../../parts/text/media';
import { Rich } from '../../parts/text/Rich';
import { Row } from '../../parts/PageAndMargin';
import type { Sitting } from './useSitting';

/** The pages that stand on this screen. */
export function ReadPages({ sitting }: { sitting: Sitting }) {
  const pages = use(PagesContext);
  return (sitting.screen?.items ?? []).map(({ page }) => {
    if (page === null) return null;
    const read = pages[page];
    return (
      <Row
        key={page}
        page={
          <section>
            {read?.heading && <h1 className="stem">{read.heading}</h1>}
            <Rich text={read?.reads ?? 'This page is not there any more.'} className="font-reading" />
          </section>
        }
        margin={null}
      />
    );
  });
}
