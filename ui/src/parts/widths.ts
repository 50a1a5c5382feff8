/** The widths, in pixels, at which something is looked at as others have it. */
export const widths = { desk: 1280, tablet: 768, phone: 390 };
export type Width = keyof typeof widths;
export const widthOptions = (['desk', 'tablet', 'phone'] as const).map((value) => ({ value, words: value }));
