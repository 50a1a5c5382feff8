import { Row } from '../../parts/PageAndMargin';
import { Editable } from '../../parts/fields/Editable';
import type { Choice } from '../content';
import type { RowsProps, SettingParts } from '../kindUi';
import { AnswersIn, layouts } from '../common/rows/AnswersIn';
import { Earned } from '../common/rows/Earned';
import { LineNotes } from '../common/lines/LineNotes';
import { Toggle } from '../../parts/fields/Toggle';
import { isWeighed, plain } from '../common/rows/rows';

/** The two words of a claim, and which of them is the key. */
export function ClaimRows({ content, margin, readOnly, edit }: RowsProps<'claim'>) {
  const weighed = isWeighed(content);
  const change = (i: number, part: Partial<Choice>) =>
    edit((c) => ({
      ...c,
      choices: c.choices.map((choice, j) =>
        j === i ? { ...choice, ...part } : part.key === undefined ? choice : { ...choice, key: !part.key },
      ),
    }));
  return content.choices.map((choice, i) => (
    <Row
      key={choice.id}
      line
      page={
        <p className="flex items-baseline gap-3">
          <span className="fig w-4 text-quiet">{i + 1}</span>
          <span className="font-reading text-[17px]">
            <Editable
              plain
              width={12}
              label={i === 0 ? 'The affirmative word' : 'The negative word'}
              value={choice.text}
              disabled={readOnly}
              onChange={(text) => change(i, { text })}
            />
          </span>
        </p>
      }
      margin={
        <>
          <p>
            <Toggle
              on={choice.key}
              words={['key', 'distractor']}
              label={`“${choice.text}”`}
              disabled={readOnly}
              onChange={(key) => change(i, { key })}
            />
            {weighed && (
              <>
                {' '}
                weighs{' '}
                <Editable
                  label={`Points of “${choice.text}”`}
                  value={choice.weight ?? '0'}
                  disabled={readOnly}
                  onChange={(v) => change(i, { weight: plain(v) })}
                />
              </>
            )}
            {' · '}
            <Earned margin={margin} line={`answer ${i + 1}`} />
          </p>
          <LineNotes where={`answer ${i + 1}`} />
        </>
      }
    />
  ));
}

export function ClaimSettings(parts: SettingParts) {
  return <AnswersIn {...parts} layouts={layouts} />;
}
