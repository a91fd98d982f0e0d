import type { Job, Signed } from '../job/job.js';
import { SHORT_BLOCK } from './shortBlock.js';
import type { AssemblyGround, AssemblyStep, Note } from './step.js';
import { TOP_END } from './topEnd.js';

/** All steps in the order in which an engine is put together. */
export const ASSEMBLY_STEPS: readonly AssemblyStep[] = [...SHORT_BLOCK, ...TOP_END];

/** A step written out for one engine. */
export interface StepNotes {
  readonly id: string;
  readonly name: string;
  readonly notes: readonly Note[];
  readonly cautions: readonly string[];
  /** Who answers for it, the last first. */
  readonly signed: readonly Signed[];
}

/** How an engine is put together, step by step, with who signed for what. */
export const assemblyNotesOf = (ground: AssemblyGround, job?: Pick<Job, 'signed'>): readonly StepNotes[] =>
  ASSEMBLY_STEPS.filter(({ arises }) => arises?.(ground) ?? true).map(({ id, name, notes, cautions = [] }) => ({
    id,
    name,
    notes: notes(ground),
    cautions,
    signed: [...(job?.signed ?? [])].reverse().filter(({ step }) => step === id),
  }));
