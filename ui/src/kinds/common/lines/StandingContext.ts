import { createContext } from 'react';
import type { Schema } from '../../../api/client';

/** What stands at the lines of a question: the proofreader's notes and reviewers' comments, and what can be done with them. */
export interface Standing {
  proofs: Schema['Proof'][];
  comments: Schema['Comment'][];
  mayWrite: boolean;
  waveOff: (proof: Schema['Proof'], reason: string) => void;
  bringBack: (proof: Schema['Proof']) => void;
  comment: (where: string, text: string) => void;
  changeComment: (comment: Schema['Comment'], change: { text?: string; closed?: boolean }) => void;
}

export const StandingContext = createContext<Standing | null>(null);
