import type { Feature, Parameter } from '../dictionary/definition.js';
import { block } from '../dictionary/kinds/block.js';
import { head } from '../dictionary/kinds/head.js';
import { lifter } from '../dictionary/kinds/lifter.js';
import { around, middle, minus, type Interval } from '../quantity/interval.js';
import { band, sentence } from '../quantity/sentence.js';
import { bandOf, limitOf, valveGear } from '../thumb/index.js';
import { lookOf, machined, type Assembly } from './assembly.js';
import { valveGearIn } from './cams.js';
import { ALWAYS_MENDED, REPLACED, type Check, type Joint } from './check.js';
import { mended, missing, said, work, type Finding, type Offer } from './finding.js';
import { implied } from './shapes/implied.js';
import { sameSize } from './shapes/sizes.js';
import { before, usually, within } from './shapes/within.js';

/** Whether a form of lifter is hydraulic. */
const isHydraulic = (form: string): boolean => (HYDRAULIC as readonly string[]).includes(form);

const HYDRAULIC = ['hydraulicFlat', 'hydraulicRoller', 'deactivating'] as const;

function boreWork(assembly: Assembly, bore: Parameter, hole: Interval, body: Interval): readonly Offer[] {
  const part = assembly.parts[bore.id.startsWith('head') ? 'head' : 'block'];
  const required = bandOf(valveGear.lifter, assembly.rules);
  const to = around(middle(body) + middle(required), limitOf(valveGear.lifterBoreWithin, assembly.rules));
  const by = middle(to) - middle(hole);
  if (!part || Math.abs(by) > limitOf(valveGear.lifterBoreChanged, assembly.rules)) return [];
  const then = minus(to, body);
  return [
    work({
      steps: [by > 0 ? 'reamLifterBores' : 'bushLifterBores'],
      says: sentence`${by > 0 ? 'Bore' : 'Bush'} the lifter bores to ${band(to)}.`,
      found: then,
      required,
      parts: [machined(part, bore, to)],
    }),
  ];
}

const bodyInBore = (bore: Parameter, unless?: (assembly: Assembly) => Finding | undefined, also: readonly string[] = []): Check =>
  within({
    id: 'lifterBody',
    name: 'Body in its bore',
    of: { hole: bore, body: lifter.parameters['body.diameter'] },
    also,
    ...(unless ? { unless } : {}),
    found: ({ hole, body }) => minus(hole, body),
    required: usually(valveGear.lifter),
    fits: ({ found }) => sentence`The lifters run with ${band(found)}.`,
    subject: 'The play of the lifters',
    tooLittle: 'they do not enter the bores',
    tooMuch: 'they are loose and bleed the oil gallery',
    mend: (assembly, { sizes: { hole, body } }) => boreWork(assembly, bore, hole, body),
  });

const deactivating = (needs: Feature): Check =>
  implied({
    id: 'deactivation',
    name: 'Deactivation',
    of: lifter.features.form,
    when: ['deactivating'],
    needs,
    be: ['present'],
    notAsked: 'nothing has to switch them.',
    met: 'there are oil valves to switch them.',
    unmet: 'there are no oil valves to switch them; they would stay locked, or rattle.',
  });

/** A block without cam bearings has no lifter bores either. */
const noBores = (assembly: Assembly): Finding | undefined =>
  lookOf(assembly, block.features.camBearings) === '0' ? said('doesNotFit', ['The block has no cam, and no bores for lifters.']) : undefined;

export const lifterInBlock: Joint = {
  id: 'lifterInBlock',
  name: 'Lifters in the block',
  kinds: ['block', 'lifter'],
  applies: valveGearIn('block'),
  checks: [
    bodyInBore(block.parameters['lifterBore.diameter'], noBores, [block.features.camBearings.id]),
    implied({
      id: 'lifterOil',
      verdicts: ALWAYS_MENDED,
      name: 'Oil to the lifters',
      of: lifter.features.form,
      when: HYDRAULIC,
      needs: block.features.lifterOil,
      be: ['present'],
      notAsked: 'it needs no oil from the block.',
      met: 'the block feeds it.',
      unmet: 'the block has no oil gallery for lifters.',
      mend: (assembly) =>
        assembly.parts.block
          ? [
              work({
                steps: ['feedLifters'],
                says: ['Drill a gallery along the lifter bores from the main oil way, where the casting allows.'],
                parts: [
                  {
                    ...assembly.parts.block,
                    looks: { ...assembly.parts.block.looks, [block.features.lifterOil.id]: { option: 'present', source: 'machined' } },
                  },
                ],
              }),
            ]
          : [],
    }),
    deactivating(block.features.deactivation),
  ],
};

export const lifterInHead: Joint = {
  id: 'lifterInHead',
  name: 'Lifters in the head',
  kinds: ['head', 'lifter'],
  applies: valveGearIn('head'),
  checks: [bodyInBore(head.parameters['lifterBore.diameter']), deactivating(head.features.deactivation)],
};

/** Lifters in place of others: the pushrods stay. */
export const lifterInPlace: Joint = {
  id: 'lifterInPlace',
  name: 'In place of the lifters',
  kinds: ['lifter'],
  inPlaceOf: 'lifter',
  checks: [
    sameSize({
      id: 'seatHeight',
      verdicts: ALWAYS_MENDED,
      name: 'Height of the pushrod seat',
      of: lifter.parameters.seatHeight,
      play: valveGear.seatHeight,
      mend: (_assembly, { found, required }) => [
        work({ steps: ['pushrods'], says: sentence`Take pushrods for a seat at ${band(found)} instead of ${band(required)}, and set the preload anew.` }),
      ],
    }),
    within({
      id: 'preload',
      verdicts: ALWAYS_MENDED,
      name: 'Preload',
      of: { mine: lifter.parameters.preload, was: before(lifter.parameters.preload) },
      also: [lifter.features.form.id, REPLACED + lifter.features.form.id],
      unless: (assembly) => {
        const [mine, was] = [lookOf(assembly, lifter.features.form), lookOf(assembly, lifter.features.form, 'replaced')];
        if (mine === undefined || was === undefined) return missing([lifter.features.form], 'count');
        if (isHydraulic(mine) !== isHydraulic(was))
          return mended(said('doesNotFit', ['Hydraulic lifters run with preload and solid ones with lash: the adjustment is another.']), [
            work({ steps: ['pushrods'], says: ['Take pushrods of the other length, and rockers that can be set to lash or preload.'] }),
          ]);
        return isHydraulic(mine) ? undefined : said('fits', ['Solid lifters are set with lash, as the old ones were.']);
      },
      found: ({ mine, was }) => minus(mine, was),
      required: usually(valveGear.preload),
      fits: ({ sizes: { mine } }) => sentence`Set them with ${band(mine)} of preload.`,
      subject: 'The preload over that of the old ones',
      tooLittle: 'the plunger would hang at its top and clatter',
      tooMuch: 'the plunger would bottom and hold the valve open',
      mend: (_assembly, { sizes: { mine } }) => [work({ steps: ['pushrods'], says: sentence`Take pushrods that give ${band(mine)} of preload.` })],
    }),
  ],
};
