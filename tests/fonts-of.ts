import { PDFDict, PDFName, type PDFDocument } from 'pdf-lib';

/** Names of fonts, and those whose letters are not in the file. */
export function fontsOf(pdf: PDFDocument): { names: readonly string[]; missing: readonly string[] } {
  const descriptors = pdf.context
    .enumerateIndirectObjects()
    .flatMap(([, object]) => (object instanceof PDFDict && object.get(PDFName.of('Type')) === PDFName.of('FontDescriptor') ? [object] : []));
  const nameOf = (one: PDFDict) => String(one.get(PDFName.of('FontName')));
  return {
    names: descriptors.map(nameOf),
    missing: descriptors.filter((one) => !['FontFile', 'FontFile2', 'FontFile3'].some((key) => one.has(PDFName.of(key)))).map(nameOf),
  };
}
