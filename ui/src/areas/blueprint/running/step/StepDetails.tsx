import { Link } from 'react-router';
import type { Blueprint, Document, Numbered, Step } from '../../document';
import { replaced, without } from '../../document';
import { CheckpointDetails } from '../route/CheckpointDetails';
import { DrawDetails } from './DrawDetails';
import { Leads } from './Leads';
import { PathsGrid } from '../route/PathsGrid';
import { RehearseFrom } from '../route/RehearseFrom';
import { RefresherLine } from './RefresherLine';
import { SettingsLine } from './SettingsLine';
import { WayChoice } from '../route/WayChoice';

export interface DetailsProps {
  at: Numbered;
  blueprint: Blueprint;
  document: Document;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

/** What is said at one step, in sentences with values to choose. */
export function StepDetails({ at, blueprint, document, readOnly, onChange }: DetailsProps) {
  const { step } = at;
  const put = (next: Step) => onChange(replaced(document, step.id, next));
  const shared = { blueprint, document, readOnly };
  return (
    <div className="space-y-1 pr-2 pb-3 pl-[82px] text-[15px]">
      {'page' in step && (
        <p>
          <Link className="act" to={`/banks/${blueprint.bank.id}/pages`}>
            The page “{step.page}”
          </Link>{' '}
          leads to{' '}
          <WayChoice
            label="Where the page leads"
            document={document}
            from={at.number}
            value={step.then ?? 'next'}
            readOnly={readOnly}
            onChange={(then) => {
              put(then === 'next' ? without(step, 'then') : { ...step, then });
            }}
          />
          .
        </p>
      )}
      {'draw' in step && <DrawDetails step={step} {...shared} onPut={put} />}
      {'question' in step && blueprint.questions[step.question] && (
        <p>
          <Link className="act" to={`/banks/${blueprint.bank.id}/questions/${blueprint.questions[step.question]?.id ?? 0}`}>
            Open the question
          </Link>
        </p>
      )}
      {('question' in step || 'draw' in step) && (
        <>
          <SettingsLine step={step} blueprint={blueprint} readOnly={readOnly} onPut={put} />
          <RefresherLine step={step} {...shared} onPut={put} />
        </>
      )}
      {'question' in step && <Leads step={step} from={at.number} {...shared} onPut={put} />}
      {'checkpoint' in step && <CheckpointDetails step={step} from={at.number} {...shared} onPut={put} />}
      {'checkpoint' in step && !readOnly && <PathsGrid blueprint={blueprint} step={step.id} />}
      {!readOnly && <RehearseFrom blueprint={blueprint} document={document} step={step.id} />}
    </div>
  );
}
