/** Renders a job sheet by sheet, telling how far it is, and binds the sheets into one PDF. */
import { Document, renderToBuffer } from '@react-pdf/renderer';
import { PDFDocument } from 'pdf-lib';
import type { PaperJob, Sheet } from './job';
import { SheetPage } from './sheets';
import { registerFonts } from './style';

/** So many sheets are laid out at a time: more at once is faster, fewer tell sooner how far it is. */
const AT_ONCE = 4;

export async function renderPaper({ look, sheets }: PaperJob, onDone: (done: number, of: number) => void): Promise<Uint8Array> {
  registerFonts();
  const whole = await PDFDocument.create();
  for (let at = 0; at < sheets.length; at += AT_ONCE) {
    const some: readonly Sheet[] = sheets.slice(at, at + AT_ONCE);
    const buffer = await renderToBuffer(
      <Document>
        {some.map((sheet, index) => (
          <SheetPage key={index} sheet={sheet} look={look} />
        ))}
      </Document>,
    );
    const part = await PDFDocument.load(buffer);
    for (const page of await whole.copyPages(part, part.getPageIndices())) whole.addPage(page);
    onDone(Math.min(sheets.length, at + AT_ONCE), sheets.length);
  }
  // No names in the properties of the file.
  whole.setTitle('Lochside');
  whole.setProducer('Lochside');
  whole.setCreator('Lochside');
  return whole.save();
}
