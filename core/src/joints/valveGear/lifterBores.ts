import type { Feature, Parameter } from '../../dictionary/definition.js';
import { lifter } from '../../dictionary/kinds/lifter.js';
import { around, middle, minus, type Interval } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { bandOf, limitOf, valveGear } from '../../thumb/index.js';
import { machined, type Assembly } from '../assembly.js';
import type { JointCheck } from '../check.js';
import { work, type Outcome, type Offer } from '../outcome.js';
import { implied } from '../shapes/implied.js';
import { usually, within } from '../shapes/within.js';

/** Boring or bushing the lifter bores for another body. */
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

/** The play of a lifter's body in its bore, and what boring or bushing makes of it. */
export const bodyInBore = (
  bore: Parameter,
  unless?: (assembly: Assembly) => Outcome | undefined,
  also: readonly string[] = [],
): JointCheck =>
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

/** Deactivating lifters want oil valves that switch them. */
export const deactivating = (needs: Feature): JointCheck =>
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
