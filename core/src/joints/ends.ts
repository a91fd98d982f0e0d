import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { interval } from '../quantity/interval.js';
import { band, sentence } from '../quantity/sentence.js';
import type { Assembly, Joint, WorkOption } from './check.js';
import { turnSealLand } from './operations/trim.js';
import { sameLook, samePattern, sameSize } from './shapes.js';

const seal = crank.parameters['sealJournal.diameter'];

function sealWork(
  assembly: Assembly,
  found: { readonly low: number; readonly high: number },
  required: { readonly low: number; readonly high: number },
): WorkOption[] {
  const part = assembly.parts.crank;
  if (!part) return [];
  if (found.low > required.high) {
    const worked = turnSealLand(part, required);
    return 'refused' in worked
      ? []
      : [
          {
            name: 'Turn the seal land',
            says: sentence`Turn the seal land down to ${band(required)} and polish it without a lead.`,
            found: required,
            required,
            canUndo: false,
          },
        ];
  }
  // A repair sleeve adds up to 6 mm of diameter. Common practice, no source.
  return required.low - found.high > 6
    ? []
    : [
        {
          name: 'Sleeve the seal land',
          says: sentence`Press a sleeve on the seal land and finish it to ${band(required)}.`,
          found: required,
          required,
          canUndo: true,
        },
      ];
}

/** The flywheel end. */
export const rearEnd: Joint = {
  id: 'rearEnd',
  name: 'Rear end',
  kinds: ['block', 'crank'],
  checks: [
    sameLook({
      id: 'rearSealForm',
      name: 'Rear seal form',
      of: crank.features.rearSeal,
      as: block.features.rearSeal,
      mend: (_assembly, { mine }) =>
        mine === 'rope'
          ? [{ name: 'Polish the land', says: ['Turn off the knurl and polish the land for a lip seal.'], canUndo: false }]
          : [
              {
                name: 'Fit a lip seal in halves',
                says: ['Fit a lip seal in two halves in place of the rope, if one can be had for this groove.'],
                canUndo: true,
              },
            ],
    }),
    sameSize({
      id: 'rearSeal',
      name: 'Rear seal',
      of: seal,
      as: block.parameters['rearSeal.journal'],
      play: interval(-0.2, 0.1),
      playFrom: 'A lip follows a land a little under its size, hardly over it. Common practice.',
      mend: (assembly, { found, required }) => sealWork(assembly, found, required),
    }),
    samePattern({
      id: 'flywheelFlange',
      name: 'Flywheel flange',
      of: crank.interfaces.flywheelFlange,
      as: block.interfaces.flywheelFlange,
      mend: (_assembly, { mine }) => [
        {
          name: 'Flywheel with the crank',
          says: [`Take the flywheel that belongs to this crank (${mine}), if its ring gear meets the starter and it clears the bellhousing.`],
          canUndo: true,
          caution: 'A flywheel that is cracked, wrongly bolted or run too fast bursts: inspect it and keep to its rated speed.',
        },
      ],
    }),
  ],
};

/** The timing end. */
export const frontEnd: Joint = {
  id: 'frontEnd',
  name: 'Front end',
  kinds: ['block', 'crank'],
  checks: [
    sameSize({
      id: 'nose',
      name: 'Nose',
      of: crank.parameters['nose.diameter'],
      as: block.parameters['front.nose'],
      play: interval(-0.04, 0.04),
      playFrom: 'Gear and hub sit on the nose with a light press. Common practice.',
      mend: (_assembly, { found }) => [
        {
          name: 'Gear and hub with the crank',
          says: sentence`Take the timing gear and pulley hub that belong to a nose of ${band(found)}, and the front seal for that hub.`,
          canUndo: true,
        },
      ],
    }),
  ],
};
