import { CompareError } from '../compare/index.js';
import { DesignationError, VehicleNumberError } from '../designations/index.js';
import { DataError, type Problem } from '../formats/index.js';
import { NoJointError, UnknownPartError } from '../interchange/index.js';

/** Asked for a record that the catalogue does not hold. */
export class UnknownRecordError extends Error {
  constructor(message: string) {
    super(message);
    this.name = 'UnknownRecordError';
  }
}

/** Why a question was not answered, as plain data: an error that crosses from a worker or a thread loses its class. */
export interface Refusal {
  /** `missing`: something named is not there. `bad`: it cannot be asked so. */
  readonly refused: 'missing' | 'bad';
  readonly error: string;
  readonly problems?: readonly Problem[];
}

/** What is told of an error that is no fault of the workshop; undefined for one that is. */
export function refusalOf(error: unknown): Refusal | undefined {
  if (error instanceof DataError) return { refused: 'bad', error: error.what, problems: error.problems };
  if (error instanceof UnknownRecordError || error instanceof UnknownPartError)
    return { refused: 'missing', error: error.message };
  if (
    error instanceof NoJointError ||
    error instanceof CompareError ||
    error instanceof DesignationError ||
    error instanceof VehicleNumberError
  )
    return { refused: 'bad', error: error.message };
  return undefined;
}

/** Whether an answer is the reason why there is none. */
export const isRefusal = (answer: unknown): answer is Refusal =>
  typeof answer === 'object' && answer !== null && 'refused' in answer && 'error' in answer;
