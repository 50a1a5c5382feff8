/** Versions of the open standard that packages are written in. */
export const standards = [
  { value: 'qti30', words: 'QTI 3.0' },
  { value: 'qti21', words: 'QTI 2.1' },
] as const;

export type Standard = (typeof standards)[number]['value'];
