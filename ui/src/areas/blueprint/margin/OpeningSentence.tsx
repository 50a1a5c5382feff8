import { Link } from 'react-router';
import { EditableChoice } from '../../../parts/fields/Editable';
import { type Document, without } from '../document';
import { usePageOptions } from '../usePageOptions';

interface Props {
  bank: number;
  document: Document;
  readOnly: boolean;
  onChange: (document: Document) => void;
  /** whose opening page can be seen here, once there is something to sit */
  seen?: number;
}

/** The page that is read before the clock starts; beside it stands what the rules say. */
export function OpeningSentence({ bank, document, readOnly, onChange, seen }: Props) {
  const pages = usePageOptions(bank, 'the rules alone');
  return (
    <section>
      <h2 className="head">beforehand</h2>
      <p>
        Before the clock starts one reads{' '}
        <EditableChoice
          label="Opening page"
          value={document.opening ?? ''}
          options={pages}
          disabled={readOnly}
          onChange={(name) => onChange(name === '' ? without(document, 'opening') : { ...document, opening: name })}
        />
        {document.opening !== undefined && ' and the rules'}
        {seen !== undefined && (
          <Link className="act ml-3" to={`/blueprints/${seen}/opening`}>
            see it
          </Link>
        )}
      </p>
    </section>
  );
}
