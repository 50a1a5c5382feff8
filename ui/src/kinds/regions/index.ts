import { filled } from '../common/rows/rows';
import { unweighLines, weighLines } from '../common/rows/weights';
import type { KindUi } from '../kindUi';
import { RegionRows, RegionSettings } from './RegionRows';
import { RegionsAnswer } from './RegionsAnswer';

export const regions: KindUi<'regions'> = {
  Rows: RegionRows,
  Answer: RegionsAnswer,
  isGivenInWords: true,
  Settings: RegionSettings,
  howTo: ({ answers: { clicks } }) =>
    clicks === 1 ? null : clicks ? `Click up to ${clicks} places in the picture.` : 'Click every place in the picture.',
  lines: (content) => content.regions,
  tidy: (content) => content,
  withIds: (content) => ({ ...content, regions: filled(content.regions) }),
  weighed: (content, remembered) => ({ ...content, regions: weighLines(content.regions, remembered) }),
  unweighed: (content) => ({ ...content, regions: unweighLines(content.regions) }),
  weights: (content) => content.regions.map(({ weight }) => weight),
  withoutKeys: (content) => ({ ...content, regions: content.regions.map((region) => ({ ...region, key: false })) }),
};
