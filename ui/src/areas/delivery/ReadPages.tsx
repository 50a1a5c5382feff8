import { use } from 'react';
import { PagesContext } from '../../parts/text/media';
import { Rich } from '../../parts/text/Rich';
import { Row } from '../../parts/PageAndMargin';
import type { Sitting } from './useSitting';

/** The pages that stand on this screen. */
export function ReadPages({ sitting }: { sitting: Sitting }) {
  return (sitting.screen?.items ?? []).map(({ page }) => page !== null && <OnePage key={page} name={page} />);
}

export function OnePage({ name }: { name: string }) {
  const read = use(PagesContext)[name];
  return (
    <Row
      page={
        <section>
          {read?.heading && <h1 className="stem">{read.heading}</h1>}
          <Rich text={read?.reads ?? 'This page is not there any more.'} className="font-reading" />
        </section>
      }
      margin={null}
    />
  );
}
