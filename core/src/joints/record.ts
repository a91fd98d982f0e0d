import type { Part } from '../catalogue/part.js';
import type { Companion } from '../catalogue/pattern.js';
import { RECORD, type JointCheck, type Joint } from './check.js';
import { mended, said, work } from './outcome.js';
import type { Assembly } from './assembly.js';

/** What the records ask of parts that are to be in one engine. */
interface Asked {
  readonly part: Part;
  readonly companion: Companion;
}

const patternsOf = (assembly: Assembly): ReadonlySet<string> =>
  new Set(Object.values(assembly.parts).flatMap(({ pattern }) => pattern ?? []));

const asked = (assembly: Assembly): readonly Asked[] =>
  Object.values(assembly.parts).flatMap((part) => (part.companions ?? []).map((companion) => ({ part, companion })));

const named = (assembly: Assembly, { pattern, note }: Companion): string => {
  const name = assembly.nameOf?.(pattern) ?? pattern;
  return note ? `${name} (${note})` : name;
};

const companions: JointCheck = {
  id: 'companions',
  name: 'Companions and pairs',
  reads: [RECORD],
  verdicts: ['fits', 'fitsWithWork'],
  judge: (assembly) => {
    const here = patternsOf(assembly);
    const wanting = asked(assembly).filter(
      ({ companion }) => companion.relation !== 'neverWith' && !here.has(companion.pattern),
    );
    if (wanting.length === 0) return said('fits', ['Nothing else has to come with them, or it is here.']);
    return mended(
      said(
        'doesNotFit',
        wanting.map(
          ({ part, companion }) =>
            `${part.label} is ${companion.relation === 'pairWith' ? 'a pair with' : 'only valid with'} ${named(assembly, companion)}. `,
        ),
      ),
      [
        work({
          steps: ['getCompanions'],
          says: [`Get with it: ${wanting.map(({ companion }) => named(assembly, companion)).join(', ')}.`],
          buy: wanting.map(({ companion }) => companion.pattern),
        }),
      ],
      assembly.rules,
    );
  },
};

const neverMixed: JointCheck = {
  id: 'neverMixed',
  name: 'Never in one engine',
  reads: [RECORD],
  verdicts: ['fits', 'doesNotFit'],
  judge: (assembly) => {
    const here = patternsOf(assembly);
    // One among others of its kind shares the engine with them; a set that takes their place does not.
    const others = new Set(
      Object.keys(assembly.parts).length === 1
        ? Object.values(assembly.replaced).flatMap(({ pattern }) => pattern ?? [])
        : [],
    );
    const clash = asked(assembly).find(
      ({ companion }) =>
        companion.relation === 'neverWith' && (here.has(companion.pattern) || others.has(companion.pattern)),
    );
    return clash
      ? said('doesNotFit', [
          `${clash.part.label} is never used in one engine with ${named(assembly, clash.companion)}.`,
        ])
      : said('fits', ['Nothing here is on record as not to be mixed.']);
  },
};

/** What the catalogue records of patterns together and apart, whatever their sizes say. */
export const record: Joint = { id: 'record', name: 'By record', kinds: [], checks: [companions, neverMixed] };
