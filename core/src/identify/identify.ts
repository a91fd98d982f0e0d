import type { Sentence } from '../quantity/sentence.js';
import type { Understood } from '../readings/reading.js';
import type { HouseRules } from '../shop/houseRules.js';
import type { ToolDrawer } from '../shop/ownInstrument.js';
import { CORROBORATES, decibans, PROBABLE_FROM, SETTLED_FROM, STRONG_CONTRADICTION } from './assumptions.js';
import type { CatalogueIndex } from './catalogueIndex.js';
import { evidenceByKey, type Evidence } from './evidence.js';
import { reasonFor } from './reason/index.js';
import { likeliest, Scores, type Posterior } from './scores.js';
import { weigh } from './weigh/index.js';
import { FIXED, ratioAt, type Weighed } from './weigh/weighed.js';

/** One piece of evidence, pulling for (positive) or against a candidate. */
export interface Pull {
  /** The words of the reading. */
  readonly text: string;
  readonly sort: Evidence['sort'];
  /** Weight against a part in no catalogue. The weights of a candidate add up. */
  readonly decibans: number;
  readonly why: Sentence;
}

export interface Candidate {
  readonly pattern: string;
  readonly probability: number;
  readonly pulls: readonly Pull[];
}

/**
 * How sure the answer is: *settled*, one candidate beyond reasonable doubt and nothing strong against it; *probable*,
 * one well ahead; *open*; *nothing fits*, most likely in no catalogue; *no evidence*, nothing read yet.
 */
export type Status = 'settled' | 'probable' | 'open' | 'nothingFits' | 'noEvidence';

/** What keeps an answer that is likely enough from being settled. */
export type HeldBy = 'contradiction' | 'houseRule' | 'looksOnly';

export interface LineUp {
  readonly kind: CatalogueIndex['kind'];
  readonly status: Status;
  readonly heldBy?: HeldBy;
  /** Likeliest first, at most as many as asked for. */
  readonly candidates: readonly Candidate[];
  /** Probability that the part is in no catalogue. */
  readonly none: number;
  /** How many patterns were weighed. */
  readonly weighed: number;
  /** Readings the catalogue has nothing to hold against. */
  readonly unused: readonly string[];
  /** What is doubtful about how something was measured. */
  readonly doubts: readonly { readonly text: string; readonly says: Sentence }[];
}

/** Whose instruments and rules count; the usual ones where nothing is said. */
export interface IdentifyOptions {
  readonly drawer?: ToolDrawer;
  readonly rules?: HouseRules;
}

/**
 * The identification of one part while it is being read. Keeps what each piece of evidence weighs, so that one more
 * reading costs one column and not all of them again; what comes out depends only on the readings, never on the way
 * there.
 *
 * Bayes' rule with every pattern equally likely beforehand and the readings independent given the pattern; see
 * `assumptions.ts` for the chances taken for granted.
 */
export class Identification {
  private readonly scores: Scores;
  private readonly applied = new Map<string, Weighed | undefined>();
  private evidence: ReadonlyMap<string, Evidence> = new Map();
  private last: Posterior | undefined;

  constructor(
    readonly index: CatalogueIndex,
    private readonly identifyOptions: IdentifyOptions = {},
  ) {
    this.scores = new Scores(index.patterns.length);
  }

  /**
   * Takes these readings in the place of those before.
   * @param more evidence weighed elsewhere, by a key of its own
   */
  read(readings: readonly Understood[], more: ReadonlyMap<string, Weighed> = new Map()): this {
    this.evidence = new Map([
      ...evidenceByKey(readings, this.identifyOptions.drawer),
      ...[...more].map(([key, { evidence }]) => [key, evidence] as const),
    ]);
    for (const [key, weighed] of this.applied) {
      if (this.evidence.has(key)) continue;
      if (weighed) this.scores.apply(weighed, -1);
      this.applied.delete(key);
    }
    for (const [key, evidence] of this.evidence) {
      if (this.applied.has(key)) continue;
      const weighed = more.get(key) ?? weigh(this.index, evidence, this.identifyOptions.rules);
      if (weighed) this.scores.apply(weighed, 1);
      this.applied.set(key, weighed);
    }
    this.last = undefined;
    return this;
  }

  get posterior(): Posterior {
    return (this.last ??= this.scores.posterior());
  }

  /** The log ratio of a pattern against a part in no catalogue, natural units. */
  scoreOf(row: number): number {
    return this.scores.of(row);
  }

  /** What was read and weighed, in its order. */
  get weighed(): readonly Weighed[] {
    return [...this.evidence].flatMap(([key, evidence]) => {
      const weighed = this.applied.get(key);
      return weighed ? [{ ...weighed, evidence }] : [];
    });
  }

  /** @param most how many candidates to return with their reasons */
  lineUp(most = 6): LineUp {
    const { index, posterior, weighed } = this;
    const places = weighed.length > 0 ? likeliest(posterior, most) : [];
    const candidates = places.map((place): Candidate => {
      const row = posterior.rows[place] ?? 0;
      return {
        pattern: index.patterns[row] ?? '',
        probability: posterior.probabilities[place] ?? 0,
        pulls: this.pullsOn(row),
      };
    });
    const evidence = [...this.evidence];
    return {
      kind: index.kind,
      ...this.status(candidates, weighed.length),
      candidates,
      none: posterior.none,
      weighed: index.patterns.length,
      unused: evidence.filter(([key]) => this.applied.get(key) === undefined).map(([, { text }]) => text),
      doubts: evidence.flatMap(([, each]) =>
        each.sort === 'size' && each.tool.doubt !== undefined ? [{ text: each.text, says: each.tool.doubt }] : [],
      ),
    };
  }

  /** What each piece of evidence says of one pattern, however far behind it stands. */
  pullsOn(row: number): Pull[] {
    return this.weighed.map((each): Pull => {
      const logRatio = ratioAt(each, row) / FIXED;
      return {
        text: each.evidence.text,
        sort: each.evidence.sort,
        decibans: decibans(logRatio),
        why: reasonFor(this.index, row, each.evidence, logRatio),
      };
    });
  }

  private status(
    candidates: readonly Candidate[],
    evidence: number,
  ): { readonly status: Status; readonly heldBy?: HeldBy } {
    const [first] = candidates;
    const { none } = this.posterior;
    if (evidence === 0) return { status: 'noEvidence' };
    const borneOut =
      first?.pulls.reduce((sum, pull) => sum + (bearsOut(pull) ? Math.max(0, pull.decibans) : 0), 0) ?? 0;
    const looksOnly = !first?.pulls.some(bearsOut);
    if (!first || (none >= PROBABLE_FROM && !looksOnly)) return { status: 'nothingFits' };
    const likely = first.probability >= PROBABLE_FROM ? 'probable' : 'open';
    if (first.pulls.some((pull) => pull.decibans <= STRONG_CONTRADICTION))
      return { status: likely, heldBy: 'contradiction' };
    if (first.probability < SETTLED_FROM) return { status: likely };
    // A copy by another maker looks the same: looks name no part without a mark or a size beside them.
    if (borneOut < CORROBORATES) return { status: 'probable', heldBy: 'looksOnly' };
    const unmeasured =
      this.identifyOptions.rules?.marks === 'measure' &&
      !first.pulls.some((pull) => pull.sort === 'size' && pull.decibans > 0);
    return unmeasured ? { status: 'probable', heldBy: 'houseRule' } : { status: 'settled' };
  }
}

/** Sizes, marks, and parts named by them: what a copy does not share. */
const bearsOut = ({ sort }: Pull): boolean => sort === 'size' || sort === 'mark' || sort === 'part';

/**
 * Ranks the patterns of a catalogue, and *none of these*, by what was read.
 *
 * @param readings in any order: the answer is the same to the last bit
 * @param most candidates to tell of
 * @param identifyOptions the shop's instruments, the engine a part is said to be from and so on
 * @example identify(indexCatalogue('crank', catalogue), readEntry('main 2.349in mic', 'crank').words)
 */
export const identify = (
  index: CatalogueIndex,
  readings: readonly Understood[],
  most = 6,
  identifyOptions: IdentifyOptions = {},
): LineUp => new Identification(index, identifyOptions).read(readings).lineUp(most);
