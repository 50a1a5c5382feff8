import { describe, expect, it } from 'vitest';
import type { Document } from '../../../src/areas/blueprint/document';
import { differences, nearest, presets, withPreset } from '../../../src/areas/blueprint/margin/presets';
import { documentOf } from '../../planned';

describe('sorts of assessments', () => {
  it.each(presets.map((preset) => [preset.name, preset] as const))('%s sets its rules and keeps times', (name, preset) => {
    const set = withPreset({ ...documentOf([]), rules: { time: '10 min', moving: 'any order' } }, preset);
    expect([set.rules?.time, nearest(set).preset.name, nearest(set).differs]).toEqual([preset.isUnjudged ? undefined : '10 min', name, []]);
  });

  it('a survey has neither a pass mark nor a clock', () => {
    const survey = presets.find(({ name }) => name === 'survey') as (typeof presets)[number];
    const mine: Document = {
      ...documentOf([]),
      rules: { ...survey.rules, time: '30 min' },
      review: survey.review,
      pass: { percent: '60' },
    };
    expect(differences(mine, survey)).toEqual(['pass', 'time']);
    expect(withPreset(mine, survey)).not.toHaveProperty('pass');
  });

  it('tell in which rules an assessment differs', () => {
    const test = presets[1] as (typeof presets)[number];
    const mine: Document = { ...withPreset(documentOf([]), test), review: {} };
    expect(differences({ ...mine, rules: { ...mine.rules, sittings: 2, worth: false } }, test)).toEqual(['worth', 'sittings', 'review']);
  });
});
