import { capital, either, listed } from '../quantity/phrase.js';
import { sentence, type Sentence } from '../quantity/sentence.js';

/** What a demand asks, as part of a sentence about a set. */
export type Asks =
  /** What goes in must go with this part: `the piston Brackmere Sluice 8.5`. */
  | { readonly with: string }
  /** What goes in is one of few: `a crank from the shelf`. */
  | { readonly outOf: string }
  /** What the set must come to: `a squish of at least 0.90 mm`. */
  | { readonly gives: Sentence }
  /** What must be kept to: `for no more than 300`, `without welding`. */
  | { readonly keeps: string };

const several = (names: readonly Sentence[]): Sentence =>
  names.flatMap((each, at): Sentence => [at === 0 ? '' : at === names.length - 1 ? ' and ' : ', ', ...each]);

/** `No crank and no piston goes with …`: no more places than this are named one by one. */
const FEW = 3;

/** What is no check and no figure, as part of a sentence. */
const REFUSALS: Readonly<Record<string, string>> = {
  price: 'what they cost',
  hours: 'the hours they take',
  'parts to buy': 'how many parts they want',
  'work together': 'work that spoils other work',
  'too much is open': 'what nobody knows of them',
  'nothing to choose from': 'a place for which there is nothing',
};

/** `Piston height: crown against the deck` as part of a sentence. */
function sayRefusal(name: string): string {
  const [joint = name, check] = name.toLowerCase().split(': ');
  return REFUSALS[name] ?? (check === undefined ? joint : `${joint} (${check})`);
}

/**
 * Why demands cannot hold together, in a sentence: `No crank or rod that is to be had goes with the block low deck and
 * gives a squish of at least 0.90 mm; most are refused by main bearings (oil clearance).`
 *
 * @param asks what each of the demands asks
 * @param free names of the places that anything may go into
 * @param because names of what refuses, the most often first
 */
export function sayConflict(asks: readonly Asks[], free: readonly string[], because: readonly string[]): Sentence {
  const parts = asks.flatMap((each) => ('with' in each ? [each.with] : []));
  const outOf = asks.flatMap((each) => ('outOf' in each ? [each.outOf] : []));
  const gives = asks.flatMap((each) => ('gives' in each ? [each.gives] : []));
  const keeps = asks.flatMap((each) => ('keeps' in each ? [each.keeps] : []));
  const looked =
    free.length === 0
      ? ''
      : free.length <= FEW
        ? ` ${either(free.map((each) => each.toLowerCase()))}`
        : ' set of parts';
  const subject = outOf.length > 0 ? `No set with ${listed(outOf)}` : `No${looked || ' set'} that is to be had`;
  const does = [
    ...(parts.length > 0 ? [[`goes with ${listed(parts)}`]] : []),
    ...(gives.length > 0 ? [sentence`gives ${several(gives)}`] : []),
    ...(parts.length === 0 && gives.length === 0 ? [['goes together']] : []),
  ];
  const [first, ...others] = because.map(sayRefusal);
  const why =
    first === undefined
      ? ''
      : `; most are refused by ${first}${others.length > 0 ? `, then by ${listed(others)}` : ''}`;
  return sentence`${capital(subject)} ${several(does)}${keeps.length > 0 ? ` ${listed(keeps)}` : ''}${why}.`;
}
