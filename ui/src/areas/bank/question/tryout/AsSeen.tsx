import { useState } from 'react';
import { Row } from '../../../../parts/PageAndMargin';
import { EditableChoice } from '../../../../parts/fields/Editable';
import { type Width, widths } from '../../../../parts/widths';
import type { Question } from '../useDraft';

/** The question as a candidate has it, at the width of a desk, a tablet or a phone. Live: it follows every save. */
export function AsSeen({ question }: { question: Question }) {
  const [open, setOpen] = useState(false);
  const [width, setWidth] = useState<Width>('desk');
  const [scheme, setScheme] = useState<'light' | 'dark'>('light');
  const [key, setKey] = useState<'hidden' | 'shown'>('hidden');
  const [seed, setSeed] = useState(1);
  const whole = question.problem === null;
  const scale = Math.min(1, 744 / widths[width]);
  const height = width === 'phone' ? 700 : 760;
  const pick = <T extends string>(label: string, value: T, values: readonly T[], set: (value: T) => void) => (
    <EditableChoice label={label} value={value} options={values.map((v) => ({ value: v, words: v }))} onChange={set} />
  );
  return (
    <Row
      className="pt-5"
      page={
        <>
          <h2 className="head">as seen</h2>
          {whole ? (
            <p>
              <button className="act" aria-expanded={open} onClick={() => setOpen(!open)}>
                {open ? 'Close it' : 'See it as a candidate does, and try responses'}
              </button>
            </p>
          ) : (
            <p className="text-soft">As soon as the question is whole, it can be seen and tried here.</p>
          )}
          {open && whole && (
            <div className="seen-at" style={{ height: height * scale, width: widths[width] * scale + 2 }}>
              <iframe
                key={`${seed} ${key} ${scheme}`}
                title="The question as a candidate sees it"
                src={`/as-seen/${question.id}?seed=${seed}&key=${key}&scheme=${scheme}&v=${question.version}`}
                style={{ width: widths[width], height, transform: `scale(${scale})` }}
              />
            </div>
          )}
        </>
      }
      margin={
        open &&
        whole && (
          <div className="pt-6">
            <p>
              at {pick('Width', width, ['desk', 'tablet', 'phone'], setWidth)} width, {pick('Scheme', scheme, ['light', 'dark'], setScheme)}
              , the key {pick('Key', key, ['hidden', 'shown'], setKey)}
            </p>
            <p>
              <button className="act" onClick={() => setSeed(seed + 1)}>
                shuffle again
              </button>{' '}
              (seed {seed})
            </p>
            <p className="text-quiet">It follows what is saved. Check a response there, and its working stands beside it.</p>
          </div>
        )
      }
    />
  );
}
