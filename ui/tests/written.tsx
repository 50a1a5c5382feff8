import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { type ReactNode, useState } from 'react';
import type { Content, Margin } from '../src/kinds/content';

/** Something that edits a question, with the question as it stands after each change. */
export function edited<C extends Content>(content: C, show: (parts: { content: C; edit: (make: (c: C) => C) => void }) => ReactNode) {
  let now = content;
  function Page() {
    const [shown, setShown] = useState(content);
    const edit = (make: (c: C) => C) => {
      now = make(now);
      setShown(now);
    };
    return show({ content: shown, edit });
  }
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Page />
    </QueryClientProvider>,
  );
  return { now: () => now };
}

export const margin = (settings: Record<string, string> = {}): Margin => ({
  worth: '10',
  settings: Object.fromEntries(Object.entries(settings).map(([word, value]) => [word, { value, from: 'question' }])),
  lines: {},
  key: { outcome: 'right', earned: ['10'] },
  blank: '0',
  wrong: '2',
  keyInWords: [],
  spans: [],
});

export const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label);

/** Types over what a field has. */
export const write = (label: string, value: string) => fireEvent.change(field(label), { target: { value } });

export const key = (label: string, pressed: string, more: object = {}) => fireEvent.keyDown(field(label), { key: pressed, ...more });

export const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

/** Clicks a value in a sentence and types another over it. */
export function typeOver(label: string, value: string) {
  press(new RegExp(`^${label}: .*, change$`));
  write(label, value);
  key(label, 'Enter');
}

/** Picks another word for a value in a sentence. */
export function pick(label: string, words: string) {
  const button = screen.getByRole('button', { name: new RegExp(`^${label}: .*, change$`) });
  act(() => button.focus());
  fireEvent.keyDown(button, { key: 'Enter' });
  fireEvent.click(screen.getByRole('menuitemradio', { name: words }));
}

/** Pastes lines where a field's text ends. */
export const paste = (label: string, text: string) => {
  const box = field(label);
  box.setSelectionRange(box.value.length, box.value.length);
  fireEvent.paste(box, { clipboardData: { getData: (type: string) => (type === 'text/plain' ? text : ''), files: [] } });
};
