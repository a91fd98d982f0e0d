import { about, atLeast, atMost, between, subject, within } from './figure.js';

/** Deck, head and what is over the crown. */
export const deck = subject('deck', {
  boltPlay: between(
    'Head bolt in its hole',
    [0.3, 2],
    'A head bolt passes with half a millimetre to a millimetre and a half; less binds when hot, more lets the head be placed wrongly',
  ),
  largerStuds: atMost(
    'Larger head studs',
    2.5,
    'A block is tapped for the next larger stud, a sixteenth or two millimetres; for more there is no metal',
  ),
  boltHolesOpened: atMost(
    'Bolt holes opened',
    2.5,
    'Holes of a head are drilled for the next larger bolt; more cuts into jacket or ports',
  ),
  flat: atMost(
    'Deck or head out of flat',
    0.08,
    'A gasket of layers or of composition seals over three thou under the straightedge, and no more',
  ),
  crown: between(
    'Crown against the deck',
    [-0.9, 2],
    'A crown comes near the deck, proud of it or below; pre-assemble without rings and turn it by hand',
  ),
  crownInside: about('Crown brought inside', 0.1, 'A crown that is brought right is brought so far inside its limit'),
  squish: atLeast(
    'Squish',
    0.9,
    'Rods stretch and pistons rock: forty thou with steel rods, more in a large or fast engine',
  ),
  ratioPetrol: between(
    'Ratio on petrol',
    [5.5, 11.6],
    'What usually runs on pump fuel; the rating of the engine rules',
    { quantity: 'ratio' },
  ),
  ratioDirect: between(
    'Ratio on petrol, injected into the cylinder',
    [7, 13],
    'Fuel that is injected into the cylinder cools the charge, and bears a point and a half more',
    { quantity: 'ratio' },
  ),
  ratioDiesel: between(
    'Ratio of a diesel',
    [13.5, 22],
    'What a diesel usually starts and lasts with; the rating of the engine rules',
    { quantity: 'ratio' },
  ),
  ratioOrdinary: between(
    'Ratio on ordinary petrol',
    [5.5, 9.5],
    'Ordinary petrol knocks much above nine to one in an open chamber',
    { quantity: 'ratio' },
  ),
  ratioRacing: between(
    'Ratio on alcohol or racing fuel',
    [8, 15],
    'Alcohol cools the charge and bears fifteen to one',
    {
      quantity: 'ratio',
    },
  ),
  ratioGas: between('Ratio on gas', [8, 13], 'Gas is slow to knock, and weak where the ratio is low', {
    quantity: 'ratio',
  }),
  ratioRated: within(
    'Ratio against the rating',
    0.5,
    'Half a point either way is still the engine that was rated; more asks for other fuel, timing and cooling',
    { quantity: 'ratio' },
  ),
  gasketThicker: atMost('Thicker head gasket', 0.8, 'Head gaskets that are thicker by more are not to be had'),
  decked: atMost(
    'Decking a block',
    0.8,
    'About thirty thou comes off a deck; more leaves it thin and moves the intake faces out of line',
  ),
  milled: about('Milling a head', 0.25, 'A head is milled by about ten thou at a time'),
  chamberShare: about(
    'Chamber at the face',
    0.8,
    'A chamber takes about four fifths of the bore’s area at the face, by which milling makes it smaller',
    {
      of: 'the area of the bore',
    },
  ),
  chamberServes: about(
    'Bores a chamber serves',
    0.06,
    'A chamber serves bores a little larger and smaller than its own',
    { of: 'its bore' },
  ),
  crownTurned: atMost('Turning a crown', 0.8, 'The top ring and the bowl want what is under the crown'),
  gasketOverBore: between('Gasket over the bore', [0.4, 7], 'A gasket clears the bore all round, and leaves no pocket'),
  boreSpacing: within('Bore spacing', 0.4, 'Chambers lie over their bores'),
  studs: within(
    'Height the studs serve',
    2.5,
    'The studs and bolts that are there hold a head of the height that was there',
  ),
  valveRoom: atLeast(
    'Intake valve to piston',
    2,
    'Eighty thou between intake valve and crown at overlap with steel rods',
  ),
  valveRoomExhaust: atLeast(
    'Exhaust valve to piston',
    2.5,
    'A hundred thou between exhaust valve and crown at overlap: it runs hotter, and the piston chases it',
  ),
  pocketDeepened: atMost('Deepening a valve pocket', 2.5, 'A fifth of an inch of crown stays under a pocket'),
  pocketDepth: about('Depth of a valve pocket', 2, 'A pocket nobody measured is reckoned at eighty thou'),
  pocketShare: about(
    'Volume of a valve pocket',
    0.5,
    'A pocket is cut at the angle of the valve and takes about half of a cylinder over its face',
    {
      of: 'that cylinder',
    },
  ),
});
