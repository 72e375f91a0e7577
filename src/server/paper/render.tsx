/** Renders a job sheet by sheet, telling how far it is, and binds the sheets into one PDF. */
import { Document, renderToBuffer } from '@react-pdf/renderer';
import { PDFDocument } from 'pdf-lib';
import type { PaperJob, PaperLook, Sheet } from './job';
import { SheetPage } from './sheets';
import { registerFonts } from './style';

/** So many sheets are laid out at a time: more at once is faster, fewer tell sooner how far it is. */
const AT_ONCE = 4;

/** A sheet that could not be made, and why. */
export interface FailedSheet {
  /** Whose sheet, or what it is. */
  readonly sheet: string;
  readonly reason: string;
}

function nameOf(sheet: Sheet): string {
  if (sheet.kind === 'class-test') return `group ${sheet.group}`;
  return 'of' in sheet ? (sheet.of.name ?? 'a sheet for anybody') : sheet.title;
}

/** What a reader of the file is told that it is. */
function titleOf([first, ...more]: readonly Sheet[]): string {
  const title = !first ? '' : 'game' in first ? first.game.title : 'title' in first ? first.title : '';
  return title === '' || more.some((sheet) => sheet.kind !== first!.kind) ? 'Lochside' : title;
}

async function pagesOf(look: PaperLook, sheets: readonly Sheet[]): Promise<PDFDocument> {
  const buffer = await renderToBuffer(
    <Document>
      {sheets.map((sheet, index) => (
        <SheetPage key={index} sheet={sheet} look={look} />
      ))}
    </Document>,
  );
  return PDFDocument.load(buffer);
}

/** The sheets as one PDF. One that cannot be made is told and left out; the others are kept. Throws when none could be made. */
export async function renderPaper(
  { look, sheets }: PaperJob,
  onDone: (done: number, of: number) => void,
  onFailed: (failed: FailedSheet) => void = () => undefined,
  make = pagesOf,
): Promise<Uint8Array> {
  registerFonts();
  const whole = await PDFDocument.create();
  whole.setLanguage(look.language === 'en' ? 'en-GB' : look.language);
  for (let at = 0; at < sheets.length; at += AT_ONCE) {
    const some: readonly Sheet[] = sheets.slice(at, at + AT_ONCE);
    const parts = await make(look, some).then(
      (part) => [part],
      // One of them cannot be made: each by itself tells which.
      async () => {
        const alone: PDFDocument[] = [];
        for (const sheet of some)
          await make(look, [sheet]).then(
            (part) => alone.push(part),
            (error: unknown) => onFailed({ sheet: nameOf(sheet), reason: error instanceof Error ? error.message : String(error) }),
          );
        return alone;
      },
    );
    for (const part of parts) for (const page of await whole.copyPages(part, part.getPageIndices())) whole.addPage(page);
    onDone(Math.min(sheets.length, at + AT_ONCE), sheets.length);
  }
  if (whole.getPageCount() === 0) throw new Error('none of the sheets could be made');
  // No names of children in the properties of the file.
  whole.setTitle(titleOf(sheets));
  whole.setProducer('Lochside');
  whole.setCreator('Lochside');
  return whole.save();
}
