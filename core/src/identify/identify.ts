import { keySizesOf } from '../dictionary/dictionary.js';
import type { Sentence } from '../quantity/sentence.js';
import type { Understood } from '../readings/reading.js';
import type { HouseRules } from '../shop/houseRules.js';
import type { ToolDrawer } from '../shop/ownInstrument.js';
import { isAsFamilyHas } from './aloneInFamily.js';
import { decibans } from './assumptions.js';
import { castingOf, type Casting } from './casting.js';
import type { CatalogueIndex } from './catalogueIndex.js';
import type { Evidence } from './evidence.js';
import { evidenceByKey } from './gather/index.js';
import { ownValue, type Known } from './ownValue.js';
import type { Candidate, Pull } from './candidate.js';
import { reasonFor } from './reason/index.js';
import { likeliest, Scores, type Posterior } from './scores.js';
import { hypothesesOf, type Hypotheses, type Sister } from './sisters.js';
import { slipBehind } from './slips.js';
import { standing, type HeldBy, type Status } from './standing.js';
import { isSameSize, weigh } from './weigh/index.js';
import { FIXED, ratioAt, type Weighed } from './weigh/weighed.js';

export type { Candidate } from './candidate.js';

export interface LineUp {
  readonly kind: CatalogueIndex['kind'];
  readonly status: Status;
  readonly heldBy?: HeldBy;
  /** Likeliest first, at most as many as asked for. */
  readonly candidates: readonly Candidate[];
  /** Probability that the part is in no catalogue, and none of the sisters among the candidates. */
  readonly none: number;
  /** How many patterns were weighed. */
  readonly weighed: number;
  /** Ids of key sizes of the kind that nobody has measured, of those that the first candidate states. */
  readonly unmeasured: readonly string[];
  /** The casting of the first candidate, where others are machined from it too and its number was read. */
  readonly casting?: Casting;
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
  /** Of what was seen only. */
  private readonly looks: Scores;
  /** What they come to on a part in no catalogue; known until another look is seen. */
  private lookedAlike: number | undefined = 0;
  private readonly applied = new Map<string, Weighed | undefined>();
  private evidence: ReadonlyMap<string, Evidence> = new Map();
  private last: Posterior | undefined;
  private supposed: Hypotheses | undefined;

  constructor(
    readonly index: CatalogueIndex,
    private readonly identifyOptions: IdentifyOptions = {},
  ) {
    this.scores = new Scores(index.patterns.length);
    this.looks = new Scores(index.patterns.length);
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
    const gone = new Set<Weighed>();
    for (const [key, weighed] of this.applied) {
      if (this.evidence.has(key)) continue;
      if (weighed) gone.add(weighed);
      this.applied.delete(key);
    }
    for (const [key, evidence] of this.evidence) {
      if (this.applied.has(key)) continue;
      const was = [...gone].find((each) => isSameSize(each.evidence, evidence));
      const weighed = more.get(key) ?? weigh(this.index, evidence, this.identifyOptions.rules, was);
      if (weighed && was && this.scores.exchange(was, weighed)) gone.delete(was);
      else if (weighed) this.apply(weighed, 1);
      this.applied.set(key, weighed);
    }
    for (const weighed of gone) this.apply(weighed, -1);
    this.last = undefined;
    this.supposed = undefined;
    return this;
  }

  private apply(weighed: Weighed, sign: 1 | -1): void {
    this.scores.apply(weighed, sign);
    const { sort } = weighed.evidence;
    if (sort !== 'look' && sort !== 'face') return;
    this.looks.apply(weighed, sign);
    this.lookedAlike = undefined;
  }

  get posterior(): Posterior {
    return (this.last ??= this.scores.posterior(this.looksOfNone, this.index.assumed.notInCatalogue));
  }

  /**
   * What looks like one part of the catalogue in each thing looks like it in all: the parts of one trade are made
   * alike. One by one the looks would make a part in no catalogue out to be a medley, and far too rare.
   */
  private get looksOfNone(): number {
    const alike = this.index.assumed.looksAlike;
    return (this.lookedAlike ??= Math.log(1 - alike + alike * this.looks.meanRatio()));
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
    const { asRecorded, sisters, none } = this.hypotheses;
    const places = weighed.length > 0 ? likeliest(posterior, most) : [];
    const told = weighed.length > 0 ? sisters.slice(0, most) : [];
    const rows = [...places.map((place) => posterior.rows[place] ?? 0), ...told.map(({ row }) => row)];
    const recorded = places.map((place, at): Candidate => {
      const row = rows[at] ?? 0;
      const probability = (posterior.probabilities[place] ?? 0) * asRecorded;
      return { pattern: index.patterns[row] ?? '', probability, pulls: this.pullsOn(row) };
    });
    const alike = told.map((sister) => this.sister(sister));
    const candidates = [...recorded, ...alike].sort((a, b) => b.probability - a.probability).slice(0, most);
    const left = alike.filter((each) => !candidates.includes(each)).reduce((sum, each) => sum + each.probability, 0);
    const evidence = [...this.evidence];
    const first = rows.find((row) => index.patterns[row] === candidates[0]?.pattern);
    return {
      kind: index.kind,
      ...standing(candidates, none + left, this.known, this.identifyOptions.rules),
      candidates,
      none: none + left,
      weighed: index.patterns.length,
      unmeasured: this.unmeasured(first),
      ...(candidates[0]?.own ? {} : this.casting(first)),
      unused: evidence.filter(([key]) => this.applied.get(key) === undefined).map(([, { text }]) => text),
      doubts: evidence.flatMap(([, each]) =>
        each.sort === 'size' && each.tool.doubt !== undefined ? [{ text: each.text, says: each.tool.doubt }] : [],
      ),
    };
  }

  private casting(row: number | undefined): Pick<LineUp, 'casting'> {
    const casting = row === undefined ? undefined : castingOf(this.index, row, this.weighed);
    return casting ? { casting } : {};
  }

  private unmeasured(row: number | undefined): readonly string[] {
    const read = new Set(
      [...this.evidence.values()].flatMap((each) => (each.sort === 'size' ? [each.parameter.id] : [])),
    );
    return keySizesOf(this.index.kind).filter(
      (size) => !read.has(size) && (this.index.sizes.get(size)?.codes[row ?? -1] ?? 0) > 0,
    );
  }

  /** What each piece of evidence says of one pattern, however far behind it stands. */
  pullsOn(row: number): Pull[] {
    const { sizes } = this.index;
    return this.weighed.map((each): Pull => {
      const logRatio = ratioAt(each, row) / FIXED;
      const { evidence } = each;
      const meant =
        evidence.sort === 'size' && evidence.written
          ? slipBehind(this.index, row, evidence, evidence.written, decibans(logRatio))
          : undefined;
      return {
        text: evidence.text,
        sort: evidence.sort,
        decibans: decibans(logRatio),
        why: reasonFor(this.index, row, evidence, logRatio),
        ...(meant ? { meant } : {}),
        ...(logRatio < 0 && evidence.sort === 'size' && isAsFamilyHas(sizes.get(evidence.parameter.id), row, evidence)
          ? { recordDoubtful: true }
          : {}),
      };
    });
  }

  /** Patterns as recorded, sisters of them, and what is like none, with their shares. */
  get hypotheses(): Hypotheses {
    // An engine is built with whatever parts there are: that makes it no sister.
    const weighed = this.index.kind === 'variant' ? [] : this.weighed;
    return (this.supposed ??= hypothesesOf(weighed, this.posterior, this.index));
  }

  private get known(): Known {
    const { index, posterior, weighed } = this;
    return { index, posterior, weighed };
  }

  private sister({ row, probability, own }: Sister): Candidate {
    return {
      pattern: this.index.patterns[row] ?? '',
      probability,
      pulls: this.pullsOn(row),
      own: own.map((evidence) => ownValue(this.known, row, evidence)),
    };
  }
}

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
