/** Beside what can be written already and what sittings do not obey yet. */
export function NoEffectYet({ what = '' }: { what?: string }) {
  return <span className="text-quiet italic">(kept{what}; sittings do not obey it yet)</span>;
}
