import { describedAs, nameOfEntry } from '../dictionary/dictionary.js';
import { listed } from '../quantity/phrase.js';
import type { Candidate, LineUp } from './identify.js';
import type { OwnValue } from './ownValue.js';
import { isStronglyAgainst } from './standing.js';

/** How strongly a reading speaks, in words: ten decibans are ten to one, five are three to one. */
export function sayStrength(decibans: number): string {
  const size = Math.abs(decibans);
  const strength = size >= 10 ? 'strong' : size >= 5 ? 'fair' : size >= 1 ? 'weak' : 'neither';
  return strength === 'neither' || decibans > 0 ? strength : `${strength} against`;
}

/** A probability for the bench: never 100 % and never 0 %, for nothing here is certain. */
export function sayProbability(probability: number): string {
  const percent = probability * 100;
  if (percent >= 99.95) return '> 99.9 %';
  if (percent < 0.05) return '< 0.1 %';
  return `${percent.toFixed(1)} %`;
}

/**
 * The state of an identification as one or two sentences.
 * @param label what a pattern is called, by its id
 */
export function sayStatus(lineUp: LineUp, label: (pattern: string) => string): string {
  const kind = describedAs(lineUp.kind).name.toLowerCase();
  const [first, second] = lineUp.candidates;
  const against = first?.pulls.find(isStronglyAgainst);
  const slip = first?.pulls.find(({ meant }) => meant);
  const contradiction = slip?.meant
    ? ` But “${slip.text}” speaks strongly against it: did you mean ${slip.meant.figures}? Then all agrees.`
    : against?.recordDoubtful
      ? ` But “${against.text}” speaks against what is on record of it. In that it stands alone in its family, and the others have what was measured: the record may be wrong.`
      : against
        ? ` But “${against.text}” speaks strongly against it: check that reading again.`
        : '';
  switch (lineUp.status) {
    case 'noEvidence':
      return `Nothing read yet that tells one ${kind} from another.`;
    case 'sister':
      return first ? saySister(first, label) : '';
    case 'nothingFits':
      return `None of the ${lineUp.weighed} ${describedAs(lineUp.kind).plural.toLowerCase()} in the catalogue agrees: probably one it does not have.`;
    case 'settled':
      return `This is the ${label(first?.pattern ?? '')}.${sayCasting(lineUp, label)}${notMeasured(lineUp)}`;
    case 'probable':
      return `Probably the ${label(first?.pattern ?? '')}.${contradiction}${sayCasting(lineUp, label)}${heldBecause(lineUp)}`;
    case 'open':
      if (second?.own && second.pattern === first?.pattern)
        return `The ${label(second.pattern)}, or one like it with another ${ownNames(second.own)}.${contradiction}`;
      return second && first
        ? `The ${label(first.pattern)} or the ${label(second.pattern)}, or another.${contradiction}${sayCasting(lineUp, label)}`
        : `It may be several.${contradiction}`;
  }
}

const ownNames = (own: readonly OwnValue[]): string =>
  listed(own.map(({ id }) => (id === undefined ? 'mark' : nameOfEntry(id))));

/** What a part like another is, and what to do about it. */
function saySister({ pattern, own = [] }: Candidate, label: (pattern: string) => string): string {
  const names = ownNames(own);
  const [only] = own;
  const isOne = own.length === 1;
  const as = isOne && only?.asOn !== undefined ? `, as on the ${label(only.asOn)}` : '';
  const worked = own.some(({ againstWear }) => againstWear)
    ? ' No wear makes it so, but welding up and grinding does: look for the edge of a weld.'
    : '';
  const again = own.every(({ confirmed }) => confirmed)
    ? ` ${isOne ? 'It was' : 'They were'} read more than once`
    : ` Read ${isOne ? 'it' : 'them'} once more`;
  return `Like the ${label(pattern)}, but with another ${names}${as}: probably a part that the catalogue does not have.${worked}${again}; if ${isOne ? 'it holds' : 'they hold'}, add it as a pattern of its own.`;
}

/** That a casting number names a casting, and which other forms are machined from it. */
function sayCasting({ casting }: LineUp, label: (pattern: string) => string): string {
  if (!casting) return '';
  const others = listed(casting.others.slice(0, NAMED).map((id) => `the ${label(id)}`));
  const more = casting.others.length > NAMED ? ` and ${casting.others.length - NAMED} more` : '';
  const tells =
    casting.tellBy === undefined
      ? ' Nothing on record tells them apart.'
      : ` What tells it from them: ${nameOfEntry(casting.tellBy)}.`;
  return ` “${casting.text}” is the number of a casting, from which ${others}${more} ${casting.others.length === 1 ? 'is' : 'are'} machined as well.${tells}`;
}

/** As many other forms of a casting are named. */
const NAMED = 3;

/** Which of its key sizes nobody has measured, where it is named without them. */
const notMeasured = ({ unmeasured }: LineUp): string =>
  unmeasured.length === 0 ? '' : ` Not measured: ${listed(unmeasured.map(nameOfEntry))}.`;

function heldBecause({ heldBy }: LineUp): string {
  switch (heldBy ?? 'nothing') {
    case 'houseRule':
      return ' By your house rule it is settled only once one of its sizes was measured.';
    case 'looksOnly':
      return ' So far it is mostly looks that tell it from others, and a copy looks the same: one more mark or size settles it.';
    case 'contradiction':
    case 'nothing':
      return '';
  }
}
