/** Writes a workbook of one sheet as a process of its own: the sheet as JSON on its input, XLSX on its output. */
import { json } from 'node:stream/consumers';
import ExcelJS from 'exceljs';
import type { SheetToWrite } from '@/server/files/sheet-to-write';

const { name, widths, rows } = (await json(process.stdin)) as SheetToWrite;
const book = new ExcelJS.Workbook();
const sheet = book.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
rows.forEach((row, index) => {
  const added = sheet.addRow([...row]);
  if (index === 0) added.font = { bold: true };
});
sheet.columns.forEach((column, index) => (column.width = widths[index]!));
process.stdout.write(new Uint8Array(await book.xlsx.writeBuffer()));
