/**
 * Writes down which kinds of part meet, as the joints say, so that a page can offer them without carrying every joint.
 * Run after tsc; writes dist/interchange/meetings.js and its types.
 */
import { writeFile } from 'node:fs/promises';
import { DONOR_KINDS, recipientsFor } from '../dist/index.js';

const folder = new URL('../dist/interchange/', import.meta.url);
const meetings = Object.fromEntries(DONOR_KINDS.map((kind) => [kind, recipientsFor(kind)]));
await writeFile(
  new URL('meetings.js', folder),
  `const MEETINGS = ${JSON.stringify(meetings)};
export const DONOR_KINDS = ${JSON.stringify(DONOR_KINDS)};
export const recipientsFor = (donor) => MEETINGS[donor] ?? [];
`,
);
await writeFile(
  new URL('meetings.d.ts', folder),
  `import type { KindId } from '../dictionary/dictionary.js';
/** Every kind that meets another. */
export const DONOR_KINDS: readonly KindId[];
/** The kinds that a kind may be put to, itself among them where one takes the place of another. */
export function recipientsFor(donor: KindId): readonly KindId[];
`,
);
