import { createReadStream } from 'node:fs';
import ExcelJS from 'exceljs';
import { undisarmed } from './readCsv.js';
import type { Cell, Piece } from './source.js';

/** Figures of a cell without the dust of binary fractions. */
const DIGITS = 12;

/** The text of a cell, or why it has none. A formula gives its stored result. */
function cellOf(value: ExcelJS.CellValue): Cell {
  if (value === null || value === undefined) return { text: '' };
  if (typeof value === 'string') return { text: undisarmed(value) };
  if (typeof value === 'number') return { text: String(Number(value.toPrecision(DIGITS))) };
  if (typeof value === 'boolean') return { text: value ? 'true' : 'false' };
  if (value instanceof Date) return { text: value.toISOString().slice(0, 10) };
  if ('error' in value)
    return { text: '', problem: `The cell shows the error ${value.error}. Mend it in the spreadsheet.` };
  if ('richText' in value) return { text: undisarmed(value.richText.map((part) => part.text).join('')) };
  if ('formula' in value || 'sharedFormula' in value) {
    const inner = cellOf(value.result);
    if (inner.text === '' && inner.problem === undefined)
      return { text: '', problem: 'The cell holds a formula without a result. Put its value there.' };
    return { ...inner, remark: 'The result of a formula was taken; the formula itself was not run.' };
  }
  if ('hyperlink' in value) return { text: undisarmed(value.text) };
  return { text: '', problem: 'The cell holds something that is no text and no figure.' };
}

/** Reads a workbook sheet by sheet, row by row; only its shared words are held in memory. */
export async function* readXlsx(path: string): AsyncGenerator<Piece> {
  const reader = new ExcelJS.stream.xlsx.WorkbookReader(createReadStream(path), {
    worksheets: 'emit',
    sharedStrings: 'cache',
    hyperlinks: 'ignore',
    styles: 'cache',
    entries: 'ignore',
  });
  for await (const sheet of reader) {
    const source = (sheet as unknown as { readonly name: string }).name;
    let headers: readonly string[] | undefined;
    for await (const row of sheet) {
      const width = headers?.length ?? row.cellCount;
      const cells = Array.from({ length: Math.max(width, 1) }, (_, at) => cellOf(row.getCell(at + 1).value));
      if (cells.every((cell) => cell.text.trim() === '' && cell.problem === undefined)) continue;
      if (!headers) {
        headers = cells.map((cell) => cell.text.trim());
        yield { form: 'table', source, headers };
        continue;
      }
      yield { form: 'row', source, place: `sheet ${source}, row ${row.number}`, cells, done: 0.5 };
    }
  }
}
