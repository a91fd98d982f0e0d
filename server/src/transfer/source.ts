import type { Column, RecordType, TableId } from '@which-bore/core';

/** A file that cannot be read at all, with what to do about it. */
export class FileError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'FileError';
  }
}

/**
 * What a person chose for a table of a file: what it holds, and for each header what its column holds; `-` for nothing.
 */
export interface TableChoice {
  readonly table?: TableId;
  readonly columns?: Readonly<Record<string, string>>;
}
/** By the name of the file or sheet. */
export type Choices = Readonly<Record<string, TableChoice>>;

/** A record as it stands in a file that holds whole records. */
export interface WholeRecord {
  readonly form: 'record';
  readonly place: string;
  readonly type: RecordType;
  readonly record: unknown;
  /** Share of the file read so far. */
  readonly done: number;
}

/** A row of a table. */
export interface TableRow {
  readonly form: 'row';
  readonly place: string;
  readonly source: string;
  readonly cells: readonly Cell[];
  readonly done: number;
}

/** A table begins, with its headers. */
export interface TableStart {
  readonly form: 'table';
  /** Name of the file or sheet. */
  readonly source: string;
  readonly headers: readonly string[];
}

/** A cell: its text, or why it has none that can be used. */
export interface Cell {
  readonly text: string;
  readonly problem?: string;
  /** Something a person should know, though the cell can be used. */
  readonly remark?: string;
}

export type Piece = WholeRecord | TableStart | TableRow;

/** What a header of a table was taken for. */
export interface TakenHeader {
  readonly header: string;
  /** The header the column would have in an export; absent where it is left out. */
  readonly as?: string;
  readonly label?: string;
  readonly how: 'exactly' | 'byName' | 'chosen' | 'leftOut' | 'notAtAll';
  readonly problem?: string;
}

/** A table of a file as it was understood. */
export interface TakenTable {
  readonly source: string;
  readonly table?: TableId;
  readonly headers: readonly TakenHeader[];
  readonly rows: number;
  readonly problem?: string;
}

export type Columns = readonly (Column | undefined)[];
