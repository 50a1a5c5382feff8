import { Editable, EditableChoice } from '../../../parts/fields/Editable';
import { figure } from '../../../parts/text/figures';
import { type Blueprint, type Document, tidy } from '../document';

interface Props {
  blueprint: Blueprint;
  document: Document;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

type Share = Blueprint['proof']['shares'][number];

const words = (objective: string) => objective.replaceAll(' > ', ' › ');

/** Refused with the reason; "none" and nothing take the wish away. */
const percent = (typed: string): { value: string | null } | { wrong: string } => {
  const plain = typed.replace('%', '').trim().replace(',', '.');
  if (plain === '' || plain === 'none' || plain === '–') return { value: null };
  return /^\d{1,3}(\.\d{1,2})?$/.test(plain) && Number(plain) <= 100 ? { value: plain } : { wrong: 'a share from 0 to 100 %' };
};

/** How much of a form's points each objective has, beside how much its author wishes it to have. */
export function Shares({ blueprint, document, readOnly, onChange }: Props) {
  const { shares } = blueprint.proof;
  const wished = document.shares ?? [];
  const put = (objective: string, value: string | null) => {
    const others = wished.filter((one) => one.objective !== objective);
    const next = value === null ? others : [...others, { objective, percent: value }];
    onChange(tidy({ ...document, shares: next.length > 0 ? next : undefined }) as Document);
  };
  const more = blueprint.board.rows
    .map(({ objective }) => objective.path)
    .filter((path) => path !== '' && !shares.some(({ objective }) => objective === path));
  const sum = wished.reduce((total, one) => total + Number(one.percent), 0);
  if (shares.length === 0 || (shares.length === 1 && shares[0]?.wished === null)) return null;
  return (
    <section aria-label="Shares of the points">
      <table className="w-full">
        <thead>
          <tr>
            <th scope="col" className="head text-left">
              shares of the points
            </th>
            <th scope="col" className="head text-right">
              now
            </th>
            <th scope="col" className="head pl-3 text-right">
              wished
            </th>
          </tr>
        </thead>
        <tbody>
          {shares.map((share) => (
            <tr key={share.objective} className="align-baseline">
              <th scope="row" className="py-0.5 text-left font-normal">
                {words(share.objective)}
              </th>
              <td className={`text-right whitespace-nowrap ${share.fits ? '' : 'text-wrong'}`}>
                <Now share={share} />
              </td>
              <td className="pl-3 text-right whitespace-nowrap">
                <Editable
                  plain
                  label={`Share wished for ${words(share.objective)}, in percent`}
                  value={share.wished === null ? '–' : `${figure(share.wished)} %`}
                  width={6}
                  disabled={readOnly}
                  refuse={(typed) => {
                    const found = percent(typed);
                    return 'wrong' in found ? found.wrong : null;
                  }}
                  onChange={(typed) => {
                    const found = percent(typed);
                    if ('value' in found) put(share.objective, found.value);
                  }}
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {sum > 100 && new Set(wished.map(({ objective }) => objective.split(' > ').length)).size === 1 && (
        <p className="text-wrong">Together {figure(String(sum))} % are wished: more than the whole.</p>
      )}
      {!readOnly && more.length > 0 && (
        <p>
          <EditableChoice
            label="A share wished for another objective"
            value=""
            options={[{ value: '', words: 'and for another objective …' }, ...more.map((value) => ({ value, words: words(value) }))]}
            onChange={(objective) => objective !== '' && put(objective, '10')}
          />
        </p>
      )}
    </section>
  );
}

function Now({ share: { least, most, wished, fits } }: { share: Share }) {
  if (least === null || most === null) return <>–</>;
  const now = least === most ? figure(least) : `${figure(least)}–${figure(most)}`;
  if (fits || wished === null) return <>{now} %</>;
  const off = Number(most) < Number(wished) ? Number(wished) - Number(most) : Number(least) - Number(wished);
  return (
    <>
      {now} %,{' '}
      <span className="whitespace-nowrap">
        {figure(String(Math.round(off * 10) / 10))} too {Number(most) < Number(wished) ? 'little' : 'much'}
      </span>
    </>
  );
}
