import type { Content } from '../../../kinds/content';
import { isWeighed } from '../../../kinds/common/rows';

/** What going over to weights takes away, to bring back on the way back. */
export interface Remembered {
  points: string | undefined;
  /** By the place of the answer or area. */
  weights: (string | undefined)[];
}

/** The content under another marking: weights and points come back when one goes to and fro. */
export function markedBy(
  content: Content,
  marking: string,
  before: Remembered | null,
  worth: string | undefined,
): { content: Content; remembered: Remembered | null } {
  const was = isWeighed(content);
  const next = reset(content, 'marking', marking);
  const weights = [...(content.choices ?? []), ...(content.regions ?? [])].map((row) => row.weight);
  if (marking === 'weighed') {
    const weigh = <T extends { weight?: string }>(list: T[]) =>
      list.map((row, i) => ({ ...row, weight: before?.weights[i] ?? row.weight ?? '0' }));
    return {
      content: { ...next, ...(next.choices && { choices: weigh(next.choices) }), ...(next.regions && { regions: weigh(next.regions) }) },
      remembered: { points: content.settings?.points, weights: before?.weights ?? weights },
    };
  }
  // Where nothing is remembered, the question stays worth what its weights made it.
  const points = before ? before.points : worth;
  const back = was && points !== undefined && next.settings?.points === undefined;
  return {
    content: back ? { ...next, settings: { ...next.settings, points } } : next,
    remembered: was ? { points, weights } : before,
  };
}

/** For surveys: nothing is right, everything is recorded. */
export function withoutKeys(content: Content): Content {
  const plainly = reset(reset(content, 'marking', null), 'key', 'none');
  return {
    ...plainly,
    ...(plainly.choices && { choices: plainly.choices.map((c) => ({ ...c, key: false })) }),
    ...(plainly.regions && { regions: plainly.regions.map((r) => ({ ...r, key: false })) }),
    ...(plainly.wordings && { wordings: [] }),
    ...(plainly.spans && { spans: [] }),
  };
}

/** A setting made or set back, with what follows from it: weights come and go with "weighed", keys go with "recorded only". */
export function reset(content: Content, word: string, value: string | null): Content {
  const without = (settings: Record<string, string>, gone: string) =>
    Object.fromEntries(Object.entries(settings).filter(([key]) => key !== gone));
  const rest = without(content.settings ?? {}, word);
  const settings = value === null ? rest : { ...rest, [word]: value };
  if (word !== 'marking') return { ...content, settings };
  const weighed = value === 'weighed';
  const weigh = <T extends { weight?: string; key: boolean }>(list: T[]): T[] =>
    list.map(({ weight, ...row }) => (weighed ? { ...row, weight: weight ?? (row.key ? '1' : '0') } : row) as T);
  const earn = <T extends { earns?: string; loses?: string; belongs?: string[] }>(list: T[]): T[] =>
    list.map(
      ({ earns, loses, ...row }) =>
        (weighed ? { ...row, ...((row.belongs?.length ?? 1) > 0 && { earns: earns ?? '1' }), ...(loses && { loses }) } : row) as T,
    );
  return {
    ...content,
    settings: weighed ? without(settings, 'points') : settings,
    ...(content.choices && { choices: weigh(content.choices) }),
    ...(content.regions && { regions: weigh(content.regions) }),
    ...(content.pairs && { pairs: earn(content.pairs) }),
    ...(content.items && content.kind === 'groups' && { items: earn(content.items) }),
    ...(content.labels && { labels: earn(content.labels) }),
    ...(content.gaps && { gaps: content.gaps.map((gap) => ({ ...gap, part: earn([gap.part])[0] ?? gap.part })) }),
  };
}
