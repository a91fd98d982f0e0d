/** Sorts of documents that people work on, each with versions. */
export const DOCUMENT_SORTS = ['job', 'specimen', 'build', 'shop'] as const;
export type DocumentSort = (typeof DOCUMENT_SORTS)[number];
