import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Variant } from '../catalogue/pattern.js';
import { KINDS } from '../dictionary/dictionary.js';
import { STRONG_CONTRADICTION } from '../identify/assumptions.js';
import { either } from '../quantity/phrase.js';
import type { Sentence } from '../quantity/sentence.js';
import type { Weighing } from './agreement.js';
import { fitmentsOf } from './eras.js';
import { exceptionSaid } from './exception.js';

/** Why a part speaks for an engine or against it. */
export function reasonIn(catalogue: CatalogueLookup, variant: Variant, weighing: Weighing): Sentence {
  const kind = KINDS[weighing.kind].name.toLowerCase();
  const fitments = fitmentsOf(variant, weighing.kind);
  if (fitments.length === 0) return [`Which ${kind} it carries is not recorded, so it counts neither way.`];
  const first = weighing.identification.lineUp(1).candidates[0]?.pattern;
  const names = either(new Set(fitments.map(({ pattern }) => catalogue.label(pattern))));
  const itself = fitments.find(({ pattern }) => pattern === first);
  if (itself && first !== undefined)
    return [`It carries the ${catalogue.label(first)}, which this is.${exceptionSaid(itself)}`];
  const mayBe = fitments.some(
    ({ pattern }) =>
      weighing.identification.scoreOf(weighing.identification.index.patterns.indexOf(pattern)) > weighing.any,
  );
  return mayBe
    ? [`It carries the ${names}, which this may be.`]
    : [`It carries the ${names}; this ${kind} is none of those.`];
}

/** That the engine carried such a part, but not at the time of the others; undefined where it never did. */
export function ofAnotherTime(
  catalogue: CatalogueLookup,
  variant: Variant,
  { kind, identification }: Weighing,
): Sentence | undefined {
  const is = identification.lineUp(1).candidates[0]?.pattern;
  const fitment = fitmentsOf(variant, kind).find(({ pattern }) => pattern === is);
  if (!fitment || is === undefined) return undefined;
  return [
    `The ${catalogue.variantLabel(variant.id)} carries the ${catalogue.label(is)} only in part of its run, and the other parts here are of another.${exceptionSaid(fitment)}`,
  ];
}

/** Which reading says that it is none of the patterns expected, and what it is instead. */
export function foreignBecause(
  catalogue: CatalogueLookup,
  { identification, specimen }: Weighing,
  expected: readonly string[],
): Sentence {
  const kind = KINDS[specimen.kind].name.toLowerCase();
  const { patterns } = identification.index;
  const rows = expected.map((pattern) => patterns.indexOf(pattern)).filter((row) => row >= 0);
  const [nearest] = rows.sort((a, b) => identification.scoreOf(b) - identification.scoreOf(a));
  const wanted =
    nearest === undefined ? undefined : { pattern: patterns[nearest] ?? '', pulls: identification.pullsOn(nearest) };
  const against = [...(wanted?.pulls ?? [])].sort((a, b) => a.decibans - b.decibans)[0];
  const {
    status,
    candidates: [first],
  } = identification.lineUp(1);
  const instead =
    status === 'nothingFits' || status === 'sister' || !first
      ? ` It is no ${kind} of the catalogue.`
      : ` It is ${status === 'settled' ? '' : 'rather '}the ${catalogue.label(first.pattern)}, which ${sayEngines(catalogue, first.pattern)}.`;
  if (!wanted || !against) return [`This ${kind} is none that the engine carries.${instead}`];
  const clear = against.decibans <= STRONG_CONTRADICTION ? 'is against it' : 'speaks most against it';
  return [
    `The engine carries the ${catalogue.label(wanted.pattern)}, and “${against.text}” ${clear}: `,
    ...against.why,
    instead,
  ];
}

function sayEngines(catalogue: CatalogueLookup, pattern: string): string {
  const names = [...new Set(catalogue.fittedIn(pattern).map(({ variant }) => catalogue.variantLabel(variant.id)))];
  if (names.length === 0) return 'no engine of the catalogue carries';
  return `${names.slice(0, 3).join(', ')}${names.length > 3 ? ` and ${names.length - 3} more` : ''} ${names.length === 1 ? 'carries' : 'carry'}`;
}
