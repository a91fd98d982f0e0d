/** The database cannot be reached now. Nothing is wrong with the request. */
export class DatabaseAwayError extends Error {
  constructor(cause?: unknown) {
    super('The database is away. What you typed is kept; it will be saved when the database is back.', { cause });
    this.name = 'DatabaseAwayError';
  }
}

const AWAY_CODES = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ENOTFOUND',
  'ETIMEDOUT',
  '57P01',
  '57P02',
  '57P03',
  '08000',
  '08003',
  '08006',
  '53300',
]);

const LOST_RUNNER = new Set([
  'QueryRunnerAlreadyReleasedError',
  'QueryRunnerProviderAlreadyReleasedError',
  'TransactionNotStartedError',
]);

/** Whether an error of the driver means that the database cannot be reached. */
export function isAway(error: unknown): boolean {
  if (error instanceof DatabaseAwayError) return true;
  if (error instanceof AggregateError) return error.errors.some(isAway);
  if (!(error instanceof Error)) return false;
  // A connection that is lost within a transaction takes its runner with it.
  if (LOST_RUNNER.has(error.name)) return true;
  const code = 'code' in error ? String(error.code) : '';
  return (
    AWAY_CODES.has(code) ||
    /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/i.test(
      error.message,
    )
  );
}
