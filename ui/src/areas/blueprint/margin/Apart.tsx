import { useState } from 'react';
import { Editable } from '../../../parts/fields/Editable';
import { type Document, without } from '../document';

interface Props {
  document: Document;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

/** Pairs of questions that never meet in a form, fixed or drawn: one gives the other away, say. */
export function Apart({ document, readOnly, onChange }: Props) {
  const [first, setFirst] = useState('');
  const pairs = document.apart ?? [];
  const put = (next: typeof pairs) => {
    onChange(next.length > 0 ? { ...document, apart: next } : without(document, 'apart'));
  };
  if (readOnly && pairs.length === 0) return null;
  const known = (name: string) => pairs.some((pair) => pair.includes(first) && pair.includes(name));
  return (
    <section className="space-y-1" aria-label="Never together">
      <h2 className="head">never together</h2>
      {pairs.map(([a, b], i) => (
        <p key={`${a} ${b}`}>
          “{a}” and “{b}”{' '}
          {!readOnly && (
            <button className="act" aria-label={`Let ${a} and ${b} meet`} onClick={() => put(pairs.toSpliced(i, 1))}>
              take out
            </button>
          )}
        </p>
      ))}
      {!readOnly && (
        <p>
          <Editable plain label="A question’s name" width={14} value={first === '' ? 'a question’s name …' : first} onChange={setFirst} />
          {first !== '' && (
            <>
              {' '}
              and{' '}
              <Editable
                plain
                label="The other’s name"
                width={14}
                value="another’s …"
                refuse={(typed) => (typed === first ? 'another question' : known(typed) ? 'they are kept apart already' : null)}
                onChange={(other) => {
                  put([...pairs, [first, other]]);
                  setFirst('');
                }}
              />
            </>
          )}
        </p>
      )}
    </section>
  );
}
