import type { Part } from '../../content';
import type { Weights } from '../../kindUi';

// Going over to "weighed" and back: what each line earns comes and goes.

interface Weighed {
  weight?: string;
  key: boolean;
}

export const weighLines = <T extends Weighed>(lines: T[], remembered: Weights): T[] =>
  lines.map((line, i) => ({ ...line, weight: remembered[i] ?? line.weight ?? (line.key ? '1' : '0') }));

const without = <T extends object>(row: T, ...gone: string[]): T =>
  Object.fromEntries(Object.entries(row).filter(([field]) => !gone.includes(field))) as T;

export const unweighLines = <T extends Weighed>(lines: T[]): T[] => lines.map((line) => without(line, 'weight'));

/** A part that belongs nowhere earns nothing; what it loses is left as it is. */
export const weighParts = (parts: Part[], remembered: Weights): Part[] =>
  parts.map((part, i) => ((part.belongs?.length ?? 1) > 0 ? { ...part, earns: remembered[i] ?? part.earns ?? '1' } : part));

export const unweighParts = (parts: Part[]): Part[] => parts.map((part) => without(part, 'earns', 'loses'));
