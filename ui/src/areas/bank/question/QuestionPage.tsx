import { keys } from '../../../api/keys';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link, Navigate, useLocation, useParams } from 'react-router';
import { api, errorWords, dataOf } from '../../../api/client';
import { MediaContext, PagesContext } from '../../../parts/text/media';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import { Waiting } from '../../../parts/Waiting';
import { type Account, mayEdit } from '../../people/session';
import { AboutRows } from './AboutRows';
import { AsSeen } from './tryout/AsSeen';
import { type Edit, type Question, useDraft } from './useDraft';
import { Editor } from './Editor';
import { useMedia, usePages } from '../../../kinds/common/picture/files';
import { LinesContext } from '../../../kinds/common/lines/lines';
import { lineIds } from '../../../kinds/registry';
import { cameFrom } from '../list/cameFrom';
import { RevisionRows } from './RevisionRows';
import { Scores } from './tryout/Scores';
import { Standing } from './QuestionStanding';
import { StandingContext, type Standing as WhatStands } from '../../../kinds/common/lines/StandingContext';
import { useStable } from '../../../parts/hooks/useStable';

/** One question: stem and answers on the page, what they lead to in the margin. Saves itself. */
export default function QuestionPage({ account }: { account: Account }) {
  const id = Number(useParams().id);
  const question = useQuestion(id);
  if (!question.data) return <Waiting error={question.error} retry={() => void question.refetch()} />;
  return <QuestionSheet key={id} question={question.data} account={account} />;
}

/** From a place that knows the question and not its bank, such as a rehearsal. */
export function ToQuestion() {
  const id = Number(useParams().id);
  const location = useLocation();
  const question = useQuestion(id);
  if (!question.data) return <Waiting error={question.error} retry={() => void question.refetch()} />;
  return <Navigate to={`/banks/${question.data.bank.id}/questions/${id}`} state={location.state as unknown} replace />;
}

function useQuestion(id: number) {
  return useQuery({
    queryKey: keys.question(id),
    queryFn: () => dataOf(api.GET('/questions/{id}', { params: { path: { id } } })),
    staleTime: 0,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
}

function QuestionSheet({ question, account }: { question: Question; account: Account }) {
  const edit = useDraft(question);
  const media = useMedia(question.bank.id);
  const pages = usePages(question.bank.id);
  const readOnly = !mayEdit(account) || question.status === 'retired';
  const { standing, error } = useStanding(question, edit, !readOnly);
  // The same as long as no line comes, goes or is moved.
  const order = JSON.stringify(lineIds(edit.draft.content));
  const lines = useMemo(() => JSON.parse(order) as Record<string, number[]>, [order]);
  // A picture that is not known yet must not be called missing.
  if (!media) return <Waiting error={null} />;
  return (
    <PagesContext value={pages}>
      <MediaContext value={media}>
        <StandingContext value={standing}>
          <LinesContext value={lines}>
            <PageAndMargin label="Question">
              <Editor
                draft={edit.draft}
                margin={question.margin}
                bankSettings={question.bankSettings}
                wording={question.wording}
                problem={question.problem}
                bank={question.bank.id}
                change={edit.change}
                edit={edit.edit}
                readOnly={readOnly}
                lead={<Neighbours question={question} />}
                status={
                  <>
                    <Standing question={question} edit={edit} readOnly={readOnly} />
                    {error && (
                      <p className="notice" role="alert">
                        {errorWords(error)}
                      </p>
                    )}
                  </>
                }
              />
              <Scores question={question} />
              <AsSeen question={question} />
              <AboutRows question={question} edit={edit} readOnly={readOnly} />
              <RevisionRows question={question} edit={edit} readOnly={readOnly} />
              <Row className="pb-6" page={null} />
            </PageAndMargin>
          </LinesContext>
        </StandingContext>
      </MediaContext>
    </PagesContext>
  );
}

/** What stands at the lines, and the ways to answer it. */
function useStanding(question: Question, edit: Edit, mayWrite: boolean): { standing: WhatStands; error: Error | null } {
  const { id } = question;
  const act = useMutation({ mutationFn: (call: () => Promise<Question>) => call(), onSuccess: edit.rebase });
  const run = useStable((call: () => Promise<Question>) => act.mutate(call));
  const { proofs, comments } = question;
  const standing = useMemo<WhatStands>(() => {
    const path = { id };
    return {
      proofs,
      comments,
      mayWrite,
      waveOff: ({ rule, where, message }, reason) =>
        run(() => dataOf(api.POST('/questions/{id}/waved', { params: { path }, body: { rule, where, message, reason } }))),
      bringBack: ({ rule, where, message }) =>
        run(() => dataOf(api.PUT('/questions/{id}/waved', { params: { path }, body: { rule, where, message } }))),
      comment: (where, text) => run(() => dataOf(api.POST('/questions/{id}/comments', { params: { path }, body: { where, text } }))),
      changeComment: (comment, change) =>
        run(() => dataOf(api.PUT('/questions/{id}/comments/{comment}', { params: { path: { id, comment: comment.id } }, body: change }))),
    };
  }, [id, proofs, comments, mayWrite, run]);
  return { standing, error: act.error };
}

/** Where one is in the list that one came from, and the way back to a rehearsal. */
function Neighbours({ question }: { question: Question }) {
  const location = useLocation();
  const back = (location.state as { back?: string } | null)?.back;
  const list = cameFrom(question.id);
  const at = list ? list.ids.indexOf(question.id) : -1;
  const place = list
    ? { place: at + 1, of: list.ids.length, previous: list.ids[at - 1] ?? null, next: list.ids[at + 1] ?? null }
    : question.neighbours;
  const base = `/banks/${question.bank.id}/questions`;
  return (
    <>
      {' · '}
      {place.place} of{' '}
      {list ? (
        <Link className="act" to={list.path}>
          {place.of} {list.words}
        </Link>
      ) : (
        place.of
      )}
      {(['previous', 'next'] as const).map(
        (way) =>
          place[way] !== null && (
            <span key={way}>
              {' '}
              <Link className="act" to={`${base}/${place[way]}`}>
                {way}
              </Link>
            </span>
          ),
      )}
      {back !== undefined && (
        <>
          {' · '}
          <Link className="act" to={back}>
            back to the rehearsal
          </Link>
        </>
      )}
    </>
  );
}
