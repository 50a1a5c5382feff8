import type { ReactNode } from 'react';
import { Row } from '../../parts/Sheet';
import { Value } from '../../parts/Value';
import { ChoiceRows } from './AnswerRows';
import type { Draft, Question } from './draft';
import { SaysRows } from './SaysRows';
import { SettingsSentence } from './SettingsSentence';
import { TypedRows } from './TypedRows';

interface Props {
  draft: Draft;
  margin: Question['margin'] | null;
  onChange: (draft: Draft) => void;
  readOnly: boolean;
  lead: ReactNode;
  status: ReactNode;
}

/** A question's page with its margin, for one that is there and for a new one. */
export function Editor({ draft, margin, onChange, readOnly, lead, status }: Props) {
  const { content } = draft;
  const parts = { content, margin, readOnly, onChange: (next: Draft['content']) => onChange({ ...draft, content: next }) };
  return (
    <>
      <Row
        className="pt-4"
        page={
          <p className="path">
            <Value
              plain
              label="Objective, levels parted by >"
              width={40}
              value={draft.objective || 'no objective'}
              disabled={readOnly}
              onChange={(objective) => onChange({ ...draft, objective: objective === 'no objective' ? '' : objective })}
            />
            {' · '}
            <Value
              plain
              label="Name"
              width={20}
              value={draft.name || 'no name'}
              disabled={readOnly}
              onChange={(name) => onChange({ ...draft, name: name === 'no name' ? '' : name })}
            />
            {' · '}
            {content.kind}
            {lead}
          </p>
        }
        margin={status}
      />
      <Row
        className="pb-3"
        page={
          <textarea
            className="stem outline-none"
            rows={1}
            aria-label="Stem"
            placeholder={content.kind === 'claim' ? 'A statement that is true or false' : 'What is asked'}
            readOnly={readOnly}
            value={content.stem}
            onChange={(e) => parts.onChange({ ...content, stem: e.target.value })}
          />
        }
        margin={<SettingsSentence {...parts} />}
      />
      {content.kind === 'number' || content.kind === 'text' ? <TypedRows {...parts} /> : <ChoiceRows {...parts} />}
      <SaysRows {...parts} />
    </>
  );
}
