/** Something wrong with given data: where it stands, and what to do. */
export interface Problem {
  /** Path to the place, like `patterns[3].dimensions["crank.stroke"]`. */
  readonly where: string;
  readonly what: string;
}

/** Bad data, with every problem found and not only the first. */
export class DataError extends Error {
  constructor(
    readonly what: string,
    readonly problems: readonly Problem[],
  ) {
    super(`${what} ${problems.map((problem) => `${problem.where}: ${problem.what}`).join(' ')}`);
    this.name = 'DataError';
  }
}
