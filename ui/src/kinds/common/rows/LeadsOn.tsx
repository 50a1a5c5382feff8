import { use, useState } from 'react';
import { PagesContext } from '../../../parts/text/media';
import { EditableChoice, Editable } from '../../../parts/fields/Editable';
import type { Choice } from '../../content';
import { WhereForward } from '../../../parts/WhereForward';
import { plain } from './rows';

interface Props {
  choice: Choice;
  n: number;
  readOnly: boolean;
  onChange: (part: Partial<Choice>) => void;
}

/** What a choice adds to named counts, and the page it leads to. */
export function LeadsOn({ choice, n, readOnly, onChange }: Props) {
  const pages = Object.keys(use(PagesContext));
  const [naming, setNaming] = useState(false);
  const tallies = Object.entries(choice.tallies ?? {});
  const none = tallies.length === 0 && !choice.leadsTo;
  if (none && readOnly) return null;
  const adds = (name: string, value: string) => {
    const rest = Object.fromEntries(tallies.filter(([known]) => known !== name));
    const number = Math.trunc(Number(plain(value))) || 0;
    onChange({ tallies: number === 0 ? rest : { ...rest, [name]: number } });
  };
  return (
    <p className="text-soft">
      {tallies.map(([name, value]) => (
        <span key={name}>
          {name}{' '}
          <Editable
            label={`What answer ${n} adds to ${name}; 0 takes it out`}
            value={`${value > 0 ? '+' : ''}${value}`}
            disabled={readOnly}
            onChange={(v) => adds(name, v)}
          />
          {' · '}
        </span>
      ))}
      {!readOnly &&
        (naming ? (
          <input
            className="field w-36 py-0!"
            aria-label={`Name of a tally that answer ${n} adds to`}
            placeholder="name of a tally"
            ref={(input) => input?.focus()}
            onBlur={() => setNaming(false)}
            onKeyDown={(e) => {
              if (e.key === 'Escape') setNaming(false);
              if (e.key !== 'Enter') return;
              const name = e.currentTarget.value.trim();
              if (name !== '') adds(name, '1');
              setNaming(false);
            }}
          />
        ) : (
          <button className="act" onClick={() => setNaming(true)}>
            tally
          </button>
        ))}
      {(pages.length > 0 || choice.leadsTo) && (
        <>
          {' '}
          leads to{' '}
          <EditableChoice
            label={`Page that answer ${n} leads to`}
            value={choice.leadsTo ?? ''}
            options={[
              { value: '', words: 'no page' },
              ...[...new Set([...pages, ...(choice.leadsTo ? [choice.leadsTo] : [])])].map((name) => ({ value: name, words: name })),
            ]}
            disabled={readOnly}
            onChange={(name) => onChange({ leadsTo: name })}
          />
        </>
      )}
      {choice.leadsTo && (
        <>
          {' '}
          <WhereForward />
        </>
      )}
      {tallies.length > 0 && <span className="text-quiet italic"> (counted where a blueprint names the tally)</span>}
    </p>
  );
}
