import { hasText } from '../common/rows/rows';
import type { KindUi } from '../kindUi';
import { OrderAnswer } from './OrderAnswer';
import { OrderRows } from './OrderRows';

export const order: KindUi<'order'> = {
  Rows: OrderRows,
  Answer: OrderAnswer,
  lines: ({ items }) => items,
  tidy: (content) => ({ ...content, items: content.items.filter(hasText) }),
};
