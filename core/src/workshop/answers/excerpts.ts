import { RECORD_TYPES, LIST_OF, type CatalogueRecord, type RecordType } from '../../catalogue/catalogue.js';
import type { CatalogueLookup } from '../../catalogue/lookup.js';
import type { Pattern, Variant } from '../../catalogue/pattern.js';
import { supersessionOf } from '../../catalogue/supersession.js';
import type { Excerpt } from '../../contract/index.js';
import { KIND_IDS, KINDS } from '../../dictionary/dictionary.js';
import { referencesOf } from '../../formats/index.js';
import type { Answering } from './answering.js';

/** A page shows no more records than this of a sort; nobody reads further, and what is left out is counted. */
const MOST_OF_A_SORT = 1000;
const MAKERS_AT_ONCE = 100;
const CHOICES_AT_ONCE = 40;

/** Gathers records for somebody to see, each once, with the families and makers they are called by. */
class Gathering {
  private readonly found: Readonly<Record<RecordType, Map<string, CatalogueRecord>>> = {
    maker: new Map(),
    family: new Map(),
    pattern: new Map(),
    variant: new Map(),
    scheme: new Map(),
    swap: new Map(),
  };
  leftOut = 0;

  constructor(private readonly catalogue: CatalogueLookup) {}

  add(type: RecordType, id: string | undefined): void {
    if (id === undefined || this.found[type].has(id)) return;
    const record = this.catalogue.record(type, id);
    if (!record) return;
    this.found[type].set(id, record);
    if ('family' in record) this.add('family', record.family);
    if ('maker' in record) this.add('maker', record.maker);
    // A known swap is called by the patterns in it.
    if (type === 'swap')
      for (const reference of referencesOf(type, record as never)) this.add(reference.type, reference.id);
  }

  /** The first of many; the rest is counted. */
  addSome(type: RecordType, ids: readonly string[]): readonly string[] {
    const some = ids.slice(0, MOST_OF_A_SORT);
    this.leftOut += ids.length - some.length;
    for (const id of some) this.add(type, id);
    return some;
  }

  /** Everything a record names. */
  addNamed(type: RecordType, record: CatalogueRecord): void {
    for (const reference of referencesOf(type, record as never)) this.add(reference.type, reference.id);
  }

  get excerpt(): Excerpt {
    return Object.fromEntries(
      RECORD_TYPES.map((type) => [LIST_OF[type], [...this.found[type].values()]]),
    ) as unknown as Excerpt;
  }
}

export const records: Answering<'records'> = ({ catalogue }, { refs, fitments }) => {
  const gathering = new Gathering(catalogue);
  for (const { type, id } of refs) {
    gathering.add(type, id);
    const variant = fitments && type === 'variant' ? catalogue.variant(id) : undefined;
    if (variant) gathering.addNamed('variant', variant);
  }
  return gathering.excerpt;
};

function patternPage(catalogue: CatalogueLookup, gathering: Gathering, pattern: Pattern): void {
  gathering.addNamed('pattern', pattern);
  gathering.addSome('variant', [...new Set(catalogue.fittedIn(pattern.id).map(({ variant }) => variant.id))]);
  gathering.addSome(
    'pattern',
    catalogue.companionsOf(pattern.id).map((each) => each.pattern.id),
  );
  gathering.addSome(
    'swap',
    catalogue.swapsOf(pattern.id).map(({ id }) => id),
  );
  gathering.addSome(
    'pattern',
    pattern.numbers.flatMap((number) =>
      supersessionOf(catalogue, number).way.flatMap((each) => catalogue.withNumber(each).map((is) => is.pattern.id)),
    ),
  );
}

function familyPage(catalogue: CatalogueLookup, gathering: Gathering, family: string): void {
  const variants = gathering.addSome(
    'variant',
    catalogue.variantsOf(family).map(({ id }) => id),
  );
  gathering.addSome(
    'pattern',
    catalogue.patternsOf(family).map(({ id }) => id),
  );
  for (const id of variants) {
    const variant: Variant | undefined = catalogue.variant(id);
    if (variant) gathering.addNamed('variant', variant);
  }
}

export const page: Answering<'page'> = ({ catalogue }, { type, id }) => {
  const gathering = new Gathering(catalogue);
  gathering.add(type, id);
  const [pattern, variant] = [
    type === 'pattern' ? catalogue.pattern(id) : undefined,
    type === 'variant' ? catalogue.variant(id) : undefined,
  ];
  if (pattern) patternPage(catalogue, gathering, pattern);
  if (variant) gathering.addNamed('variant', variant);
  if (type === 'family' && catalogue.family(id)) familyPage(catalogue, gathering, id);
  return { excerpt: gathering.excerpt, leftOut: gathering.leftOut };
};

export const overview: Answering<'overview'> = ({ catalogue }) => {
  const count = (type: RecordType) => catalogue.catalogue[LIST_OF[type]].length;
  return {
    counts: {
      maker: count('maker'),
      family: count('family'),
      pattern: count('pattern'),
      variant: count('variant'),
      scheme: count('scheme'),
      swap: count('swap'),
    },
    kinds: KIND_IDS.map((kind) => ({ kind, patterns: catalogue.ofKind(kind).length })),
    schemes: catalogue.catalogue.schemes.slice(0, MOST_OF_A_SORT).map(({ id, name }) => ({ id, name })),
  };
};

export const tree: Answering<'tree'> = ({ catalogue }, { from = 0, most = MAKERS_AT_ONCE }) => {
  const { makers } = catalogue.catalogue;
  return {
    count: makers.length,
    makers: makers.slice(from, from + most).map(({ id, name }) => ({
      id,
      name,
      families: catalogue
        .familiesOf(id)
        .map((family) => ({ id: family.id, name: family.name, variants: catalogue.variantsOf(family.id).length })),
    })),
  };
};

export const variantsOf: Answering<'variantsOf'> = ({ catalogue }, { family }) => ({
  variants: catalogue
    .variantsOf(family)
    .slice(0, MOST_OF_A_SORT)
    .map(({ id, code }) => ({ id, name: code })),
});

export const pick: Answering<'pick'> = (workshop, { of, kinds, words = '', most = CHOICES_AT_ONCE, chosen }) => ({
  choices: workshop.choices.of(of, kinds, words, most, chosen),
});

export const faces: Answering<'faces'> = ({ catalogue }, { kind }) => ({
  faces: Object.values(KINDS[kind].interfaces).map(({ id }) => ({
    id,
    known: [...new Set(catalogue.ofKind(kind).flatMap((pattern) => pattern.interfaces[id] ?? []))]
      .sort()
      .slice(0, MOST_OF_A_SORT),
  })),
});
