/**
 * Files carry this date, so that the same catalogue is the same file whenever it is written. The earliest a ZIP can
 * hold.
 */
export const FILE_DATE = new Date('1980-01-01T00:00:00Z');
