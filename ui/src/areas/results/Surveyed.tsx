import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, dataOf, errorWords } from '../../api/client';
import { keys } from '../../api/keys';
import { Row } from '../../parts/PageAndMargin';
import { Rich } from '../../parts/text/Rich';
import { count } from '../../parts/text/figures';

/** What was given to questions that are not graded, gathered; asked for only when it is wanted, since every paper is read for it. */
export function Surveyed({ edition }: { edition: number }) {
  const [open, setOpen] = useState(false);
  const survey = useQuery({
    queryKey: keys.survey(edition),
    queryFn: () => dataOf(api.GET('/editions/{id}/survey', { params: { path: { id: edition } } })),
    enabled: open,
    gcTime: 0,
  });
  return (
    <>
      <Row
        className="pt-5"
        page={
          <h2>
            <button className="act" aria-expanded={open} onClick={() => setOpen(!open)}>
              {open ? 'put away what was given to ungraded questions' : 'gather what was given to ungraded questions'}
            </button>
          </h2>
        }
        margin={survey.error && <p className="notice">{errorWords(survey.error)}</p>}
      />
      {open && survey.isPending && <Row page={<p className="text-quiet">The papers are read …</p>} />}
      {open && survey.data?.questions.length === 0 && <Row page={<p>Every question of these papers is graded.</p>} />}
      {open &&
        survey.data?.questions.map((question) => (
          <Row
            key={question.question}
            line
            className="py-3!"
            page={
              <>
                <Rich text={question.stem} className="font-reading text-[17px] font-medium" />
                <ul className="mt-1 space-y-1">
                  {question.given.map(({ words, count: n }) => (
                    <li key={words} className="grid grid-cols-[1fr_90px_44px] items-center gap-3">
                      <span className="font-reading">
                        <Rich text={words} inline />
                      </span>
                      <span className="h-2 bg-tint" aria-hidden>
                        <span className="block h-2 bg-moss" style={{ width: `${(100 * n) / Math.max(1, question.answered)}%` }} />
                      </span>
                      <span className="fig text-right">{n}</span>
                    </li>
                  ))}
                </ul>
                {question.others > 0 && (
                  <p className="text-quiet">and {question.others} other responses; the table of responses has them.</p>
                )}
              </>
            }
            margin={
              <p>
                answered by <b className="fig">{question.answered}</b> of {count(question.asked, 'candidate')}
              </p>
            }
          />
        ))}
    </>
  );
}
