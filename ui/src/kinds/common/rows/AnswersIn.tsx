import type { SettingParts } from '../../kindUi';

const orders = [
  { value: 'yes', words: 'shuffled' },
  { value: 'no', words: 'in the order written' },
];

/** How answers to choose from are laid out. */
export function AnswersIn({ pick, layouts }: SettingParts & { layouts: { value: string; words: string }[] }) {
  return (
    <>
      {' · '}
      answers {pick('shuffle', 'Shuffled or not', orders)} in {pick('layout', 'Layout of the answers', layouts)}
    </>
  );
}

export const layouts = ['column', 'two columns', 'row'].map((value) => ({ value, words: value }));
