import createError from '@fastify/error';

/** There is no such document or record: it was never saved, or it was deleted. */
export const MissingError = createError<[what: string]>('MISSING', '%s', 404);

/** Somebody else was faster; `current` is what stands now, so that the change can be added to it. */
export class ChangedError extends createError('CHANGED', '%s', 409) {
  constructor(
    what: string,
    readonly current: unknown,
  ) {
    super(what);
  }
}
