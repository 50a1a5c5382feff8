import { cleanup, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { useState } from 'react';
import type { Document, Section } from '../../../../src/areas/blueprint/document';
import { SectionHead } from '../../../../src/areas/blueprint/running/SectionHead';
import { at } from '../../../served';
import { pick, press } from '../../../written';

afterEach(cleanup);

const plan = (rules?: object): Document => ({ v: 2, title: 'Paper', sections: [{ id: 'a', title: 'First', steps: [], ...(rules && { rules }) }, { id: 'b', title: 'Second', steps: [] }] }); // prettier-ignore

async function opened(rules?: object, readOnly = false) {
  let now = plan(rules);
  function Page() {
    const [document, setDocument] = useState(now);
    const change = (next: Document) => {
      now = next;
      setDocument(next);
    };
    return <SectionHead document={document} section={document.sections[0] as Section} i={0} readOnly={readOnly} onChange={change} />;
  }
  await at('/', '/', <Page />);
  return () => now.sections[0]?.rules;
}

describe('the rules of one section', () => {
  it.each([
    [{ moving: 'any order' }, 'moving', 'forward only', { moving: 'forward only' }],
    [{ moving: 'any order' }, 'what is on a page', 'a section a page', { moving: 'any order', screen: 'section' }],
    [{ key: true }, 'right answer shown', 'is not shown', { key: false }],
    [{ mustAnswer: true, worth: true }, 'leaving blank', 'as the whole', { worth: true }],
    [{ feedback: 'never' }, 'feedback', 'as the whole', undefined],
  ])('%o changed in %s to “%s”', async (rules, what, words, after) => {
    const now = await opened(rules);
    press('rules of its own');
    pick(`Here, ${what}`, words);
    expect(now()).toEqual(after);
  });

  it('are told to whoever may not change them, those that it has', async () => {
    await opened({ moving: 'forward only' }, true);
    press('rules of its own');
    expect(screen.getByLabelText('Rules of “First”').textContent).toBe('Here moving forward only.');
  });
});
