import type { Feature, Interface, Parameter } from '../dictionary/definition.js';
import type { Estimate } from '../quantity/instrument.js';
import type { Sentence } from '../quantity/sentence.js';
import type { UnitId, UnitSystem } from '../quantity/unit.js';
import type { ClaimAbout } from '../readings/reading.js';
import type { Tool } from '../shop/ownInstrument.js';
import type { ReadMark } from './gather/sameMark.js';

export interface SizeEvidence {
  readonly sort: 'size';
  readonly text: string;
  readonly parameter: Parameter;
  readonly estimate: Estimate;
  readonly tool: Tool;
  /** How far from standard the size is said to stand, inside unit; undefined where nothing was said. */
  readonly step: number | undefined;
  /** Whether a repeat or a second instrument bears it out: then it is hardly a slip. */
  readonly confirmed: boolean;
  /** The size before it that was ground, bored or bought together with it; what stands here is told beside that. */
  readonly given?: SizeEvidence;
  /** The units in which it was typed. */
  readonly typedIn: UnitSystem;
  /** The figure as it was written, where it is one. */
  readonly written?: { readonly figures: string; readonly unit: UnitId };
}
export interface LookEvidence {
  readonly sort: 'look';
  readonly text: string;
  readonly feature: Feature;
  readonly option: string;
  /** Whether it was seen to be any but this one. */
  readonly not: boolean;
}
export interface FaceEvidence {
  readonly sort: 'face';
  readonly text: string;
  readonly face: Interface;
  readonly pattern: string;
}
export interface MarkEvidence extends ReadMark {
  readonly sort: 'mark';
}
export interface StepEvidence {
  readonly sort: 'step';
  readonly text: string;
  readonly parameter: Parameter;
  /** Signed distance from standard, inside unit. */
  readonly offset: number;
  /** What is said of the size before it that is reworked together with it. */
  readonly given?: StepEvidence;
}
export interface ClaimEvidence {
  readonly sort: 'claim';
  readonly text: string;
  readonly about: ClaimAbout;
  readonly value: string;
  /** The claims that count before it: they may all be wrong for one reason, so this one is told beside them. */
  readonly given: readonly Pick<ClaimEvidence, 'about' | 'value'>[];
}

/** A part found in an engine: how it agrees with each engine is worked out from its own identification. */
export interface PartEvidence {
  readonly sort: 'part';
  readonly text: string;
  readonly say: (row: number) => Sentence;
}

/**
 * One piece of evidence, with the words it came from. What has a cause in common with others names those before it, and
 * is weighed by what it adds to them.
 */
export type Evidence =
  SizeEvidence | LookEvidence | FaceEvidence | MarkEvidence | StepEvidence | ClaimEvidence | PartEvidence;
