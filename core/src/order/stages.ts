import type { StepNotes } from '../assembly/index.js';
import type { Job } from '../job/job.js';
import { counted } from '../quantity/phrase.js';
import type { Need } from './need.js';
import type { ShopStep } from './shopSheet.js';

/** One stage of a job, and what is missing before it is through. */
interface Stage {
  readonly id: string;
  readonly name: string;
  /** The station where it is worked on. */
  readonly at: 'jobs' | 'fit' | 'plan' | 'order';
  readonly missing: readonly string[];
}

interface Standing {
  readonly job: Job;
  /** Names of sheets that have nothing on them yet. */
  readonly unmeasured: readonly string[];
  readonly parts: number;
  readonly hasBuild: boolean;
  /** What the build cannot do, or what does not go together in it. */
  readonly against: readonly string[];
  readonly needs: readonly Need[];
  readonly steps: readonly ShopStep[];
  readonly assembly: readonly StepNotes[];
}

/** Names of what is missing, a few of them. */
const some = (names: readonly string[], what: string): readonly string[] =>
  names.length === 0
    ? []
    : names.length <= MOST_NAMED
      ? names
      : [...names.slice(0, MOST_NAMED), `and ${counted(names.length - MOST_NAMED, `more ${what}`, `more ${what}s`)}`];
const MOST_NAMED = 4;

/**
 * The stages of a job in their order, each with what is missing. Nothing holds anybody to that order: parts may be
 * ordered before all is measured, but the sheet says so.
 */
export function stagesOf({
  job,
  unmeasured,
  parts,
  hasBuild,
  against,
  needs,
  steps,
  assembly,
}: Standing): readonly Stage[] {
  const wanting = needs.filter(({ left, group }) => left > 0 && group !== 'unaccounted');
  const coming = needs.filter(({ ordered }) => ordered > 0);
  return [
    {
      id: 'takenIn',
      name: 'Taken in',
      at: 'jobs',
      missing: [
        ...(job.customer === undefined ? ['whose engine it is'] : []),
        ...(job.machine === undefined ? ['what it drives'] : []),
        ...(job.asked === undefined ? ['what the customer asked for'] : []),
      ],
    },
    { id: 'apart', name: 'Taken apart', at: 'jobs', missing: parts === 0 ? ['a part that is read'] : [] },
    {
      id: 'measured',
      name: 'Measured',
      at: 'fit',
      missing: parts === 0 ? ['parts to measure'] : some(unmeasured, 'sheet'),
    },
    {
      id: 'decided',
      name: 'Decided',
      at: 'plan',
      missing: [
        ...(hasBuild ? [] : ['a build that is decided on']),
        ...((job.decisions ?? []).length > 0 ? [] : ['a decision with its reason']),
        ...some(against, 'refusal'),
      ],
    },
    {
      id: 'machined',
      name: 'Machined',
      at: 'order',
      missing: hasBuild
        ? some(
            steps
              .filter(({ state }) => state !== 'back')
              .map(
                ({ name, part, state }) => `${name.toLowerCase()}: ${part}${state === 'out' ? ', at the shop' : ''}`,
              ),
            'operation',
          )
        : ['a build that says what is done'],
    },
    {
      id: 'here',
      name: 'Parts here',
      at: 'order',
      missing: hasBuild
        ? [
            ...some(
              wanting.map(({ name, left }) => `${counted(left, 'piece')} of ${name}`),
              'part',
            ),
            ...some(
              coming.map(({ name }) => `${name}, ordered`),
              'order',
            ),
          ]
        : ['a build that says what is needed'],
    },
    {
      id: 'assembled',
      name: 'Put together',
      at: 'order',
      missing: some(
        assembly.filter(({ signed }) => signed.length === 0).map(({ name }) => `a signature for ${name.toLowerCase()}`),
        'signature',
      ),
    },
    {
      id: 'handedOver',
      name: 'Handed over',
      at: 'order',
      missing: [
        ...((job.hours ?? []).length > 0 ? [] : ['the hours spent']),
        ...(job.runIn === undefined ? ['notes on running in'] : []),
        ...(job.handedOver === undefined ? ['the day it was handed over'] : []),
      ],
    },
  ];
}
