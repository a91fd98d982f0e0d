import type { Phrases, Read } from './phrases.js';
import { isNegation } from './negation.js';
import { figuresFirst } from './sizeWords.js';
import { unread } from './unread.js';

/** `not a 4 bolt`, `isn't 30 over`: a count that it is not; of sizes and steps nothing is to be learnt that way. */
export function deniedFigures(phrases: Phrases, from: number): Read | undefined {
  if (!isNegation(phrases, from)) return undefined;
  const at = phrases.glued(from + 1);
  const figures = phrases.figures(at);
  // `no. 3` says which, and is not denied.
  if (!figures || phrases.at(from)) return undefined;
  const read = figuresFirst(phrases, at);
  const next = read?.next ?? phrases.after(at, figures.length) ?? at + 1;
  const text = phrases.source(from, next);
  if (read?.is.sort === 'look' && !read.also) return { is: { ...read.is, text, not: true }, next };
  return { is: unread(text, ['Say what it is, and not what it is not: a size that it has not tells nothing.']), next };
}
