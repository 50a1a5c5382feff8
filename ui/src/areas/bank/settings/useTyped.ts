import { useEffect, useEffectEvent, useState } from 'react';
import { useSettled } from '../../../parts/hooks/useSettled';

/** A text that is told once the typing pauses, and follows what is told from outside while nobody types. */
export function useTyped(text: string, onTyped: (text: string) => void): [string, (text: string) => void] {
  const [typed, setTyped] = useState<string | null>(null);
  const settled = useSettled(typed, 600);
  const tell = useEffectEvent((next: string) => {
    if (next !== text) onTyped(next);
  });
  useEffect(() => {
    if (settled !== null) tell(settled);
  }, [settled]);
  return [typed ?? text, setTyped];
}
