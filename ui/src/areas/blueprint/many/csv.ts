/** A cell that a spreadsheet shows as it is: what it would run gets an apostrophe in front. */
const cell = (text: string) => {
  const safe = /^[=+\-@\t\r]/.test(text) && !/^-?\d+(\.\d+)?$/.test(text) ? `'${text}` : text;
  return /[",\n]/.test(safe) ? `"${safe.replaceAll('"', '""')}"` : safe;
};

/** Rows as the address of a file. */
export const csvOf = (rows: readonly (readonly string[])[]) =>
  `data:text/csv;charset=utf-8,${encodeURIComponent(rows.map((row) => row.map(cell).join(',')).join('\r\n'))}`;
