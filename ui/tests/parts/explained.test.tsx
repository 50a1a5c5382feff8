import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { meanings, settings } from '../../src/kinds/facts.gen';
import { EditableChoice } from '../../src/parts/fields/Editable';
import { Term } from '../../src/parts/fields/Explained';
import { Toggle } from '../../src/parts/fields/Toggle';
import { settled } from '../served';

afterEach(cleanup);
const nothing = () => undefined;
const explained = async (name: string | RegExp) => {
  const word = screen.getByRole('button', { name });
  act(() => word.focus());
  await settled();
  return screen.getByRole('tooltip').textContent;
};

describe('words of the trade', () => {
  it('say what they mean, each that a setting can be picked from', () => {
    expect([...(settings.marking?.words ?? []), ...(settings.stands?.words ?? [])].filter((word) => !(word in meanings))).toEqual([]);
  });

  it.each(['floor', 'stands'])('%s, with the focus', async (word) => {
    render(<Term means={meanings[word]}>{word}</Term>);
    expect(await explained(word)).toBe(meanings[word]);
  });

  it('when it is touched', async () => {
    render(<Term means={meanings.floor}>floor</Term>);
    fireEvent.click(screen.getByRole('button', { name: 'floor' }));
    await settled();
    expect(screen.getByRole('tooltip').textContent).toBe(meanings.floor);
  });

  it('a place that is pinned, and one that is free', async () => {
    render(<Toggle on words={['pinned', 'free']} label="Place of answer 1" disabled={false} meanings={meanings} onChange={nothing} />);
    expect(await explained('Place of answer 1 is pinned, change')).toBe(meanings.pinned);
  });

  it('each of those that can be picked, in the list too', async () => {
    const options = ['whole', 'parts'].map((value) => ({ value, words: value, means: meanings[value] }));
    render(<EditableChoice label="Marking" value="whole" options={options} onChange={nothing} />);
    expect(await explained('Marking: whole, change')).toBe(meanings.whole);
    fireEvent.keyDown(screen.getByRole('button'), { key: 'Enter' });
    expect(screen.getByRole('menuitemradio', { name: 'parts' }).textContent).toBe(`parts${meanings.parts ?? ''}`);
  });
});
