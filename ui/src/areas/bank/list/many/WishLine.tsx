import { Editable, EditableChoice } from '../../../../parts/fields/Editable';
import { allKinds } from '../../../../kinds/facts';
import { settings } from '../../../../kinds/facts.gen';
import { ObjectiveField } from '../../question/ObjectiveField';
import { asTheBank, saying, values, type Wish } from './wanted';

const asItIs = 'as it is';
const kindOptions = allKinds.map((kind) => ({ value: kind, words: kind }));

/** One wish in a sentence: what becomes what. */
export function WishLine(props: { bank: number; wish: Wish; onChange: (wish: Wish) => void; onLeave: () => void }) {
  const { wish, onChange, onLeave } = props;
  const { what } = wish;
  return (
    <p className="py-1">
      {saying(what)}{' '}
      {what === 'points of a kind' && (
        <>
          <EditableChoice
            label="Kind"
            value={wish.more ?? ''}
            options={[{ value: '', words: 'which kind' }, ...kindOptions]}
            onChange={(more) => onChange({ ...wish, more })}
          />
          {' become '}
        </>
      )}
      <Value {...props} />
      {what === 'replace' && (
        <>
          {' becomes '}
          <Editable
            plain
            label="Put in its place"
            width={16}
            value={wish.more ?? '(nothing)'}
            onChange={(more) => onChange({ ...wish, more })}
          />
        </>
      )}{' '}
      <button className="act ml-2 text-sm" onClick={onLeave} aria-label={`Leave ${what} as it is`}>
        leave it as it is
      </button>
    </p>
  );
}

function Value({ bank, wish, onChange }: { bank: number; wish: Wish; onChange: (wish: Wish) => void }) {
  const { what, value } = wish;
  const put = (next: string) => onChange({ ...wish, value: next });
  const picked = values(what);
  if (what === 'objective') {
    return <ObjectiveField bank={bank} value={value} readOnly={false} onChange={(path) => put(path === '' ? 'no objective' : path)} />;
  }
  if (picked.length > 0) {
    return (
      <EditableChoice
        label={saying(what)}
        value={value}
        options={[
          { value: '', words: asItIs },
          ...picked.map((word) => ({ value: word, words: word })),
          ...(what in settings ? [{ value: asTheBank, words: asTheBank }] : []),
        ]}
        onChange={put}
      />
    );
  }
  const isText = value === asTheBank || what === 'how' || what.startsWith('if ') || what.startsWith('tags') || what === 'replace';
  return <Editable plain={isText} label={saying(what)} width={isText ? 24 : 6} value={value === '' ? asItIs : value} onChange={put} />;
}
