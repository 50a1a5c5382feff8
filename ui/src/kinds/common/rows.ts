import type { Content, Margin } from '../content';

/** What the rows of every kind are given. */
export interface RowsProps {
  content: Content;
  margin: Margin | null;
  readOnly: boolean;
  edit: (make: (content: Content) => Content) => void;
  bank: number;
}

/** One that no row has, nor was known by. */
export const nextId = (rows: { id?: number }[]) => Math.max(0, rows.length, ...rows.map((row) => row.id ?? 0)) + 1;
export const isWeighed = (content: Content) => content.settings?.marking === 'weighed';
/** A number typed over: a true minus becomes the sign that is stored. */
export const plain = (value: string) => value.replace('−', '-').replace(',', '.').trim();
