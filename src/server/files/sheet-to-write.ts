/** A sheet of a workbook as it is handed to the program that writes it: the first row is the head, widths are in characters. */
export interface SheetToWrite {
  readonly name: string;
  readonly widths: readonly number[];
  readonly rows: readonly (readonly (string | number | boolean | null)[])[];
}
