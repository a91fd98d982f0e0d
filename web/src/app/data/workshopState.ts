import { isRefusal } from '@which-bore/core';

/** How it stands with the workshop of this browser. */
export interface WorkshopState {
  /** State of the catalogue it holds; empty while it holds none. */
  readonly tag: string;
  /** Whether that is the state the server had when it was last reached. */
  readonly current: boolean;
  /** It is laying something out and will not answer for a moment. */
  readonly busy: boolean;
}

/** In place of an answer: it would take a while to lay things out for it; that is being done now. */
export interface NotYet {
  readonly notYet: true;
}

export const isNotYet = (said: unknown): said is NotYet =>
  typeof said === 'object' && said !== null && 'notYet' in said && !isRefusal(said);
