import { Type, type TUnsafe } from '@sinclair/typebox';

/** Schema of one of these words. */
export const oneOf = <T extends string>(words: readonly T[], description?: string): TUnsafe<T> =>
  Type.Unsafe<T>({ type: 'string', enum: [...words], ...(description === undefined ? {} : { description }) });
