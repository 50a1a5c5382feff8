import { hasText } from '../common/rows/rows';
import { TypedSettings } from '../common/rows/TypedSettings';
import { unweighParts, weighParts } from '../common/rows/weights';
import type { ContentOf, Part } from '../content';
import type { KindUi } from '../kindUi';
import { GapRows } from './GapRows';
import { makeGap } from './gaps';
import { GapsAnswer } from './GapsAnswer';

const withParts = (content: ContentOf<'gaps'>, change: (parts: Part[]) => Part[]): ContentOf<'gaps'> => {
  const parts = change(content.gaps.map(({ part }) => part));
  return { ...content, gaps: content.gaps.map((gap, i) => ({ ...gap, part: parts[i] ?? gap.part })) };
};

export const gaps: KindUi<'gaps'> = {
  Rows: GapRows,
  Answer: GapsAnswer,
  isWithinStem: true,
  Settings: TypedSettings,
  lines: (content) => content.gaps.map(({ part }) => part),
  tidy: (content) => ({
    ...content,
    gaps: content.gaps.map(({ part, wordings, listed }) => ({
      part,
      ...(wordings && { wordings: wordings.filter(hasText) }),
      ...(listed && { listed: listed.filter(hasText) }),
    })),
  }),
  weighed: (content, remembered) => withParts(content, (parts) => weighParts(parts, remembered)),
  unweighed: (content) => withParts(content, unweighParts),
  weights: (content) => content.gaps.map(({ part }) => part.earns),
  withMarked: makeGap,
};
