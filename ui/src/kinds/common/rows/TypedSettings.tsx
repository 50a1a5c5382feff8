import type { SettingParts } from '../../kindUi';

/** How typed words are compared. */
export function TypedSettings({ get, value }: SettingParts) {
  return (
    <>
      {' · '}
      ignores {value('ignore', 'What is ignored')} · {value('typos', 'Typos allowed')} {get('typos') === '1' ? 'typo' : 'typos'} allowed
    </>
  );
}
