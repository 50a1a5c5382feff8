import { hasText } from '../common/rows/rows';
import { unweighParts, weighParts } from '../common/rows/weights';
import type { KindUi } from '../kindUi';
import { PlaceAnswer } from './PlaceAnswer';
import { PlaceRows } from './PlaceRows';

export const place: KindUi<'place'> = {
  Rows: PlaceRows,
  Answer: PlaceAnswer,
  isGivenInWords: true,
  lines: (content) => content.labels,
  weighed: (content, remembered) => ({ ...content, labels: weighParts(content.labels, remembered) }),
  unweighed: (content) => ({ ...content, labels: unweighParts(content.labels) }),
  weights: (content) => content.labels.map(({ earns }) => earns),
  tidy: (content) => ({ ...content, labels: content.labels.filter(hasText) }),
};
