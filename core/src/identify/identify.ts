import type { Sentence } from '../quantity/sentence.js';
import type { Understood } from '../readings/reading.js';
import type { HouseRules } from '../shop/houseRules.js';
import type { ToolDrawer } from '../shop/ownInstrument.js';
import {
  CORROBORATES,
  decibans,
  MIDDLING_CONTRADICTIONS,
  PROBABLE_FROM,
  SET_APART,
  SET_APART_BY_LOOKS,
  SETTLED_FROM,
  STRONG_CONTRADICTION,
} from './assumptions.js';
import type { CatalogueIndex } from './catalogueIndex.js';
import { evidenceByKey, type Evidence, type SizeEvidence } from './evidence.js';
import { reasonFor } from './reason/index.js';
import { likeliest, Scores, type Posterior } from './scores.js';
import { hypothesesOf, type Hypotheses, type Sister } from './sisters.js';
import { explainSize } from './sizeLikelihood.js';
import { slipBehind, type Slip } from './slips.js';
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
  /** What was probably meant, where a slip explains a size that speaks against it: with it the size fits. */
  readonly meant?: Slip;
}

/** What a sister of a pattern has of its own. */
export interface OwnValue {
  /** The words of the reading. */
  readonly text: string;
  /** Id of the size, look or face; absent for a mark. */
  readonly id?: string;
  /** Whether a repeat or a second instrument bears it out. */
  readonly confirmed: boolean;
  /** Id of another pattern that has it so. */
  readonly asOn?: string;
  /** Whether no wear, but only work, makes a part of the pattern so: a journal larger than new. */
  readonly againstWear: boolean;
}

export interface Candidate {
  readonly pattern: string;
  readonly probability: number;
  readonly pulls: readonly Pull[];
  /** Of a part like the pattern, but none of it: what it has otherwise. */
  readonly own?: readonly OwnValue[];
}

/**
 * How sure the answer is: *settled*, one candidate beyond reasonable doubt and nothing strong against it; *probable*,
 * one well ahead; *open*; *sister*, most likely in no catalogue, but like one of it; *nothing fits*, like none of it;
 * *no evidence*, nothing read yet.
 */
export const STATUSES = ['settled', 'probable', 'open', 'sister', 'nothingFits', 'noEvidence'] as const;
export type Status = (typeof STATUSES)[number];

/** What keeps an answer that is likely enough from being settled. */
export type HeldBy = 'contradiction' | 'houseRule' | 'looksOnly';

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
  private supposed: Hypotheses | undefined;

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
    this.supposed = undefined;
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
    const { asRecorded, sisters, none } = this.hypotheses;
    const places = weighed.length > 0 ? likeliest(posterior, most) : [];
    const recorded = places.map((place): Candidate => {
      const row = posterior.rows[place] ?? 0;
      const probability = (posterior.probabilities[place] ?? 0) * asRecorded;
      return { pattern: index.patterns[row] ?? '', probability, pulls: this.pullsOn(row) };
    });
    const alike = weighed.length > 0 ? sisters.slice(0, most).map((sister) => this.sister(sister)) : [];
    const candidates = [...recorded, ...alike].sort((a, b) => b.probability - a.probability).slice(0, most);
    const left = alike.filter((each) => !candidates.includes(each)).reduce((sum, each) => sum + each.probability, 0);
    const evidence = [...this.evidence];
    return {
      kind: index.kind,
      ...this.status(candidates, none + left, weighed.length),
      candidates,
      none: none + left,
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
      };
    });
  }

  /** Patterns as recorded, sisters of them, and what is like none, with their shares. */
  get hypotheses(): Hypotheses {
    // An engine is built with whatever parts there are: that makes it no sister.
    const weighed = this.index.kind === 'variant' ? [] : this.weighed;
    return (this.supposed ??= hypothesesOf(weighed, this.posterior, this.index.patterns.length));
  }

  private sister({ row, probability, own }: Sister): Candidate {
    return {
      pattern: this.index.patterns[row] ?? '',
      probability,
      pulls: this.pullsOn(row),
      own: own.map((evidence) => this.ownValue(row, evidence)),
    };
  }

  /**
   * Whether marks and sizes, or several looks, set the first apart from each that stands near it: what both share tells
   * neither from the other.
   */
  private isSetApart(first: Candidate): boolean {
    const { posterior, index, weighed } = this;
    const row = index.patterns.indexOf(first.pattern);
    const telling = weighed.filter(({ evidence }) => bearsOut(evidence));
    const looks = weighed.filter(({ evidence }) => evidence.sort === 'look' || evidence.sort === 'face');
    return likeliest(posterior, RIVALS).every((place) => {
      const other = posterior.rows[place] ?? 0;
      if (other === row) return true;
      const apart = (each: Weighed) => decibans((ratioAt(each, row) - ratioAt(each, other)) / FIXED);
      if (telling.reduce((sum, each) => sum + apart(each), 0) >= SET_APART) return true;
      // One look may be misjudged or the one thing that a sister shares; two that agree tell as well.
      const byLooks = looks.map(apart).filter((by) => by > 0);
      return byLooks.length > 1 && byLooks.reduce((sum, by) => sum + by, 0) >= SET_APART_BY_LOOKS;
    });
  }

  private ownValue(row: number, evidence: Evidence): OwnValue {
    const weighed = this.weighed.find((each) => each.evidence === evidence);
    const { posterior, index } = this;
    // The likeliest of those that bear it out: a part may be put together of two, or a size be shared by sisters.
    const as = likeliest(posterior, LOOKED_AT_FOR_OWN).find(
      (place) => weighed && ratioAt(weighed, posterior.rows[place] ?? 0) / FIXED > BORNE_OUT,
    );
    const asOn = as === undefined ? undefined : index.patterns[posterior.rows[as] ?? 0];
    const size = evidence.sort === 'size' ? evidence : undefined;
    const id = idOf(evidence);
    const beyond = size ? beyondRecorded(index, row, size) : 0;
    return {
      text: evidence.text,
      ...(id === undefined ? {} : { id }),
      confirmed: size?.confirmed ?? false,
      ...(asOn === undefined ? {} : { asOn }),
      againstWear:
        size !== undefined &&
        (size.parameter.wear === 'shrinks' ? beyond > 0 : size.parameter.wear === 'grows' && beyond < 0),
    };
  }

  private status(
    candidates: readonly Candidate[],
    none: number,
    evidence: number,
  ): { readonly status: Status; readonly heldBy?: HeldBy } {
    const [first] = candidates;
    if (evidence === 0) return { status: 'noEvidence' };
    const borneOut =
      first?.pulls.reduce((sum, pull) => sum + (bearsOut(pull) ? Math.max(0, pull.decibans) : 0), 0) ?? 0;
    const looksOnly = !first?.pulls.some(bearsOut);
    const alike = candidates.filter(({ own }) => own).reduce((sum, { probability }) => sum + probability, 0);
    if (!first || (none + alike >= PROBABLE_FROM && !looksOnly))
      return { status: first?.own && alike >= none ? 'sister' : 'nothingFits' };
    if (first.own) return { status: 'open' };
    const likely = first.probability >= PROBABLE_FROM ? 'probable' : 'open';
    // Several middling contradictions weigh as one that is strong.
    const against = first.pulls.reduce((sum, { decibans: by }) => sum + Math.min(0, by), 0);
    if (first.pulls.some((pull) => pull.decibans <= STRONG_CONTRADICTION) || against <= MIDDLING_CONTRADICTIONS)
      return { status: likely, heldBy: 'contradiction' };
    if (first.probability < SETTLED_FROM) return { status: likely };
    // A copy by another maker looks the same: looks name no part without a mark or a size beside them.
    if (borneOut < CORROBORATES || !this.isSetApart(first)) return { status: 'probable', heldBy: 'looksOnly' };
    const unmeasured =
      this.identifyOptions.rules?.marks === 'measure' &&
      !first.pulls.some((pull) => pull.sort === 'size' && pull.decibans > 0);
    return unmeasured ? { status: 'probable', heldBy: 'houseRule' } : { status: 'settled' };
  }
}

/** As many that stand behind the first are looked at. */
const RIVALS = 24;
/** How many are looked at for one that has what a sister has. */
const LOOKED_AT_FOR_OWN = 64;
/** From this on, natural units, a reading bears out a pattern. */
const BORNE_OUT = 1;

function idOf(evidence: Evidence): string | undefined {
  switch (evidence.sort) {
    case 'size':
      return evidence.parameter.id;
    case 'look':
      return evidence.feature.id;
    case 'face':
      return evidence.face.id;
    case 'mark':
    case 'step':
    case 'claim':
    case 'part':
      return undefined;
  }
}

/** How far a measured size lies outside what a pattern has, signed. */
function beyondRecorded(index: CatalogueIndex, row: number, { parameter, estimate, step }: SizeEvidence): number {
  const column = index.sizes.get(parameter.id);
  const size = column?.distinct[(column.codes[row] ?? 0) - 1];
  return size ? explainSize(size, parameter, estimate, step).beyond : 0;
}

/** Sizes, marks, and parts named by them: what a copy does not share. */
const bearsOut = ({ sort }: Pick<Pull, 'sort'>): boolean => sort === 'size' || sort === 'mark' || sort === 'part';

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
