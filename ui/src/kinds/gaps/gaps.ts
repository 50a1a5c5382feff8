import type { Schema } from '../../api/client';
import type { ContentOf } from '../content';
import { nextId } from '../common/rows/rows';

export type Gap = Schema['Gap'];

const mark = /_{3,}/g;

export const gapsIn = (stem: string) => stem.match(mark)?.length ?? 0;

/** Gaps in the order of the stem, which is their number; what they are known by stays. */
export const numbered = (gaps: Gap[]): Gap[] =>
  gaps.map((gap, i) => ({ ...gap, part: { ...gap.part, text: `gap ${i + 1}`, belongs: [String(i + 1)] } }));

const newId = (gaps: Gap[]) => nextId(gaps.map(({ part }) => part));

/** A gap more, of which nothing is said yet. */
export const withGap = (gaps: Gap[]): Gap[] => [...gaps, { part: { id: newId(gaps), text: '' }, wordings: [{ text: '' }] }];

/** A gap at this place of the stem, with the words that stood there as its key. */
export function makeGap(content: ContentOf<'gaps'>, from: number, to: number): ContentOf<'gaps'> {
  const words = content.stem.slice(from, to);
  const trimmed = words.trim();
  const stem = content.stem.slice(0, from) + words.replace(/\S[\s\S]*\S|\S|^$/, '___') + content.stem.slice(to);
  const at = gapsIn(content.stem.slice(0, from));
  const gap: Gap = { part: { id: newId(content.gaps), text: `gap ${at + 1}` }, wordings: [{ text: trimmed }] };
  const weighed = content.settings?.marking === 'weighed';
  return {
    ...content,
    stem,
    gaps: numbered(content.gaps.toSpliced(at, 0, weighed ? { ...gap, part: { ...gap.part, earns: '1' } } : gap)),
  };
}

/** The gap closed again: its first wording, or its key, stands in the stem. */
export function closeGap(content: ContentOf<'gaps'>, at: number): ContentOf<'gaps'> {
  const gap = content.gaps[at];
  const words = gap?.wordings?.[0]?.text ?? gap?.listed?.find((l) => l.key)?.text ?? '';
  let n = -1;
  const stem = content.stem.replace(mark, (found) => (++n === at ? words : found));
  return { ...content, stem, gaps: numbered(content.gaps.toSpliced(at, 1)) };
}
