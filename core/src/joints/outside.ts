import type { Interface } from '../dictionary/definition.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { flywheel } from '../dictionary/kinds/flywheel.js';
import { frontCover } from '../dictionary/kinds/frontCover.js';
import { head } from '../dictionary/kinds/head.js';
import { seal } from '../dictionary/kinds/seal.js';
import { middle, minus, shifted } from '../quantity/interval.js';
import { band, sentence, value } from '../quantity/sentence.js';
import { deck, ends, limitOf } from '../thumb/index.js';
import { machined } from './assembly.js';
import { ALWAYS_MENDED, type Check, type Joint } from './check.js';
import { work } from './finding.js';
import { withPattern } from './operations/patterns.js';
import { sameCount, sameLook, samePattern } from './shapes/same.js';
import { sameSize } from './shapes/sizes.js';
import { before, noLess, usually, within } from './shapes/within.js';

/** Front cover and block. */
export const coverOnBlock: Joint = {
  id: 'coverOnBlock',
  name: 'Front cover',
  kinds: ['block', 'frontCover'],
  checks: [
    samePattern({ id: 'coverBolts', name: 'Bolts and dowels', of: frontCover.interfaces.frontCover, as: block.interfaces.frontCover }),
    within({
      id: 'coverHeight',
      name: 'Height of the cover',
      of: { cover: frontCover.parameters.height, face: block.parameters['frontFace.height'] },
      found: ({ cover, face }) => minus(cover, face),
      required: usually(ends.coverHeight),
      fits: () => ['The cover ends flush with the pan rail.'],
      subject: 'The cover over the face',
      tooLittle: 'it is short at the pan rail and leaks',
      tooMuch: 'it stands over the pan rail and leaks',
      mend: (assembly, { found, sizes: { face } }) => {
        const by = middle(found);
        if (!assembly.parts.block || Math.abs(by) > limitOf(ends.coverDressed, assembly.rules)) return [];
        return [
          work({
            steps: ['dressFace'],
            says:
              by < 0
                ? sentence`Dress the pan rail down by ${value(-by)} to meet the cover, with the crankcase closed against the dust.`
                : sentence`Dress ${value(by)} off the lower edge of the cover.`,
            parts: by < 0 ? [machined(assembly.parts.block, block.parameters['frontFace.height'], shifted(face, by))] : [],
          }),
        ];
      },
    }),
  ],
};

/** Another front cover: pump, sensor and pointer. */
export const coverInPlace: Joint = {
  id: 'coverInPlace',
  name: 'In place of the cover',
  kinds: ['frontCover'],
  inPlaceOf: 'frontCover',
  checks: [
    samePattern({ id: 'coverPattern', name: 'Bolts and dowels', of: frontCover.interfaces.frontCover, as: frontCover.interfaces.frontCover, asOf: 'replaced' }),
    sameLook({ id: 'coverPump', name: 'Pump in the cover', of: frontCover.features.pump, as: frontCover.features.pump, asOf: 'replaced' }),
    sameLook({
      id: 'coverSensor',
      verdicts: ALWAYS_MENDED,
      name: 'Sensor boss',
      of: frontCover.features.sensor,
      as: frontCover.features.sensor,
      asOf: 'replaced',
      agree: ({ theirs }) => (theirs === 'none' ? ['It has a boss that is plugged here.'] : undefined),
      mend: () => [work({ steps: ['drillAndTap'], says: ['Drill and tap the undrilled boss for the sensor, where the casting has one at the place.'] })],
    }),
    sameLook({
      id: 'pointer',
      verdicts: ALWAYS_MENDED,
      name: 'Timing pointer',
      of: frontCover.features.pointer,
      as: frontCover.features.pointer,
      asOf: 'replaced',
      mend: () => [work({ steps: ['takeAlong'], says: ['Use the damper whose mark belongs to this pointer, or set a pointer anew at top dead centre.'] })],
    }),
  ],
};

/** Front seal in the cover. */
export const sealInCover: Joint = {
  id: 'sealInCover',
  name: 'Seal in the cover',
  kinds: ['frontCover', 'seal'],
  slots: { seal: ['frontSeal'] },
  checks: [
    sameSize({
      id: 'sealHousing',
      name: 'Seal in its bore',
      of: seal.parameters.housing,
      as: frontCover.parameters['seal.bore'],
      play: ends.sealBore,
    }),
  ],
};

/** A seal in place of another. */
export const sealInPlace: Joint = {
  id: 'sealInPlace',
  name: 'In place of the seal',
  kinds: ['seal'],
  inPlaceOf: 'seal',
  checks: [
    ...(
      [
        ['sealShaft', 'Shaft', seal.parameters.shaft, ends.sealShaft],
        ['sealOutside', 'Housing', seal.parameters.housing, ends.sealOutside],
        ['sealWidth', 'Width', seal.parameters.width, ends.sealWidth],
      ] as const
    ).map(([id, name, of, play]) => sameSize({ id, name, of, play })),
    sameLook({ id: 'sealForm', name: 'Form', of: seal.features.form, as: seal.features.form, asOf: 'replaced' }),
    sameLook({
      id: 'sealRotation',
      name: 'Direction of its helix',
      of: seal.features.rotation,
      as: seal.features.rotation,
      asOf: 'replaced',
      agree: ({ mine }) => (mine === 'none' ? ['A plain lip seals both ways.'] : undefined),
      otherwise: () => ['Its helix would pump the oil out.'],
    }),
  ],
};

/** Flywheel and crank. */
export const flywheelOnCrank: Joint = {
  id: 'flywheelOnCrank',
  name: 'Flywheel on the crank',
  kinds: ['crank', 'flywheel'],
  checks: [
    samePattern({
      id: 'flange',
      name: 'Flange',
      of: flywheel.interfaces.flywheelFlange,
      as: crank.interfaces.flywheelFlange,
      mend: (assembly, { theirs, mine }) =>
        assembly.parts.flywheel && !mine.includes('taper') && !theirs.includes('taper')
          ? [
              work({
                steps: ['redrillFlange'],
                name: 'Redrill the flywheel',
                says: [`Plug and redrill the flywheel for ${theirs}, by a shop that balances and crack-tests it.`],
                parts: [withPattern(assembly.parts.flywheel, flywheel.interfaces.flywheelFlange, theirs)],
              }),
            ]
          : [],
    }),
  ],
};

/** A flywheel in place of another: starter, clutch and bellhousing stay. */
export const flywheelInPlace: Joint = {
  id: 'flywheelInPlace',
  name: 'In place of the flywheel',
  kinds: ['flywheel'],
  inPlaceOf: 'flywheel',
  checks: [
    sameCount({ id: 'teeth', name: 'Teeth of the ring gear', of: flywheel.features.teeth, as: flywheel.features.teeth, asOf: 'replaced' }),
    sameLook({
      id: 'balance',
      name: 'Balance',
      of: flywheel.features.balance,
      as: flywheel.features.balance,
      asOf: 'replaced',
      otherwise: () => ['One engine is balanced with its flywheel and the other without: it would shake itself to pieces.'],
    }),
    within({
      id: 'flywheelRoom',
      name: 'Inside the bellhousing',
      of: { was: before(flywheel.parameters.diameter), is: flywheel.parameters.diameter },
      found: ({ was, is }) => minus(was, is),
      required: noLess(ends.flywheel),
      subject: 'What the old one was larger',
      tooLittle: 'it would strike the bellhousing',
      tooMuch: 'there is more than enough',
      caution: 'A flywheel run too fast bursts: keep to its rated speed, and check that the bellhousing is whole.',
    }),
    samePattern({
      id: 'clutch',
      verdicts: ALWAYS_MENDED,
      name: 'Clutch',
      of: flywheel.interfaces.clutch,
      as: flywheel.interfaces.clutch,
      asOf: 'replaced',
      mend: (_assembly, { mine }) => [work({ steps: ['takeAlong'], says: [`Take the clutch that belongs to it (${mine}), if its hub meets the shaft.`] })],
    }),
  ],
};

const stays = (id: string, name: string, of: Interface, says: string): Check =>
  samePattern({
    id,
    name,
    of,
    as: of,
    asOf: 'replaced',
    verdicts: ALWAYS_MENDED,
    otherwise: ({ mine, theirs }) => [`${mine} where ${theirs} was.`],
    mend: (_assembly, { mine }) => [work({ steps: ['takeAlong'], says: [`${says} (${mine}).`] })],
  });

/** A block in place of another: the machine stays. */
export const blockInPlace: Joint = {
  id: 'blockInPlace',
  name: 'In place of the block',
  kinds: ['block'],
  inPlaceOf: 'block',
  checks: [
    stays('mounts', 'Engine mounts', block.interfaces.mounts, 'Take or make the mounts that belong to it'),
    stays('bellhousing', 'Bellhousing', block.interfaces.bellhousing, 'Take the bellhousing, or an adapter plate, that belongs to it'),
    stays('starter', 'Starter', block.interfaces.starter, 'Take the starter that belongs to it'),
  ],
};

/** Carriers are bored together with their head, so the two swap as a pair. */
const carriers = samePattern({
  id: 'camCarrier',
  name: 'Cam carriers',
  of: head.interfaces.camCarrier,
  as: head.interfaces.camCarrier,
  asOf: 'replaced',
  verdicts: ALWAYS_MENDED,
  agree: ({ mine }) => (mine === 'none' ? ['Its cam runs in the head itself: the carriers that come out are not used again.'] : undefined),
  both: ({ mine }) =>
    mine === 'none' ? ['The cam runs without carriers.'] : [`Both ${mine}: head and carriers were bored together, so take both from one engine.`],
  otherwise: ({ mine, theirs }) => [
    `${mine} where ${theirs === 'none' ? 'no carriers were' : `${theirs} were`}: head and carriers are a pair, and swap as a pair only.`,
  ],
  mend: (_assembly, { mine }) => [
    work({ steps: ['takeAlong'], name: 'Carriers with the head', says: [`Take the carriers (${mine}) and caps that were bored with this head.`] }),
  ],
});

/** A head in place of another: manifolds and what is bolted to it stay. */
export const headInPlace: Joint = {
  id: 'headInPlace',
  name: 'In place of the head',
  kinds: ['head'],
  inPlaceOf: 'head',
  checks: [
    stays('intakeManifold', 'Intake manifold', head.interfaces.intakeManifold, 'Take the intake manifold that belongs to it'),
    carriers,
    stays('exhaustManifold', 'Exhaust manifold', head.interfaces.exhaustManifold, 'Take the exhaust manifold that belongs to it'),
    sameSize({
      id: 'studs',
      verdicts: ALWAYS_MENDED,
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
      verdicts: ALWAYS_MENDED,
      name: 'Secondary air',
      of: head.features.secondaryAir,
      as: head.features.secondaryAir,
      asOf: 'replaced',
      agree: ({ theirs }) => (theirs === 'none' ? ['Its air ports are plugged here, if the law allows.'] : undefined),
      otherwise: () => ['The head that comes out carries secondary air and this has no ports for it: ask your local authority.'],
      mend: () => [work({ steps: ['drillAndTap'], says: ['Drill the air ports, where the bosses are there.'] })],
    }),
    sameLook({
      id: 'accessories',
      verdicts: ALWAYS_MENDED,
      name: 'Holes for accessories',
      of: head.features.accessoryHoles,
      as: head.features.accessoryHoles,
      asOf: 'replaced',
      agree: ({ theirs }) => (theirs === 'none' ? ['It has holes that nothing uses here.'] : undefined),
      mend: () => [work({ steps: ['drillAndTap'], says: ['Drill and tap the undrilled bosses at the ends of the head.'] })],
    }),
  ],
};
