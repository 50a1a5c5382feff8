import { createContext } from 'react';
import type { Schema } from '../../../api/client';

/** What stands at the lines of a question: the proofreader's notes and reviewers' remarks, and what can be done with them. */
export interface Standing {
  proofs: Schema['Proof'][];
  remarks: Schema['Remark'][];
  mayWrite: boolean;
  waveOff: (proof: Schema['Proof'], reason: string) => void;
  bringBack: (proof: Schema['Proof']) => void;
  remark: (where: string, text: string) => void;
  goOn: (remark: Schema['Remark'], change: { text?: string; closed?: boolean }) => void;
}

export const StandingContext = createContext<Standing | null>(null);
