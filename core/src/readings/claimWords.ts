import { claimOf } from './claim.js';
import { find, type Phrase, type Phrases, type Read } from './phrases.js';

/** `year 1962-64`, `serial 4S7-01234`, `machine Orchard frost fan 4, …`. */
export function claimWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read | undefined {
  const about = find(phrase, 'claim')?.about;
  // `out of round` is no machine it came out of.
  if (!about || !phrases.tokens[after] || /^round$/i.test(phrases.tokens[after].text)) return undefined;
  const next =
    about === 'year'
      ? after + 1
      : about === 'serial'
        ? endOfSerial(phrases, after)
        : phrases.afterName(after, (at) => beginsAnother(phrases.at(at)));
  const written = phrases.name(after, next);
  if (written === '' || (about === 'serial' && !/\d/.test(written))) return undefined;
  return { is: claimOf(about, written, phrases.source(from, next)), next };
}

/** After its token; after two where the prefix is written apart: `serial AB 12345`. */
function endOfSerial(phrases: Phrases, at: number): number {
  const [prefix, number] = [phrases.tokens[at], phrases.tokens[at + 1]];
  const apart = prefix && number && !/\d/.test(prefix.text) && /\d/.test(number.text) && !phrases.at(at);
  return apart ? at + 2 : at + 1;
}

const beginsAnother = (phrase: Phrase | undefined): boolean =>
  phrase?.meanings.some(({ is }) => is === 'parameter' || is === 'making' || is === 'claim' || is === 'absent') ??
  false;
