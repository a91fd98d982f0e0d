import { compareFaces } from '../../catalogue/facePattern.js';
import type { Parameter } from '../../dictionary/definition.js';
import { block } from '../../dictionary/kinds/block.js';
import { head } from '../../dictionary/kinds/head.js';
import { interval, middle, minus, shifted } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { cite, deck, limitOf } from '../../thumb/index.js';
import { lookOf, machined, type Assembly } from '../assembly.js';
import { WORK_ALWAYS_HELPS, NO_WORK_HELPS, type JointCheck, type Joint } from '../check.js';
import { said, seeing, work, type Offer } from '../outcome.js';
import { withPattern } from '../operations/patterns.js';
import { implied } from '../shapes/implied.js';
import { sameLook, samePattern } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';
import { usually, within } from '../shapes/within.js';
import { one } from '../../quantity/phrase.js';

const bolts = block.interfaces.headBolts;

const spare = block.interfaces.sparePattern;

/** Bosses that were cast but never drilled can be drilled and tapped for the head. */
function drilledBosses(assembly: Assembly, wanted: string): readonly Offer[] {
  const part = assembly.parts.block;
  const bosses = part?.interfaces[spare.id];
  if (bosses === undefined) return [{ unknown: spare.id }];
  return part && compareFaces(bosses, wanted) === 'same'
    ? [
        work({
          steps: ['drillAndTap'],
          says: [
            `The block has undrilled bosses where ${wanted} wants them: drill and tap them, with a jig or through the head.`,
          ],
          parts: [withPattern(part, bolts, wanted)],
        }),
      ]
    : [];
}

/** What is done about coolant holes that do not meet. */
function coolantWork(assembly: Assembly): readonly Offer[] {
  const route = lookOf(assembly, head.features.coolant);
  if (route === undefined) return [{ unknown: head.features.coolant.id }];
  // A head that lets its coolant out through the deck wants a way back in the block: no plug and no drill makes one.
  if (route === 'deck') return [];
  return [
    work({
      name: 'Plug and open coolant ports',
      steps: ['plugPorts', 'cutPorts'],
      says: [
        'Plug the ports in the deck of the block that this head has no answer to, open those in the head that the block feeds, by the gasket of the block as a template, and use the manifold that belongs to the head: it takes the coolant away.',
      ],
    }),
  ];
}

const [boltThread, boltHole] = [block.parameters['headBolt.diameter'], head.parameters['boltHole.diameter']];

/** Bolts of the block pass through the holes of the head, and are not lost in them. */
const boltSize = within({
  id: 'boltSize',
  name: 'Bolts in their holes',
  of: { hole: boltHole, bolt: boltThread },
  found: ({ hole, bolt }) => minus(hole, bolt),
  required: usually(deck.boltPlay),
  fits: ({ found, sizes: { bolt } }) => sentence`Bolts of ${band(bolt)} pass with ${band(found)}.`,
  subject: 'The hole over the bolt',
  tooLittle: 'the bolts do not pass through the head',
  tooMuch: 'nothing holds the head in its place while it is bolted down',
  mend: ({ parts, rules }, { found, required, sizes: { hole, bolt } }) => {
    const by = middle(found) - middle(required);
    if (by < 0 && parts.head && -by <= limitOf(deck.boltHolesOpened, rules)) {
      const opened = shifted(hole, -by);
      return [
        work({
          steps: ['openBoltHoles'],
          says: sentence`Drill the bolt holes of the head out to ${band(opened)}.`,
          found: minus(opened, bolt),
          required,
          parts: [machined(parts.head, boltHole, opened)],
        }),
      ];
    }
    if (by > 0 && parts.block && by <= limitOf(deck.largerStuds, rules)) {
      const larger = shifted(bolt, by);
      return [
        work({
          steps: ['largerStuds'],
          says: sentence`Drill and tap the deck for studs of ${band(larger)}, the next larger thread there is.`,
          found: minus(hole, larger),
          required,
          parts: [machined(parts.block, boltThread, larger)],
        }),
      ];
    }
    return [];
  },
});

/** A cam runs in the block or in the head, never in both. */
const camPlace: JointCheck = {
  id: 'camPlace',
  name: 'Where the cam runs',
  reads: [block.features.camBearings.id, head.features.camBearings.id],
  verdicts: NO_WORK_HELPS,
  judge: (assembly) =>
    seeing(assembly, [block.features.camBearings, head.features.camBearings], (below, above) => {
      const [inBlock, inHead] = [below !== '0', above !== '0'];
      // A two-stroke has no cam at all.
      if (!inBlock && !inHead) return said('fits', ['There is no cam.']);
      if (inBlock !== inHead)
        return said('fits', [inBlock ? 'The cam runs in the block.' : 'The cam runs in the head.']);
      return said('doesNotFit', [
        'The block has its cam and the head another: the valve gear is of two kinds of engine.',
      ]);
    }),
};

/** What is left of a face that was cut before, down to where the part is scrap. */
const leftOf = (
  id: string,
  name: string,
  [height, least]: readonly [Parameter, Parameter],
  cut: string,
  part: string,
): JointCheck =>
  within({
    id,
    name,
    of: { height, least },
    found: (sizes) => minus(sizes.height, sizes.least),
    required: () => ({
      band: interval(0),
      atLeast: true,
      ruleOfThumb: () => [`Below its ${least.name.toLowerCase()} ${one(part)} is scrap.`],
    }),
    subject: `The height left to ${cut}`,
    tooLittle: `the ${part} is below its ${least.name.toLowerCase()}`,
    tooMuch: 'there is more than enough',
  });

/**
 * A chamber over a cylinder or a crown: much larger or smaller, and it hangs over the bore, or the gasket seals on
 * nothing.
 */
export const chamberOverBore = (id: string, bore: Parameter): JointCheck =>
  within({
    id,
    name: 'Bore under the chamber',
    of: { hole: bore, madeFor: head.parameters.bore },
    found: ({ hole, madeFor }) => minus(hole, madeFor),
    required: ({ rules }, { madeFor }) => {
      const by = limitOf(deck.chamberServes, rules) * madeFor.low;
      return { band: interval(-by, by), ruleOfThumb: () => cite(deck.chamberServes, rules) };
    },
    fits: ({ sizes: { hole, madeFor } }) => sentence`Bores ${band(hole)} under chambers made for ${band(madeFor)}.`,
    subject: 'The bore over the one that the head is made for',
    tooLittle: 'the chamber hangs over the edge of the bore',
    tooMuch: 'the chamber does not cover the bore, and the gasket seals on nothing',
  });

/**
 * Everything in which two faces must agree before a gasket is thought of: bolts, dowels, spacing, coolant, oil, and
 * what is left to cut.
 */
export const headOnBlock: Joint = {
  id: 'headOnBlock',
  name: 'Head on the block',
  kinds: ['block', 'head'],
  checks: [
    samePattern({
      id: 'headBolts',
      name: 'Head bolts',
      of: head.interfaces.headBolts,
      as: bolts,
      also: [spare.id],
      mend: (assembly, { mine }) => drilledBosses(assembly, mine),
    }),
    boltSize,
    sameLook({
      id: 'headDowels',
      name: 'Dowels',
      of: head.features.headDowels,
      as: block.features.headDowels,
      verdicts: WORK_ALWAYS_HELPS,
      otherwise: ({ mine, theirs }) => [
        theirs === 'none'
          ? 'The head has holes for dowels and the deck has none: only the bolts would centre it.'
          : mine === 'none'
            ? 'The dowels of the deck meet no holes: the head would stand on them.'
            : 'Solid pins and hollow dowels do not meet each other’s holes: the head would stand on them.',
      ],
      mend: (_assembly, { mine, theirs }) => [
        work({
          steps: ['otherDowels'],
          says: [
            theirs === 'none'
              ? 'Drill the deck for the dowels of the head, or centre head and gasket on guide studs while it is bolted down.'
              : mine === 'none'
                ? 'Drill the head for the dowels of the deck, with the gasket as a template.'
                : 'Draw the dowels, and drill or counterbore one of the two for those of the other, with the gasket as a template.',
          ],
        }),
      ],
    }),
    sameSize({
      id: 'headSpacing',
      name: 'Bore spacing',
      of: head.parameters.boreSpacing,
      as: block.parameters.boreSpacing,
      play: deck.boreSpacing,
      also: [block.features.cylinders.id],
      // A single cylinder has no neighbour to be spaced from.
      unless: (assembly) =>
        lookOf(assembly, block.features.cylinders) === '1' ? said('fits', ['There is one cylinder only.']) : undefined,
    }),
    chamberOverBore('headBore', block.parameters.bore),
    samePattern({
      id: 'coolantPorts',
      name: 'Coolant',
      of: head.interfaces.coolantPorts,
      as: block.interfaces.coolant,
      also: [head.features.coolant.id],
      otherwise: ({ mine, theirs }) => [
        `The head has ${mine}, the block ${theirs}: coolant would have no way out, or the wrong one.`,
      ],
      mend: coolantWork,
    }),
    implied({
      id: 'rockerOil',
      name: 'Oil to the rockers',
      of: head.features.oilFeed,
      when: ['pushrods'],
      needs: block.features.lifterOil,
      be: ['present'],
      notAsked: 'the oil comes up by itself.',
      met: 'the block feeds its lifters.',
      unmet: 'the block feeds no oil to lifters and pushrods, and the rockers would run dry.',
    }),
    camPlace,
    leftOf(
      'deckLeft',
      'Deck left of the block',
      [block.parameters.deckHeight, block.parameters['deckHeight.least']],
      'deck',
      'block',
    ),
    leftOf(
      'headHeight',
      'Height left of the head',
      [head.parameters.height, head.parameters['height.least']],
      'mill',
      'head',
    ),
  ],
};
