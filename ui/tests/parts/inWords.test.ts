import { describe, expect, it } from 'vitest';
import { inWords } from '../../src/parts/text/inWords';
import cases from '../../../tests/fixtures/in-words.json';

describe('a text in words, as names are read out', () => {
  it.each(Object.entries(cases))('%s', (written, reads) => {
    expect(inWords(written)).toBe(reads);
  });
});
