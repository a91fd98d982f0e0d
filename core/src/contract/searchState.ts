/** How a search for sets stands. */
export const SEARCH_STATES = {
  waiting: 'waiting for its turn',
  searching: 'at work',
  stopping: 'told to stop',
  done: 'through',
  stopped: 'stopped, with what it had',
  failed: 'could not be done',
} as const;
export type SearchState = keyof typeof SEARCH_STATES;

/** Searches that somebody may have waiting or at work at one time. */
export const MOST_SEARCHES = 20;

/** Whether nothing more comes of a search. */
export const isOver = ({ state }: { readonly state: SearchState }): boolean =>
  state === 'done' || state === 'stopped' || state === 'failed';
