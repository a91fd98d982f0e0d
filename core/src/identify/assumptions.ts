/**
 * The numbers the identification rests on that no part can tell. From memory of the trade; each is a plain probability
 * so that it can be argued about, and the simulation in `bench/simulate.mjs` shows what they do to the answers.
 */
export const ASSUMED = {
  /** A part on the bench is in no catalogue. */
  notInCatalogue: 0.05,
  /** Of parts in no catalogue, those that are like one of it but for a few values of their own. */
  sister: 0.6,
  /** A size of such a sister is its own; a look or face; a mark or number. */
  ownSize: 0.12,
  ownLook: 0.08,
  ownMark: 0.3,
  /** A size was taken at the wrong place, misread or written wrongly. */
  sizeMistaken: 0.003,
  /** The same, though it was read twice or by two instruments, which agree. */
  sizeMistakenTwice: 0.00003,
  /** A look was told wrong, however plain it is: another answer pressed, the part beside it looked at. */
  lookMistaken: 0.015,
  /** A face was taken for another pattern, or called by a name of another. */
  faceMistaken: 0.04,
  /** A mark was read that the catalogue does not record for the part, though it looks like such a mark. */
  markUnrecorded: 0.05,
  /** The same, of a mark like none of the kind: a date, a foundry, a workshop. */
  markOfOthers: 0.3,
  /**
   * The catalogue is wrong about a value, by who says so: a slip of the pen, another version, a memory. A part cannot
   * tell a wrong sheet from a sister; small figures for what is in print make it a sister, which is looked into.
   */
  recordWrong: {
    measuredHere: 0.0001,
    makersSheet: 0.0002,
    suppliersList: 0.001,
    peer: 0.003,
    inferred: 0.01,
    hearsay: 0.03,
  },
  /**
   * So many times as often, where no sister of its family has the value: few wrong figures happen to be what a sister
   * has. Then it mostly should be what they have, which tells a wrong sheet from a part of its own.
   */
  oftenerWrongAlone: 15,
  /** The same, of a value that one source contradicts another about. */
  disputedWrong: 0.1,
  /** A journal that can be reground has not been. */
  standardSize: 0.75,
  /** A part worn several times more than is usual. */
  muchWorn: 0.1,
  /** How many times more. */
  muchWornTimes: 4,
  /** An unknown part shares this size with the parts of the catalogue: it is often a sister of one. */
  sharedSize: 0.25,
  /** An unknown part bears a mark of the catalogue. */
  sharedMark: 0.02,
  /** Of as many marks and numbers of a part, one that stands only on its box is told, against one on the part. */
  ofBox: 0.3,
  /** A part in no catalogue that looks, all in all, as some part of the catalogue does. */
  looksAlike: 0.7,
  /** A mark is looked for at its place and is not there, though the catalogue records it. */
  markGone: 0.1,
  /** Nothing is recorded for a place, and yet something stands there. */
  markThere: 0.2,
  /** A mark recorded in one place is found in another; or said to be cast and is stamped. */
  elsewhere: 0.3,
  /** A mark read on a part whose maker has such a scheme is one of the scheme. */
  ofScheme: 0.3,
  /** A figure read on a part made in service sizes is the stamp of its size. */
  sizeStamp: 0.05,
  /** A service size said of a part is right. */
  stepRight: 0.95,
  /** Tag, papers and what people say belong to this engine, and not to another one of the catalogue. */
  papers: 0.9,
  /** A claim is right, where it is meant of this engine. By what is claimed; house rules move it. */
  claimRight: { serial: 0.97, tag: 0.9, engine: 0.85, machine: 0.85, year: 0.9 },
  /** A part found in an engine has been there from the first. */
  original: 0.85,
  /** The block has: it is what is called the engine. */
  originalBlock: 0.997,
  /** Several of a kind, as pistons are, were put in as one set, and not one by one. */
  asSet: 0.8,
  /** A part put in later is one that engines with the same block carry, and not any of its kind. */
  replacedByFitting: 0.7,
} as const;

type Numbers<T> = { readonly [K in keyof T]: T[K] extends number ? number : Numbers<T[K]> };
/** The same numbers, with the shop's own in the place of some. */
export type Assumed = Numbers<typeof ASSUMED>;

/**
 * Numbers that records of confirmed parts can tell something of, by their ids, and what a shop may put in their
 * place.
 */
export const LEARNT = {
  notInCatalogue: 'A part is in no catalogue',
  sizeMistaken: 'A size is a slip',
  lookMistaken: 'A look is told wrong, however plain it is',
  faceMistaken: 'A face is called by another’s name',
  markUnrecorded: 'A mark is read that the catalogue lacks',
  markGone: 'A recorded mark is gone',
  standardSize: 'A size that is reworked stands at standard',
  muchWorn: 'A part is worn several times more than usual',
  original: 'A part was in its engine from the first',
  'claimRight.serial': 'A serial number is right',
  'claimRight.tag': 'A tag is right',
  'claimRight.engine': 'An engine is what it is said to be',
  'claimRight.machine': 'A machine is right',
  'claimRight.year': 'A year is right',
} as const;
export type LearntId = keyof typeof LEARNT;
export const LEARNT_IDS = Object.keys(LEARNT) as LearntId[];

/** The number of this id. */
export function assumedOf(assumed: Assumed, id: LearntId): number {
  const [key, about] = id.split('.') as [keyof Assumed, keyof Assumed['claimRight'] | undefined];
  return about === undefined ? (assumed[key] as number) : assumed.claimRight[about];
}

/** Own chances that are of nothing known. */
export const checkOwnAssumptions = (
  own: Readonly<Record<string, number>>,
  where: string,
): readonly { readonly where: string; readonly what: string }[] =>
  Object.keys(own)
    .filter((id) => !(id in LEARNT))
    .map((id) => ({
      where: `${where}.${id}`,
      what: `there is no such chance; known are ${LEARNT_IDS.join(', ')}.`,
    }));

/** The usual numbers with a shop's own in their places. */
export function withOwn(own: Readonly<Partial<Record<LearntId, number>>> | undefined): Assumed {
  const given = Object.entries(own ?? {}) as [LearntId, number][];
  if (given.length === 0) return ASSUMED;
  const claimRight = Object.fromEntries(
    given.flatMap(([id, value]) => (id.startsWith('claimRight.') ? [[id.slice('claimRight.'.length), value]] : [])),
  ) as Partial<Assumed['claimRight']>;
  const plain = Object.fromEntries(given.filter(([id]) => !id.includes('.')));
  return { ...ASSUMED, ...plain, claimRight: { ...ASSUMED.claimRight, ...claimRight } };
}

/** Decibans at and below which one piece of evidence is a strong contradiction. */
export const STRONG_CONTRADICTION = -10;
/** Decibans at and below which several together are as one. */
export const MIDDLING_CONTRADICTIONS = -15;
/** Decibans by which marks and sizes must set the first apart from each other one. */
export const SET_APART = 10;
/** Decibans by which two looks or more do, where marks and sizes do not. */
export const SET_APART_BY_LOOKS = 20;
/** Decibans that marks and sizes together must say for a pattern before it is settled, whatever the looks say. */
export const CORROBORATES = 15;
/** Probability from which an answer is settled, when nothing contradicts it strongly. */
export const SETTLED_FROM = 0.995;
/** Probability from which an answer is probable. */
export const PROBABLE_FROM = 0.75;

/**
 * Natural logarithm of a likelihood ratio, as decibans: ten times its decimal logarithm (I. J. Good, Biometrika 66
 * (1979) 393).
 */
export const decibans = (logRatio: number): number => (10 * logRatio) / Math.LN10;
