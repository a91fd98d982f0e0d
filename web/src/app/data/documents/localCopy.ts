import { DOCUMENT_SORTS, type DocumentSort } from '@which-bore/core';

/** What every document is, whatever else it holds. */
export interface Doc {
  readonly id: string;
}

/** A document as this browser holds it. */
export interface LocalCopy<T extends Doc = Doc> {
  readonly sort: DocumentSort;
  readonly document: T;
  /** What the server last said of it; undefined when it was never saved. */
  readonly base?: T;
  /** The version of that; 0 when it was never saved. */
  readonly version: number;
  readonly updatedAt: string;
  /** What still has to go up. */
  readonly pending: 'nothing' | 'save' | 'remove' | 'restore';
  /** Its place among what waits to go up. */
  readonly since: number;
  /** Why the server would not have it; it stays here. */
  readonly refused?: string;
  /** It was deleted, here or elsewhere, and can be brought back while this page is open. */
  readonly gone?: true;
}

export const keyOf = (sort: DocumentSort, id: string): string => `${sort} ${id}`;

const PENDING = new Set<unknown>(['nothing', 'save', 'remove', 'restore']);

/** Whether what was found in the browser's storage is a document held there; another version's leavings are not. */
export function isLocalCopy(value: unknown): value is LocalCopy {
  if (typeof value !== 'object' || value === null) return false;
  const held = value as Partial<Record<keyof LocalCopy, unknown>>;
  const isDoc = (of: unknown): boolean => typeof of === 'object' && of !== null && typeof (of as Doc).id === 'string';
  return (
    DOCUMENT_SORTS.some((sort) => sort === held.sort) &&
    isDoc(held.document) &&
    (held.base === undefined || isDoc(held.base)) &&
    Number.isInteger(held.version) &&
    typeof held.since === 'number' &&
    PENDING.has(held.pending)
  );
}

/** Documents in a list: what waits here as it stands here. */
export const isThere = ({ pending, gone }: LocalCopy): boolean => pending !== 'remove' && !gone;
