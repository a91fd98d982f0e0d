import { lifter } from '../dictionary/kinds/lifter.js';
import { HYDRAULIC_LIFTERS } from '../dictionary/options.js';
import { sentence, value } from '../quantity/sentence.js';
import { each, partIn, toFind, type AssemblyGround, type AssemblyStep, type Note } from './step.js';
import { sayTorque } from './torque.js';

const hasValves = (ground: AssemblyGround): boolean => partIn(ground, 'cam') !== undefined;

/** From the short block to an engine that runs. *Common practice, no source*, in order and words. */
export const TOP_END: readonly AssemblyStep[] = [
  {
    id: 'cam',
    name: 'Cam and timing',
    arises: hasValves,
    notes: (ground) => [
      { says: [`${partIn(ground, 'cam')?.part.label ?? 'The cam'}, every lobe and journal oiled.`] },
      {
        says: [
          'Timing marks together with the first piston at top dead centre; then twice round by hand, and look again.',
        ],
      },
      ...(['intake', 'exhaust'] as const).flatMap((duty): readonly Note[] => {
        const { worked } = toFind(ground, `centre.${duty}`);
        return worked === undefined
          ? []
          : [
              {
                says: sentence`Lobe centre of the ${duty}, worked out: ${value(worked, 'angle')}. Check it with a degree wheel.`,
              },
            ];
      }),
    ],
  },
  {
    id: 'head',
    name: 'Gasket and head',
    notes: (ground) => [
      { says: ['Deck and head clean and dry, threads blown out: oil in a blind hole cracks the block.'] },
      { says: [`${partIn(ground, 'headGasket')?.part.label ?? 'The head gasket, which is not known'}, its mark up.`] },
      ...each(ground.engine.cylinders, (at): Note | undefined => {
        const { find, worked } = toFind(ground, 'squish', at);
        return find && worked !== undefined
          ? {
              at,
              says: sentence`Squish, worked out: ${value(worked)}. Prove it with soft wire on the first build.`,
              find,
            }
          : undefined;
      }),
      ...each(ground.engine.cylinders, (at): Note | undefined => {
        const { find, worked } = toFind(ground, 'valveRoom.intake', at);
        return find && worked !== undefined
          ? {
              at,
              says: sentence`Intake valve to piston at the nearest, worked out: ${value(worked)}. Prove it with putty before the engine turns on its starter.`,
              find,
            }
          : undefined;
      }),
      sayTorque(partIn(ground, 'headBolt')?.part),
      { says: ['From the middle outward, in three rounds.'] },
    ],
    cautions: ['Heads are heavy: two people, and no fingers between head and block.'],
  },
  {
    id: 'valves',
    name: 'Valve gear',
    arises: hasValves,
    notes: (ground) => [
      {
        says: HYDRAULIC_LIFTERS.includes(ground.engine.look(lifter.features.form.id) ?? '')
          ? ['Hydraulic lifters: fill them, and set the preload the maker gives.']
          : ['Set the clearance the maker gives, cold, each valve with its cylinder at the top of compression.'],
      },
      ...(ground.firingOrder === undefined ? [] : [{ says: [`Firing order ${ground.firingOrder}.`] }]),
    ],
    cautions: ['Compressed springs fly: use a proper compressor and guard the eyes.'],
  },
  {
    id: 'close',
    name: 'Covers, seals, flywheel',
    notes: (ground) => [
      ...(['frontCover', 'frontSeal', 'rearSeal'] as const).flatMap((slot): readonly Note[] => {
        const placed = partIn(ground, slot);
        return placed ? [{ says: [`${placed.part.label}: lip oiled, and square.`] }] : [];
      }),
      {
        says: [
          `${partIn(ground, 'flywheel')?.part.label ?? 'Flywheel'}: face and flange bare and dry, its marks or balance to the crank.`,
        ],
      },
    ],
    cautions: [
      'A flywheel that is cracked, wrongly bolted or run too fast bursts: have it tested, and keep to the rated speed.',
    ],
  },
  {
    id: 'firstRun',
    name: 'Oil and first run',
    notes: () => [
      { says: ['Prime the oil with the plugs out until there is pressure at the last bearing.'] },
      { says: ['Run it in light for its first hours; then change oil and filter, and look at what came off.'] },
    ],
    cautions: [
      'Exhaust gas kills: outdoors or with extraction.',
      'Where emission, vehicle or pressure law applies to a changed engine, ask your local authority and a licensed inspector.',
      'Final fits are checked on the real parts, with the maker’s own figures, by a qualified machinist.',
    ],
  },
];
