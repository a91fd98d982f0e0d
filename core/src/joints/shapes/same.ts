import { compareFaces, type FaceLikeness } from '../../catalogue/facePattern.js';
import type { Feature, Interface } from '../../dictionary/definition.js';
import { sayLook } from '../../dictionary/dictionary.js';
import { interval } from '../../quantity/interval.js';
import { sentence, type Sentence } from '../../quantity/sentence.js';
import { interfaceAt, lookOf, type Assembly, type Where } from '../assembly.js';
import { WORK_MAY_HELP, REPLACED, NO_WORK_HELPS, type JointCheck } from '../check.js';
import { mended, mendedVerdict, missing, said, type Offer } from '../outcome.js';
import type { Verdict } from '../verdict.js';

/** What two parts show. */
export interface Pair {
  readonly mine: string;
  readonly theirs: string;
}

interface SameSpec<E> {
  readonly id: string;
  readonly name: string;
  readonly of: E;
  readonly as: E;
  /** Whose `as` is meant: that of the other part, or of the one whose place is taken. */
  readonly asOf?: Where;
  readonly also?: readonly string[];
  /** Why two that differ go together all the same; nothing where they do not. */
  readonly agree?: (pair: Pair) => Sentence | undefined;
  /** What is said where they agree, when that is not all. */
  readonly both?: (pair: Pair) => Sentence;
  /** What follows where they differ. */
  readonly otherwise?: (pair: Pair) => Sentence;
  readonly mend?: (assembly: Assembly, pair: Pair) => readonly Offer[];
  /** The verdicts it can come to, where they are not those of any look, with work if there is something to mend it. */
  readonly verdicts?: readonly Verdict[];
  readonly confirming?: true;
}

const readsOf = (spec: SameSpec<{ readonly id: string }>): readonly string[] => [
  spec.of.id,
  (spec.asOf === 'replaced' ? REPLACED : '') + spec.as.id,
  ...(spec.also ?? []),
];

const exactly = (mine: string, theirs: string): FaceLikeness => (mine === theirs ? 'same' : 'other');

/** The check that two parts show the same, given how to read it and to say it. */
function same<E extends { readonly id: string; readonly name: string }>(
  spec: SameSpec<E>,
  read: (assembly: Assembly, entry: E, where?: Where) => string | undefined,
  both: (pair: Pair) => Sentence,
  differ: (pair: Pair) => Sentence,
  compare: (mine: string, theirs: string) => FaceLikeness = exactly,
): JointCheck {
  return {
    id: spec.id,
    name: spec.name,
    reads: readsOf(spec),
    ...(spec.confirming ? { confirming: spec.confirming } : {}),
    verdict: (assembly) => {
      const [mine, theirs] = [read(assembly, spec.of), read(assembly, spec.as, spec.asOf)];
      if (mine === undefined || theirs === undefined) return 'cannotTell';
      const likeness = compare(mine, theirs);
      if (likeness === 'same' || spec.agree?.({ mine, theirs })) return 'fits';
      if (likeness === 'perhaps') return 'cannotTell';
      return mendedVerdict('doesNotFit', () => spec.mend?.(assembly, { mine, theirs }) ?? []);
    },
    verdicts: spec.verdicts ?? (spec.mend ? WORK_MAY_HELP : NO_WORK_HELPS),
    // Where two that differ may go together all the same the one does not tell the other.
    ...(spec.asOf === 'replaced' || spec.agree
      ? {}
      : {
          implies: (id, assembly) => {
            const other =
              id === spec.of.id ? read(assembly, spec.as) : id === spec.as.id ? read(assembly, spec.of) : undefined;
            return other === undefined ? undefined : [other];
          },
        }),
    judge: (assembly) => {
      const [mine, theirs] = [read(assembly, spec.of), read(assembly, spec.as, spec.asOf)];
      if (mine === undefined || theirs === undefined)
        return missing(
          [
            ...(mine === undefined ? [spec.of] : []),
            ...(theirs === undefined && spec.as.id !== spec.of.id
              ? [spec.as]
              : theirs === undefined && mine !== undefined
                ? [spec.as]
                : []),
          ],
          'count',
        );
      const pair = { mine, theirs };
      const likeness = compare(mine, theirs);
      if (likeness === 'same') return said('fits', (spec.both ?? both)(pair));
      const agreed = spec.agree?.(pair);
      if (agreed) return said('fits', agreed);
      if (likeness === 'perhaps')
        return said(
          'cannotTell',
          [`${mine} and ${theirs} may be one pattern under two names: hold a gasket or a template against both.`],
          { needs: [...new Set([spec.of.id, spec.as.id])] },
        );
      return mended(
        said('doesNotFit', spec.otherwise?.(pair) ?? differ(pair)),
        spec.mend?.(assembly, pair) ?? [],
        assembly.rules,
      );
    },
  };
}

/** Both parts have the same number of something. No work changes a count. */
export function sameCount(spec: SameSpec<Feature>): JointCheck {
  const check = same(
    spec,
    lookOf,
    ({ mine }) => [`${mine} on both.`],
    ({ mine, theirs }) => [`${sayLook(spec.of, mine)} against ${sayLook(spec.as, theirs)}: no work changes that.`],
  );
  return {
    ...check,
    judge: (assembly) => {
      const finding = check.judge(assembly);
      const [mine, theirs] = [lookOf(assembly, spec.of), lookOf(assembly, spec.as, spec.asOf)];
      if (mine === undefined || theirs === undefined) return finding;
      return {
        ...finding,
        found: interval(Number(mine)),
        required: interval(Number(theirs)),
        margin: -Math.abs(Number(mine) - Number(theirs)),
      };
    },
  };
}

/** Both parts show the same option of a look. */
export const sameLook = (spec: SameSpec<Feature>): JointCheck =>
  same(
    spec,
    lookOf,
    ({ mine }) => [`Both: ${sayLook(spec.of, mine)}.`],
    ({ mine, theirs }) => [`Made for ${sayLook(spec.of, mine)}; here it is ${sayLook(spec.as, theirs)}.`],
  );

/** Two faces that mate by pattern bear the same one, however it is written. */
export const samePattern = (spec: SameSpec<Interface>): JointCheck =>
  same(
    spec,
    interfaceAt,
    ({ mine }) => [`Both ${mine}.`],
    ({ mine, theirs }) => sentence`${mine} against ${theirs}.`,
    compareFaces,
  );
