import { listed } from '../common/rows/choices';
import type { KindUi } from '../kindUi';
import { SeveralAnswer } from './SeveralAnswer';
import { toggled } from './toggled';
import { SeveralRows, SeveralSettings } from './SeveralRows';

export const several: KindUi<'several'> = {
  ...listed,
  Rows: SeveralRows,
  Answer: SeveralAnswer,
  Settings: SeveralSettings,
  pressed: (question, response, n) => toggled(response, n, question.choose?.most ?? null),
  howTo: ({ choose }) => (choose?.most ? (choose.least === choose.most ? `Choose ${choose.most}.` : `Choose up to ${choose.most}.`) : null),
};
