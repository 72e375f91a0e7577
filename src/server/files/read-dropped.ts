/** What is in a dropped file: a table (CSV, XLSX, ODS) or messages (.eml, .mbox). Told by its first bytes, never by its name alone. */
import iconv from 'iconv-lite';
import ExcelJS from 'exceljs';
import { XMLParser } from 'fast-xml-parser';
import Papa from 'papaparse';
import PostalMime from 'postal-mime';
import yauzl from 'yauzl';

export interface DroppedMessage {
  readonly id: string;
  readonly from: string;
  readonly subject: string;
  /** ISO 8601; empty where it does not say. */
  readonly sentAt: string;
  readonly text: string;
}

export type Dropped =
  | { readonly kind: 'table'; readonly sheet: string; readonly rows: readonly (readonly string[])[]; readonly remark: string }
  | { readonly kind: 'messages'; readonly messages: readonly DroppedMessage[] }
  | { readonly kind: 'problem'; readonly reason: string; readonly fix: string };

const MOST_ROWS = 5_001;
const MOST_COLUMNS = 60;
const MOST_CELL = 400;
const MOST_MESSAGES = 200;
const MOST_TEXT = 20_000;
/** What a workbook may come to when it is unpacked, bytes, and of how many parts it may be. */
const MOST_UNPACKED = 40 * 1024 * 1024;
const MOST_PARTS = 500;

const problem = (reason: string, fix: string): Dropped => ({ kind: 'problem', reason, fix });

export async function readDropped(name: string, bytes: Buffer): Promise<Dropped> {
  if (bytes.length === 0) return problem('The file is empty.', 'Save it again and drop it here.');
  try {
    if (bytes.subarray(0, 2).toString('latin1') === 'PK') return await readWorkbook(bytes);
    if (bytes.subarray(0, 8).toString('latin1') === '\xd0\xcf\x11\xe0\xa1\xb1\x1a\xe1')
      return problem('This is a workbook of the old kind (.xls).', 'Save it as .xlsx or as CSV.');
    const { text, remark } = decoded(bytes);
    if (text === null) return problem('This is neither a table nor a message.', 'Drop a CSV or XLSX file, or messages saved as .eml or .mbox.');
    if (/^From \S+/.test(text)) return await readMailbox(bytes);
    if (/\.eml$/i.test(name) || /^(?:[A-Za-z-]+:[^\n]*\n(?:[ \t][^\n]*\n)*){2}/.test(text.replaceAll('\r\n', '\n').slice(0, 4000)))
      return { kind: 'messages', messages: [await readMail(bytes)] };
    return readCsv(text, remark);
  } catch (error) {
    return problem(
      `The file could not be read: ${(error as Error).message.slice(0, 120)}`,
      'Open it where it was made, save it again and drop it here.',
    );
  }
}

/** UTF-8 and UTF-16 by their marks or by being right; else Windows-1252, which is said. Null for what is no text. */
function decoded(bytes: Buffer): { text: string | null; remark: string } {
  const mark = bytes.subarray(0, 3);
  if (mark[0] === 0xff && mark[1] === 0xfe) return { text: iconv.decode(bytes, 'utf16-le'), remark: '' };
  if (mark[0] === 0xfe && mark[1] === 0xff) return { text: iconv.decode(bytes, 'utf16-be'), remark: '' };
  if (bytes.includes(0)) return { text: null, remark: '' };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), remark: '' };
  } catch {
    return { text: iconv.decode(bytes, 'windows-1252'), remark: 'The letters were read as Windows-1252: look at the names.' };
  }
}

const cell = (value: string) => value.replaceAll('\0', '').trim().slice(0, MOST_CELL);

function tableOf(sheet: string, rows: readonly (readonly string[])[], remark: string): Dropped {
  const kept = rows.filter((row) => row.some((one) => one.trim() !== ''));
  if (kept.length < 2) return problem('There is a heading and nothing below it.', 'The first line names the columns; each further line is a score.');
  if (kept.length > MOST_ROWS) return problem(`There are more than ${MOST_ROWS - 1} rows.`, 'Split it into several files.');
  if (kept.some((row) => row.length > MOST_COLUMNS))
    return problem(`There are more than ${MOST_COLUMNS} columns.`, 'Leave out those that are not scores.');
  return { kind: 'table', sheet, rows: kept.map((row) => row.map(cell)), remark };
}

/** CSV by RFC 4180, the separator guessed. */
function readCsv(text: string, remark: string): Dropped {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy', preview: MOST_ROWS + 1 });
  const quotes = errors.find((error) => error.type === 'Quotes');
  if (quotes)
    return problem(
      `A quotation mark is not closed${quotes.row === undefined ? '' : ` in line ${quotes.row + 1}`}.`,
      'Close it, or save the file as CSV again.',
    );
  return tableOf('', data, remark);
}

/** The parts of a workbook by its own list, before anything is unpacked. */
function unpackedSize(bytes: Buffer): Promise<{ bytes: number; parts: number; names: readonly string[] }> {
  return new Promise((resolve, reject) => {
    yauzl.fromBuffer(bytes, { lazyEntries: true }, (error, zip) => {
      if (error) return reject(error);
      let total = 0;
      const names: string[] = [];
      zip.on('entry', (entry: yauzl.Entry) => {
        total += entry.uncompressedSize;
        names.push(entry.fileName);
        if (names.length > MOST_PARTS) resolve({ bytes: total, parts: names.length, names });
        else zip.readEntry();
      });
      zip.on('end', () => resolve({ bytes: total, parts: names.length, names }));
      zip.on('error', reject);
      zip.readEntry();
    });
  });
}

async function readWorkbook(bytes: Buffer): Promise<Dropped> {
  const packed = await unpackedSize(bytes);
  if (packed.bytes <= MOST_UNPACKED && packed.parts <= MOST_PARTS && packed.names.includes('mimetype') && packed.names.includes(ODS_CONTENT))
    return readOpenDocument(await partOf(bytes, ODS_CONTENT));
  if (packed.names.includes('mimetype') || !packed.names.some((name) => name.startsWith('xl/')))
    return problem('This packed file is no workbook.', 'Save it as .xlsx, .ods or CSV.');
  if (packed.bytes > MOST_UNPACKED || packed.parts > MOST_PARTS)
    return problem('This workbook is far too large when it is unpacked.', 'Copy the scores into a new workbook and save that.');
  const book = new ExcelJS.Workbook();
  await book.xlsx.load(bytes as unknown as ArrayBuffer, {
    ignoreNodes: ['drawing', 'picture', 'dataValidations', 'conditionalFormatting', 'extLst'],
  });
  const sheet = book.worksheets.find((one) => one.actualRowCount > 1) ?? book.worksheets[0];
  if (!sheet) return problem('The workbook has no sheet.', 'Save it again with the scores on the first sheet.');
  if (sheet.actualRowCount > MOST_ROWS) return problem(`There are more than ${MOST_ROWS - 1} rows.`, 'Split it into several files.');
  const rows: string[][] = [];
  sheet.eachRow((row) => {
    const cells: string[] = [];
    for (let column = 1; column <= Math.min(MOST_COLUMNS + 1, row.cellCount); column += 1) cells.push(writtenIn(row.getCell(column).value));
    rows.push(cells);
  });
  return tableOf(sheet.name, rows, '');
}

const ODS_CONTENT = 'content.xml';

/** One part of a packed file, unpacked. */
function partOf(bytes: Buffer, name: string): Promise<string> {
  return new Promise((resolve, reject) => {
    yauzl.fromBuffer(bytes, { lazyEntries: true }, (error, zip) => {
      if (error) return reject(error);
      zip.on('entry', (entry: yauzl.Entry) => {
        if (entry.fileName !== name) return zip.readEntry();
        zip.openReadStream(entry, (failed, stream) => {
          if (failed) return reject(failed);
          const parts: Buffer[] = [];
          stream.on('data', (part: Buffer) => parts.push(part));
          stream.on('error', reject);
          stream.on('end', () => resolve(Buffer.concat(parts).toString('utf8')));
        });
      });
      zip.on('error', reject);
      zip.on('end', () => reject(new Error(`there is no ${name} in it`)));
      zip.readEntry();
    });
  });
}

type Node = Readonly<Record<string, unknown>>;

const nodesIn = (node: unknown, name: string): readonly Node[] => ((node as Node | undefined)?.[name] as readonly Node[] | undefined) ?? [];
const repeatedColumns = (node: Node) => Number(node['@table:number-columns-repeated'] ?? 1);
type Ordered = readonly Readonly<Record<string, unknown>>[];

const inOrder = new XMLParser({ preserveOrder: true, trimValues: false, parseTagValue: false });

/** The text of what was parsed in its order, with all that is marked in it. */
const textOf = (parts: Ordered): string =>
  parts
    .map((part) =>
      typeof part['#text'] === 'string'
        ? part['#text']
        : Object.values(part)
            .flatMap((one) => (Array.isArray(one) ? textOf(one as Ordered) : []))
            .join(''),
    )
    .join('');

const textIn = (paragraph: unknown): string => textOf(inOrder.parse(`<p>${paragraph as string}</p>`) as Ordered);

/** The first sheet with more than a heading (OASIS OpenDocument 1.3, part 3, tables). Empty rows and cells that are said to repeat are left out. */
function readOpenDocument(xml: string): Dropped {
  const parser = new XMLParser({
    ignoreAttributes: false,
    attributeNamePrefix: '@',
    parseTagValue: false,
    trimValues: false,
    // A paragraph holds text and marks in an order that matters.
    stopNodes: ['*.text:p'],
    isArray: (name) => ['table:table', 'table:table-row', 'table:table-cell', 'text:p'].includes(name),
  });
  const document = parser.parse(xml) as Record<string, Record<string, Record<string, unknown>> | undefined>;
  const sheets = nodesIn(document['office:document-content']?.['office:body']?.['office:spreadsheet'], 'table:table');
  const tables = sheets.map((sheet) => ({
    name: `${(sheet['@table:name'] as string | undefined) ?? ''}`,
    rows: nodesIn(sheet, 'table:table-row')
      .map((row) =>
        nodesIn(row, 'table:table-cell').flatMap((one) => {
          const text = nodesIn(one, 'text:p').map(textIn).join(' ');
          return Array.from({ length: Math.min(repeatedColumns(one), text === '' ? MOST_COLUMNS : 1_000) }, () => text);
        }),
      )
      .filter((cells) => cells.some((text) => text !== ''))
      // What stands to the right of the last word is a whole sheet of nothing.
      .map((cells) => cells.slice(0, cells.findLastIndex((text) => text !== '') + 1)),
  }));
  const table = tables.find(({ rows }) => rows.length > 1) ?? tables[0];
  if (!table) return problem('The workbook has no sheet.', 'Save it again with the scores on the first sheet.');
  return tableOf(table.name, table.rows, '');
}

/** What a cell shows: of a formula its result, of a date the day. */
function writtenIn(value: ExcelJS.CellValue): string {
  if (value === null || value === undefined) return '';
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  if (typeof value !== 'object') return `${value}`;
  if ('result' in value) return writtenIn(value.result as ExcelJS.CellValue);
  if ('richText' in value) return value.richText.map((run) => run.text).join('');
  if ('text' in value) return `${value.text}`;
  return '';
}

/** RFC 5322 and MIME through postal-mime. Text only: what is attached is not read, and nothing of HTML is shown. */
async function readMail(bytes: Uint8Array): Promise<DroppedMessage> {
  const mail = await PostalMime.parse(bytes, { maxNestingDepth: 20, maxHeadersSize: 256 * 1024 });
  const sentAt = mail.date !== undefined && !Number.isNaN(Date.parse(mail.date)) ? new Date(mail.date).toISOString() : '';
  return {
    id: (mail.messageId ?? '').slice(0, 200),
    from: (mail.from?.address ?? mail.from?.name ?? '').slice(0, 120),
    subject: (mail.subject ?? '').slice(0, 160),
    sentAt,
    text: (mail.text ?? '').replaceAll('\r\n', '\n').replaceAll('\0', '').trim().slice(0, MOST_TEXT),
  };
}

/** The messages of an .mbox: each begins with a line "From " after an empty one. */
async function readMailbox(bytes: Buffer): Promise<Dropped> {
  const text = bytes.toString('latin1');
  const starts = [...text.matchAll(/(?:^|\r?\n\r?\n)From \S[^\n]*\n/g)].map((match) => ({ head: match.index, body: match.index + match[0].length }));
  if (starts.length > MOST_MESSAGES) return problem(`There are more than ${MOST_MESSAGES} messages.`, 'Drop fewer at once.');
  const messages: DroppedMessage[] = [];
  for (const [index, { body }] of starts.entries()) {
    const own = text.slice(body, starts[index + 1]?.head ?? text.length).replace(/^>(>*From )/gm, '$1');
    messages.push(await readMail(Buffer.from(own, 'latin1')));
  }
  return { kind: 'messages', messages };
}
