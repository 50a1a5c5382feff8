import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, dataOf } from '../../api/client';
import { keys } from '../../api/keys';
import { allKinds } from '../../kinds/facts';
import type { PutIn } from './completion';
import { kinds, templates } from '../../kinds/facts.gen';

/** Questions to be typed over, put in where one writes: an empty one of each kind, and the bank's house patterns. */
export function Templates({ bank, onPut }: { bank: number; onPut: (put: PutIn) => void }) {
  const [open, setOpen] = useState(false);
  const patterns = useQuery({
    queryKey: keys.questions(bank, 'patterns'),
    queryFn: () => dataOf(api.GET('/banks/{id}/questions', { params: { path: { id: bank }, query: { patterns: true } } })),
    enabled: open,
  }).data?.questions;
  const putPattern = async (id: number) => {
    const text = await dataOf(api.GET('/questions/{id}/text', { params: { path: { id } }, parseAs: 'text' }));
    // Its name is taken, and where it stands is its own affair.
    onPut({ text: text.replace(/^(?:objective:.*|\s+(?:name|status):.*)\n+/gm, '').replace(/^\n+/, ''), isTemplate: false });
  };
  return (
    <>
      <button className="act" aria-expanded={open} onClick={() => setOpen(!open)}>
        put in a template
      </button>
      {open && (
        <span className="flex flex-wrap gap-x-4 pt-1 font-interface" role="group" aria-label="Templates">
          {allKinds.map((kind) => (
            <button
              key={kind}
              className="act"
              title={kinds[kind].names.join(', ')}
              onClick={() => onPut({ text: templates[kind] ?? '', isTemplate: true })}
            >
              {kind}
            </button>
          ))}
          {patterns?.map((pattern) => (
            <button key={pattern.id} className="act" title={pattern.excerpt} onClick={() => void putPattern(pattern.id)}>
              {pattern.name ?? pattern.excerpt}
            </button>
          ))}
        </span>
      )}
    </>
  );
}
