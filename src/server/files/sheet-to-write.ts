/** What a spreadsheet would run begins with one of these; an apostrophe before it makes it text. */
export const safeText = <T extends string | number | boolean | null>(value: T): T | string =>
  typeof value === 'string' && /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;

/** A sheet of a workbook as it is handed to the program that writes it: the first row is the head, widths are in characters. */
export interface SheetToWrite {
  readonly name: string;
  readonly widths: readonly number[];
  readonly rows: readonly (readonly (string | number | boolean | null)[])[];
}
