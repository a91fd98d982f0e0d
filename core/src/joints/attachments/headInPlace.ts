import { head } from '../../dictionary/kinds/head.js';
import { band, sentence } from '../../quantity/sentence.js';
import { deck } from '../../thumb/index.js';
import { WORK_ALWAYS_HELPS, type Joint } from '../check.js';
import { work } from '../outcome.js';
import { sameLook, samePattern } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';
import { stays } from './staysAsItWas.js';

/** Carriers are bored together with their head, so the two swap as a pair. */
const carriers = samePattern({
  id: 'camCarrier',
  name: 'Cam carriers',
  of: head.interfaces.camCarrier,
  as: head.interfaces.camCarrier,
  asOf: 'replaced',
  verdicts: WORK_ALWAYS_HELPS,
  agree: ({ mine }) =>
    mine === 'none' ? ['Its cam runs in the head itself: the carriers that come out are not used again.'] : undefined,
  both: ({ mine }) =>
    mine === 'none'
      ? ['The cam runs without carriers.']
      : [`Both ${mine}: head and carriers were bored together, so take both from one engine.`],
  otherwise: ({ mine, theirs }) => [
    `${mine} where ${theirs === 'none' ? 'no carriers were' : `${theirs} were`}: head and carriers are a pair, and swap as a pair only.`,
  ],
  mend: (_assembly, { mine }) => [
    work({
      steps: ['takeAlong'],
      name: 'Carriers with the head',
      says: [`Take the carriers (${mine}) and caps that were bored with this head.`],
    }),
  ],
});

/** A head in place of another: manifolds and what is bolted to it stay. */
export const headInPlace: Joint = {
  id: 'headInPlace',
  name: 'In place of the head',
  kinds: ['head'],
  inPlaceOf: 'head',
  checks: [
    stays(
      'intakeManifold',
      'Intake manifold',
      head.interfaces.intakeManifold,
      'Take the intake manifold that belongs to it',
    ),
    carriers,
    stays(
      'exhaustManifold',
      'Exhaust manifold',
      head.interfaces.exhaustManifold,
      'Take the exhaust manifold that belongs to it',
    ),
    sameSize({
      id: 'studs',
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Length of the studs',
      of: head.parameters.height,
      play: deck.studs,
      mend: (_assembly, { found, required }) => [
        work({
          steps: ['takeAlong'],
          name: 'Studs for the head',
          says: sentence`Take head studs or bolts for a head ${band(found)} high instead of ${band(required)}, that fill their threads and do not meet the bottom.`,
        }),
      ],
    }),
    sameLook({
      id: 'secondaryAir',
      confirming: true,
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Secondary air',
      of: head.features.secondaryAir,
      as: head.features.secondaryAir,
      asOf: 'replaced',
      agree: ({ theirs }) => (theirs === 'none' ? ['Its air ports are plugged here, if the law allows.'] : undefined),
      otherwise: () => [
        'The head that comes out carries secondary air and this has no ports for it: ask your local authority.',
      ],
      mend: () => [work({ steps: ['drillAndTap'], says: ['Drill the air ports, where the bosses are there.'] })],
    }),
    sameLook({
      id: 'accessories',
      confirming: true,
      verdicts: WORK_ALWAYS_HELPS,
      name: 'Holes for accessories',
      of: head.features.accessoryHoles,
      as: head.features.accessoryHoles,
      asOf: 'replaced',
      agree: ({ theirs }) => (theirs === 'none' ? ['It has holes that nothing uses here.'] : undefined),
      mend: () => [
        work({ steps: ['drillAndTap'], says: ['Drill and tap the undrilled bosses at the ends of the head.'] }),
      ],
    }),
  ],
};
