import type { Blueprint } from './usePlan';

interface Step {
  id: string;
  page?: string;
  question?: string;
  draw?: { take: number; pool: { objective?: string; kinds?: string[]; tags?: string[] } };
  checkpoint?: { routes?: { to: string }[]; otherwise?: string; announced?: boolean };
  then?: string;
  refresher?: { pages?: string[] } | null;
}
interface Section {
  id: string;
  title?: string;
  time?: string;
  order?: string;
  rules?: Record<string, unknown>;
  steps: Step[];
}

/** The running order of a blueprint that is written as a whole, in words. */
export function WholeSteps({ blueprint }: { blueprint: Blueprint }) {
  const sections = (blueprint.document as { sections?: Section[] }).sections ?? [];
  return sections.map((section) => (
    <section key={section.id} className="pb-3">
      <h2 className="flex flex-wrap items-baseline gap-x-3">
        <span className="head">{section.title === undefined || section.title === '' ? section.id : section.title}</span>
        <span className="path">
          {[section.time && `${section.time} for it`, section.order === 'mixed' && 'mixed', section.rules?.moving as string | undefined]
            .filter(Boolean)
            .join(' · ')}
        </span>
      </h2>
      <ol>
        {section.steps.map((step) => (
          <li key={step.id} className="grid grid-cols-[60px_1fr] items-baseline border-t border-rule py-1">
            <span className="fig text-sm text-quiet">{step.id}</span>
            <span>{inWords(step)}</span>
          </li>
        ))}
      </ol>
    </section>
  ));
}

function inWords(step: Step): string {
  const on = step.then ? `, then to ${step.then}` : '';
  if (step.page !== undefined) return `read “${step.page}”${on}`;
  if (step.question !== undefined)
    return `“${step.question}”${step.refresher?.pages ? `, failed: read “${step.refresher.pages.join('”, “')}” again` : ''}`;
  if (step.draw) {
    const { objective, kinds, tags } = step.draw.pool;
    return `take ${step.draw.take} of ${[objective?.replaceAll(' > ', ' › ') ?? 'any objective', kinds?.join(' or '), tags?.join(', ')].filter(Boolean).join(': ')}`;
  }
  const routes = step.checkpoint?.routes ?? [];
  return `checkpoint${step.checkpoint?.announced ? ', announced' : ''}: by ${routes.length === 1 ? 'a condition' : `${routes.length} conditions`} to ${routes.map((route) => route.to).join(', ')}; otherwise ${step.checkpoint?.otherwise ?? 'next'}`;
}
