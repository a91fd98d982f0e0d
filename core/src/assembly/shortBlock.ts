import { block } from '../dictionary/kinds/block.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rod } from '../dictionary/kinds/rod.js';
import { band, sentence, value, type Sentence } from '../quantity/sentence.js';
import { each, partIn, toFind, type AssemblyGround, type AssemblyStep, type Note } from './step.js';
import { sayTorque } from './torque.js';

const inShells = ({ engine }: AssemblyGround): boolean => engine.look(block.features.mainsRun.id) !== 'rolling';

/** Which shell goes into one place. */
function shellNote(ground: AssemblyGround, slot: 'mainShell' | 'rodShell', at: number, figure: string): Note {
  const found = ground.shells[slot]?.find(({ position }) => position === at);
  const placed = partIn(ground, slot, at)?.part.label;
  const { find, worked } = toFind(ground, figure, at);
  const settled = found !== undefined && found.patterns.length > 0 && !found.open;
  const which: Sentence = settled
    ? found.patterns.length > 1
      ? [`Half of ${found.patterns.map(ground.labelOf).join(' and half of ')}, the thicker in the cap.`]
      : [`${ground.labelOf(found.patterns[0] ?? '')}.`]
    : found?.open
      ? ['Which shell is not settled: ', ...found.open]
      : placed
        ? [`${placed}.`]
        : ['Which shell is not known: measure housing and journal.'];
  // What fitting chose is nearer to the part than what the build takes by its class.
  const leaves = settled && found.clearance ? sentence` It leaves ${band(found.clearance)}.` : undefined;
  const required = found?.required ?? find?.required;
  return {
    at,
    says: sentence`${which}${leaves ?? (worked === undefined ? '' : sentence` Worked out: ${value(worked)}.`)}`,
    ...(find ? { find: { ...find, ...(required ? { required } : {}) } } : {}),
    ...(found?.open !== undefined || (!settled && placed === undefined) ? { open: true } : {}),
  };
}

const isPressed = (ground: AssemblyGround): boolean | undefined => {
  const fixing = ground.engine.look(rod.features.pinFixing.id) ?? ground.engine.look(piston.features.pinFixing.id);
  return fixing === undefined ? undefined : fixing === 'pressed';
};

/** From the bare block to a crank that turns with its pistons. *Common practice, no source*, in order and words. */
export const SHORT_BLOCK: readonly AssemblyStep[] = [
  {
    id: 'clean',
    name: 'Clean and lay out',
    notes: () => [
      { says: ['Wash the block until a white rag stays white in every bore, and blow through every oil gallery.'] },
      { says: ['Lay the parts out in their places: caps, rods and pistons keep the cylinder they were matched to.'] },
    ],
    cautions: [
      'Blocks and cranks are heavy: hoist, stand and a second pair of hands.',
      'Compressed air drives dirt and solvent into eyes: goggles.',
    ],
  },
  {
    id: 'mains',
    name: 'Main shells and crank',
    arises: inShells,
    notes: (ground) => [
      ...each(ground.engine.count('main'), (at) => shellNote(ground, 'mainShell', at, 'mainClearance')),
      { says: ['Shells dry at the back and oiled on the face; the one with the oil hole goes into the block.'] },
      { says: ['Each cap on its own place, its mark to the front.'] },
      sayTorque(partIn(ground, 'mainBolt')?.part),
      { says: ['Turn the crank by hand after each cap: it must go round freely every time.'] },
    ],
    cautions: ['Check each clearance with a crush strip before the crank is turned under load.'],
  },
  {
    id: 'rollingMains',
    name: 'Bearings and crank',
    arises: (ground) => !inShells(ground),
    notes: (ground) => [
      {
        says: [
          `${partIn(ground, 'mainBearing')?.part.label ?? 'The main bearings'}: warm the case, never drive a bearing in over its balls.`,
        ],
      },
      { says: ['Turn the crank by hand: it must go round without catching, and not rock.'] },
    ],
    cautions: ['A warm case burns: gloves.'],
  },
  {
    id: 'endFloat',
    name: 'End float',
    arises: inShells,
    notes: (ground) => {
      const { find, worked } = toFind(ground, 'endFloat');
      return [
        {
          says: sentence`Thrust faces with their grooves to the web. Lever the crank fore and aft and read the clock.${worked === undefined ? '' : sentence` Worked out: ${value(worked)}.`}`,
          ...(find ? { find } : {}),
        },
      ];
    },
  },
  {
    id: 'pistonsOnRods',
    name: 'Pistons on rods',
    notes: (ground) => {
      const { engine } = ground;
      const pressed = isPressed(ground);
      const [offset] = [engine.size(piston.parameters['pin.offset'])?.interval];
      const mark = engine.look(piston.features.direction.id);
      return [
        {
          says:
            pressed === undefined
              ? ['How the pin is held is not known: look before anything is pressed.']
              : pressed
                ? ['Pressed pins: heat the rod end, and put the pin in one stroke to the stop.']
                : ['Floating pins: oil them, and turn each lock so that its gap stands up or down, never to the side.'],
          ...(pressed === undefined ? { open: true as const } : {}),
        },
        {
          says:
            mark === undefined
              ? ['Which way the pistons face is not on record: look for a mark on the crown.']
              : mark === 'none'
                ? ['No direction mark: pockets and chamfers tell the way round.']
                : sentence`The ${mark} on the crown faces the front.${offset && Math.abs(offset.low) > 0.1 ? sentence` The pin is ${value(Math.abs((offset.low + offset.high) / 2))} off centre, to the thrust side.` : ''}`,
          ...(mark === undefined ? { open: true as const } : {}),
        },
        ...(engine.look(rod.features.chamfer.id) === 'oneSide'
          ? [{ says: ['The chamfered side of the big end goes to the web, its flat side to the other rod.'] }]
          : []),
        ...each(engine.cylinders, (at): Note => {
          const [own, on] = [partIn(ground, 'piston', at)?.part, partIn(ground, 'rod', at)?.part];
          return { at, says: [`${own?.label ?? 'Piston not known'} on ${on?.label ?? 'a rod not known'}.`] };
        }),
      ];
    },
    cautions: ['Pressing pins needs a hot rod end or a press with the right supports: burns and flying pieces.'],
  },
  {
    id: 'rings',
    name: 'Rings',
    notes: (ground) => [
      ...each(ground.engine.cylinders, (at): Note => {
        const { find, worked } = toFind(ground, 'ringGap', at);
        return {
          at,
          says: sentence`Top ring square in its own cylinder: read the gap, file it square where it is too small.${worked === undefined ? '' : sentence` Worked out: ${value(worked)}.`}`,
          ...(find ? { find } : {}),
        };
      }),
      {
        says: [
          'Marks of the rings up; gaps a third of a turn from each other, none over the pin or on the thrust side.',
        ],
      },
    ],
    cautions: ['Rings are glass hard and cut.'],
  },
  {
    id: 'pistonsIn',
    name: 'Pistons and rods in',
    notes: (ground) => {
      const fractured = ground.engine.look(rod.features.capSplit.id) === 'fractured';
      return [
        ...(ground.engine.part('bigEndBearing')
          ? []
          : each(ground.engine.cylinders, (at) => shellNote(ground, 'rodShell', at, 'pinClearance'))),
        ...each(ground.engine.cylinders, (at): Note | undefined => {
          const { find, worked } = toFind(ground, 'skirtClearance', at);
          return find && worked !== undefined
            ? { at, says: sentence`Skirt in its cylinder, worked out: ${value(worked)}.`, find }
            : undefined;
        }),
        {
          says: fractured
            ? [
                'Fractured caps: each on its own rod and one way round. A cap on another rod is scrap, and so is the rod.',
              ]
            : ['Each cap on its own rod, numbers to the same side.'],
        },
        sayTorque(partIn(ground, 'rodBolt')?.part),
        { says: ['Turn the crank by hand after each rod. Feel the side clearance of each big end.'] },
        ...each(ground.engine.cylinders, (at): Note => {
          const { find, worked } = toFind(ground, 'belowDeck', at);
          return {
            at,
            says: sentence`Piston at top dead centre against the deck.${worked === undefined ? '' : sentence` Worked out: ${value(worked)}.`}`,
            ...(find ? { find } : {}),
          };
        }),
      ];
    },
    cautions: ['Sleeves over the rod bolts: a scratch on a journal is a new crank.'],
  },
];
