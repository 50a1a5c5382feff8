import { useChanged } from '../../../api/changed';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, errorWords, type Schema, dataOf } from '../../../api/client';
import { pagesQuery } from '../../../api/queries';
import { day, timeOfDay } from '../../../parts/text/moments';
import { MediaContext } from '../../../parts/text/media';
import { NotSaved } from '../../../parts/NotSaved';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import { Confirm } from '../../../parts/fields/Confirm';
import { useAutosave } from '../../../parts/hooks/useAutosave';
import { Editable } from '../../../parts/fields/Editable';
import { Waiting } from '../../../parts/Waiting';
import { GrowingText } from '../../../parts/fields/GrowingText';
import { type Account, mayEdit } from '../../people/session';
import { useMedia } from '../../../kinds/common/picture/files';
import { TextTools } from './TextTools';

type Page = Schema['Page'];

/** The bank's pages for reading, and one of them open to be written. */
export default function PagesPage({ account }: { account: Account }) {
  const { bank: bankId, id } = useParams();
  const bank = Number(bankId);
  const navigate = useNavigate();
  const changed = useChanged();
  const media = useMedia(bank);
  const pages = useQuery(pagesQuery(bank));
  const make = useMutation({
    mutationFn: (body: Schema['NewPage']) => dataOf(api.POST('/banks/{id}/pages', { params: { path: { id: bank } }, body })),
    onSuccess: async (made) => {
      await changed('pages', bank);
      void navigate(`/banks/${bank}/pages/${made.id}`);
    },
  });
  if (!pages.data || !media) return <Waiting error={pages.error} retry={() => void pages.refetch()} />;
  const list = pages.data.pages;
  const open = list.find((page) => page.id === Number(id));
  const free = (name: string, from: number) => {
    for (let n = from; ; n++) if (!list.some((page) => page.name === `${name} ${n}`)) return `${name} ${n}`;
  };
  return (
    <MediaContext value={media}>
      <PageAndMargin label="Pages">
        {open ? (
          <OnePage key={open.id} page={open} bank={bank} readOnly={!mayEdit(account)} />
        ) : (
          <Row
            className="pt-5"
            page={<h1 className="title">Pages for reading</h1>}
            margin={<p>Refreshers, what follows a decision, closing pages. Their names are for authors; candidates never see them.</p>}
          />
        )}
        {!open &&
          list.map((page) => (
            <Row
              key={page.id}
              line
              page={
                <Link className="act" to={`/banks/${bank}/pages/${page.id}`}>
                  {page.name}
                </Link>
              }
              margin={
                <p>
                  {page.heading ?? <span className="text-quiet">no heading</span>} · {page.by}, {day(page.savedAt)}
                </p>
              }
            />
          ))}
        <Row
          className="pt-4"
          page={
            <>
              {!open && list.length === 0 && <p className="pb-2 text-soft">No page yet.</p>}
              {mayEdit(account) && (
                <button className="act" disabled={make.isPending} onClick={() => make.mutate({ name: free('page', list.length + 1) })}>
                  Write {open ? 'another' : 'a'} page
                </button>
              )}
              {mayEdit(account) && open && (
                <button
                  className="act ml-4"
                  disabled={make.isPending}
                  onClick={() =>
                    make.mutate({ name: free(`${open.name.slice(0, 70)}, copy`, 1), heading: open.heading ?? '', reads: open.reads })
                  }
                >
                  Copy this page
                </button>
              )}
              {make.error && (
                <p className="notice" role="alert">
                  {errorWords(make.error)}
                </p>
              )}
            </>
          }
        />
      </PageAndMargin>
    </MediaContext>
  );
}

type Edited = Pick<Page, 'name' | 'reads'> & { heading: string };
const editedOf = (page: Page): Edited => ({ name: page.name, heading: page.heading ?? '', reads: page.reads });

function OnePage({ page, bank, readOnly }: { page: Page; bank: number; readOnly: boolean }) {
  const changed = useChanged();
  const navigate = useNavigate();
  const versionRef = useRef(page.version);
  const shelf = `zetema:page:${page.id}`;
  const saving = useAutosave<Edited, Page>({
    thing: `page:${page.id}`,
    shelf,
    initial: editedOf(page),
    versionRef,
    save: (body, over, keepalive) =>
      dataOf(api.PUT('/pages/{id}', { params: { path: { id: page.id } }, body: { ...body, version: over }, keepalive })),
    versionOf: (saved) => saved.version,
    valueOf: editedOf,
    onSaved: () => void changed('pages', bank),
  });
  const { value: text, error } = saving;
  const change = (part: Partial<Edited>) => saving.put({ ...saving.latest.current, ...part });
  const remove = useMutation({
    mutationFn: () => dataOf(api.DELETE('/pages/{id}', { params: { path: { id: page.id }, query: { version: versionRef.current } } })),
    onSuccess: async () => {
      localStorage.removeItem(shelf);
      await changed('pages', bank);
      void navigate(`/banks/${bank}/pages`);
    },
  });
  return (
    <>
      <Row
        className="pt-4"
        page={
          <>
            <p className="path">
              <Link className="act" to={`/banks/${bank}/pages`}>
                Pages
              </Link>
              {' · '}
              <Editable
                plain
                width={20}
                label="Name, for authors"
                value={text.name}
                disabled={readOnly}
                onChange={(name) => change({ name })}
              />
            </p>
            {!readOnly && <TextTools bank={bank} />}
          </>
        }
        margin={
          <>
            <p role="status">
              {saving.isSaving
                ? 'saving …'
                : error
                  ? 'not saved'
                  : saving.isUnsaved
                    ? 'not saved yet'
                    : `saved ${timeOfDay(page.savedAt)}, ${page.by}`}
            </p>
            <NotSaved saving={saving}>
              {(theirs) => (
                <p>
                  The newer one, {theirs.by} {timeOfDay(theirs.savedAt)}: {theirs.heading ?? theirs.name} – {theirs.reads.slice(0, 300)}
                </p>
              )}
            </NotSaved>
          </>
        }
      />
      <Row
        page={
          <textarea
            className="stem"
            rows={1}
            aria-label="Heading"
            placeholder="a heading, or none"
            readOnly={readOnly}
            value={text.heading}
            onChange={(e) => change({ heading: e.target.value.replace(/\n/g, ' ') })}
          />
        }
      />
      <Row
        className="pb-6"
        page={
          <GrowingText
            className="answer"
            label="What the page reads"
            placeholder="Text, lists, pictures, formulas"
            readOnly={readOnly}
            value={text.reads}
            onChange={(reads) => change({ reads })}
          />
        }
        margin={
          !readOnly && (
            <Confirm
              ask="Take this page out of the bank"
              act="Take it out"
              afterwards="The history of the bank keeps it."
              pending={remove.isPending}
              error={remove.error}
              onSure={() => remove.mutate()}
            />
          )
        }
      />
    </>
  );
}
