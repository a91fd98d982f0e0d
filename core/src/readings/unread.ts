import type { Sentence } from '../quantity/sentence.js';
import type { Understood, UnreadReading } from './reading.js';

/** Why words were not understood, and what was probably meant. */
export interface WhyUnread {
  readonly reason: Sentence;
  readonly suggestion?: string;
}

/** Words that were not understood, and why. */
export type Unread = UnreadReading & { readonly why: WhyUnread };

export const unread = (text: string, reason: Sentence, suggestion?: string): Unread => ({
  sort: 'unread',
  text,
  why: { reason, ...(suggestion === undefined ? {} : { suggestion }) },
});

/** What some words were understood as, or why they were not. */
export type Words = Exclude<Understood, UnreadReading> | Unread;
