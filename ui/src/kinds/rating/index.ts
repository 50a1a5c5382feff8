import type { KindUi } from '../kindUi';
import { RatingAnswer } from './RatingAnswer';
import { RatingRows } from './RatingRows';

export const rating: KindUi<'rating'> = {
  Rows: RatingRows,
  Answer: RatingAnswer,
  lines: () => [],
  tidy: (content) => ({ ...content, ends: content.ends.every((end) => end.trim() === '') ? [] : content.ends }),
};
