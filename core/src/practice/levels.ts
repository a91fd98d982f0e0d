import type { KindId } from '../dictionary/dictionary.js';
import { USUAL_READER, type Reader } from './ask.js';
import { USUAL_HARDSHIP, type Hardship } from './hiddenPart.js';

/** How hard a round of practice is. */
export interface PracticeLevel {
  readonly id: 'clean' | 'used' | 'worn' | 'ruined';
  readonly name: string;
  readonly says: string;
  readonly hardship: Hardship;
  readonly reader: Reader;
  /** Share of parts that are in no catalogue. */
  readonly strangers: number;
}

/** From a clean part with all its marks to one that has been through everything. */
export const PRACTICE_LEVELS: readonly PracticeLevel[] = [
  {
    id: 'clean',
    name: 'Clean',
    says: 'Little wear, marks all there and legible.',
    hardship: { wear: 0.3, reground: 0, marksGone: 0 },
    reader: { unreadable: 0, misjudges: 0 },
    strangers: 0,
  },
  {
    id: 'used',
    name: 'Used',
    says: 'Usual wear, some reground, some characters gone.',
    hardship: USUAL_HARDSHIP,
    reader: USUAL_READER,
    strangers: 0,
  },
  {
    id: 'worn',
    name: 'Worn',
    says: 'Much wear, many reground, a mark in three gone; one part in ten is in no catalogue.',
    hardship: { wear: 2, reground: 0.5, marksGone: 0.35 },
    reader: { unreadable: 0.15, misjudges: 2 },
    strangers: 0.1,
  },
  {
    id: 'ruined',
    name: 'Ruined',
    says: 'Marks ground off, everything reground, looks that deceive; one part in five is in no catalogue.',
    hardship: { wear: 3, reground: 0.8, marksGone: 0.8 },
    reader: { unreadable: 0.3, misjudges: 3 },
    strangers: 0.2,
  },
];

/** Kinds worth practising on: those of which a catalogue has at least three patterns to tell apart. */
export const enoughToPractise = (kinds: readonly KindId[], count: (kind: KindId) => number): KindId[] =>
  kinds.filter((kind) => count(kind) >= 3);
