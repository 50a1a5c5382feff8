import { listed } from '../common/rows/choices';
import type { KindUi } from '../kindUi';
import { OneAnswer } from './OneAnswer';
import { OneRows, OneSettings } from './OneRows';

export const one: KindUi<'one'> = {
  ...listed,
  pressed: (_, __, n) => ({ choose: [n] }),
  Rows: OneRows,
  Answer: OneAnswer,
  Settings: OneSettings,
};
