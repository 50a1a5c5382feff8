import { choosing } from '../common/rows/choices';
import type { KindUi } from '../kindUi';
import { ClaimAnswer } from './ClaimAnswer';
import { ClaimRows, ClaimSettings } from './ClaimRows';

export const claim: KindUi<'claim'> = {
  ...choosing,
  pressed: (_, __, n) => ({ choose: [n] }),
  Rows: ClaimRows,
  Answer: ClaimAnswer,
  Settings: ClaimSettings,
  tidy: (content) => content,
};
