import type { Content } from '../../content';

/** One that no row has, nor was known by. */
export const nextId = (rows: { id?: number }[]) => Math.max(0, rows.length, ...rows.map((row) => row.id ?? 0)) + 1;
export const isWeighed = (content: Content) => content.settings?.marking === 'weighed';
/** A number typed over: a true minus becomes the sign that is stored. */
export const plain = (value: string) => value.replace('−', '-').replace(',', '.').trim();
export const hasText = ({ text }: { text: string }) => text.trim() !== '';
export const filled = <T extends { id?: number }>(rows: T[]): T[] => rows.map((row, i) => ({ ...row, id: row.id ?? i + 1 }));
