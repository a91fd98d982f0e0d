import ExcelJS from 'exceljs';
import { FILE_DATE } from './fileDate.js';

interface Archive {
  append: (source: unknown, data: object) => unknown;
}

/** The library dates the files inside a workbook by the clock; here the same catalogue is to be the same file. */
export class DatedWriter extends ExcelJS.stream.xlsx.WorkbookWriter {
  // Declared only: an initial value would come after the library has set it.
  declare private archive: Archive | undefined;

  /** Set by the library before it writes anything. */
  set zip(zip: Archive) {
    const append = zip.append.bind(zip);
    zip.append = (source, data) => append(source, { ...data, date: FILE_DATE });
    this.archive = zip;
  }

  get zip(): Archive {
    if (!this.archive) throw new Error('The workbook has no archive yet.');
    return this.archive;
  }
}
