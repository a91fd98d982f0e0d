import type { Interval } from '../quantity/interval.js';
import type { LikelyValue } from '../catalogue/likelyValues.js';
import type { Part } from '../catalogue/part.js';
import { featureOf, isIdOf, KINDS, parameterOf, sayEntry, sayLook } from '../dictionary/dictionary.js';
import { kindOf, type Assembly, type JointCheck, type LikelyIf, type Outcome } from '../joints/index.js';
import { band, sentence, type Sentence } from '../quantity/sentence.js';
import { withEntry } from './withEntry.js';

/** What is called likely is at least so sure. */
const LIKELY_FROM = 0.8;

/** With more than so many guesses nothing is called likely any more. */
const MOST_GUESSES = 4;

/**
 * What an open check comes to if the parts are what their families make likely, where that decides it: the answer and
 * the guesses it rests on. Nothing where no value is sure enough, or too many would be wanted.
 */
export function likelyAnswer(
  check: JointCheck,
  assembly: Assembly,
): { readonly verdict: 'fits' | 'fitsWithWork'; readonly ifs: readonly LikelyIf[] } | undefined {
  const ifs: LikelyIf[] = [];
  let guessed = assembly;
  for (let { verdict, needs }: Pick<Outcome, 'verdict' | 'needs'> = check.judge(assembly); ;) {
    if (verdict === 'fits' || verdict === 'fitsWithWork') return ifs.length > 0 ? { verdict, ifs } : undefined;
    if (verdict === 'doesNotFit') return undefined;
    const more = needs.flatMap((id) => guessOf(guessed, id) ?? []);
    if (more.length === 0 || ifs.length + more.length > MOST_GUESSES) return undefined;
    for (const guess of more) {
      guessed = withEntry(guessed, guess.id, guess.is);
      ifs.push(guess);
    }
    ({ verdict, needs } = check.judge(guessed));
  }
}

const partOf = ({ parts }: Assembly, id: string): Part | undefined => parts[kindOf(id)];

function guessOf(assembly: Assembly, id: string): LikelyIf | undefined {
  const part = partOf(assembly, id);
  if (part?.pattern === undefined || part.values[id] || part.looks[id] || part.interfaces[id]) return undefined;
  const likely = assembly.likelyValue?.(part.pattern, id);
  return likely && likely.probability >= LIKELY_FROM
    ? { id, is: likely.is, probability: likely.probability, says: sayLikely(part, id, likely) }
    : undefined;
}

/** `number of mains of the block is 5 (93 %: so on 6 of 6 blocks of its family on record)`. */
function sayLikely({ kind }: Part, id: string, { is, probability, alike, known }: LikelyValue): Sentence {
  const sisters = `${Math.floor(100 * probability)} %: so on ${alike} of ${known} ${KINDS[kind].plural.toLowerCase()} of its family on record`;
  return sentence`${sayEntry(id)} is ${sayValue(id, is)} (${sisters})`;
}

function sayValue(id: string, is: Interval | string): Sentence {
  if (typeof is !== 'string') return sentence`${band(is, parameterOf(id).quantity)}`;
  return [isIdOf('feature', id) ? sayLook(featureOf(id), is) : is];
}

/** Guesses one after the other, as a sentence goes on with them. */
export const sayIfs = (ifs: readonly LikelyIf[]): Sentence =>
  ifs.flatMap(({ says }, at): Sentence => (at === 0 ? says : [at === ifs.length - 1 ? ' and ' : ', ', ...says]));

/** So many guesses are told of a whole swap. */
const IFS_NAMED = 3;

/** Whether the whole likely fits, and if what: where every check that is open likely does. Else no words at all. */
export function sayLikelyFits(open: readonly Pick<Outcome, 'likely' | 'likelyIf'>[]): Sentence {
  if (open.length === 0 || open.some(({ likely }) => likely !== 'fits')) return [];
  const all = open.flatMap(({ likelyIf = [] }) => likelyIf);
  const ifs = all.filter(({ id }, at) => all.findIndex((each) => each.id === id) === at);
  const named = [...ifs].sort((a, b) => a.probability - b.probability).slice(0, IFS_NAMED);
  const more = ifs.length - named.length;
  const onRecord = open.some(({ likelyIf }) => !likelyIf) ? 'the parts are as on what they are on record with' : '';
  return sentence` Likely fits, if ${sayIfs(named)}${more > 0 ? `, and ${more} more are as likely` : ''}${named.length > 0 && onRecord ? ', and ' : ''}${onRecord}.`;
}
