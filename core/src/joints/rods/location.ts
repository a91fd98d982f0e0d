import { crank } from '../../dictionary/kinds/crank.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { around, minus, type Interval } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { limitOf, rods } from '../../thumb/index.js';
import { lookOf, valueOf, type Assembly } from '../assembly.js';
import { WORK_MAY_HELP, type JointCheck, type Joint } from '../check.js';
import { closer, mended, missing, said, work } from '../outcome.js';
import { isDone } from '../operations/operation.js';
import { narrowRod, narrowSmallEnd } from '../operations/rods.js';
import { sidePlay } from './bigEnds.js';

/** What an end with this play does to the rod; where it may be either, nobody can say. */
const end = (play: Interval, { rules }: Assembly): 'located' | 'free' | 'unsure' =>
  play.high <= limitOf(rods.locates, rules) ? 'located' : play.low >= limitOf(rods.free, rules) ? 'free' : 'unsure';

const { 'crankpin.width': pinWidth } = crank.parameters;

const { 'bigEnd.width': bigWidth, 'smallEnd.width': smallWidth } = rod.parameters;

const { bossGap } = piston.parameters;

const oneEnd: JointCheck = {
  id: 'oneEnd',
  name: 'Located at exactly one end',
  reads: [pinWidth.id, bigWidth.id, smallWidth.id, bossGap.id, crank.features.rodsPerPin.id],
  verdicts: WORK_MAY_HELP,
  judge: (assembly) => {
    const sizes = [pinWidth, bigWidth, bossGap, smallWidth].map(
      (parameter) => [parameter, valueOf(assembly, parameter)] as const,
    );
    const [across, big, gap, small] = sizes.map(([, value]) => value);
    const perPin = lookOf(assembly, crank.features.rodsPerPin);
    if (!across || !big || !gap || !small || perPin === undefined)
      return missing([
        ...sizes.flatMap(([parameter, value]) => (value ? [] : [parameter])),
        ...(perPin === undefined ? [crank.features.rodsPerPin] : []),
      ]);
    const atPin = sidePlay(across.interval, big.interval, Number(perPin));
    const atPiston = minus(gap.interval, small.interval);
    const figures = sentence`${band(atPin)} at the crankpin, ${band(atPiston)} between the bosses`;
    const [below, above] = [end(atPin, assembly), end(atPiston, assembly)];
    if (below === 'unsure' || above === 'unsure')
      return said('cannotTell', sentence`${figures}: measure which end locates the rod.`, {
        quantity: 'length',
        needs: closer(
          below === 'unsure'
            ? [
                [pinWidth, across],
                [bigWidth, big],
              ]
            : [
                [bossGap, gap],
                [smallWidth, small],
              ],
        ),
      });
    if (below !== above)
      return said(
        'fits',
        sentence`The rod is located at the ${below === 'located' ? 'big end' : 'piston'} only: ${figures}.`,
        { quantity: 'length' },
      );
    if (below === 'free')
      return said(
        'doesNotFit',
        sentence`Neither end locates the rod, ${figures}: it wanders, knocks, and the engine blows by without failing a static leak test.`,
        {
          quantity: 'length',
        },
      );
    const part = assembly.parts.rod;
    if (!part) return missing([bigWidth]);
    const { rules } = assembly;
    const [aim, tolerance] = [limitOf(rods.freeAim, rules), limitOf(rods.smallEndWithin, rules)];
    const [top, bottom] = [
      around(gap.interval.low - aim, tolerance),
      around((across.interval.low - aim) / Number(perPin), tolerance),
    ];
    const [atTop, atBottom] = [narrowSmallEnd(part, top, rules), narrowRod(part, bottom, rules)];
    return mended(
      said('doesNotFit', sentence`Both ends locate the rod, ${figures}: it binds, or will not go on.`, {
        quantity: 'length',
      }),
      [
        ...(isDone(atTop)
          ? [
              work({
                steps: ['narrowSmallEnd'],
                says: sentence`Face the small ends down to ${band(top)}, so that the big end alone locates the rod.`,
                parts: [atTop.part],
              }),
            ]
          : []),
        ...(isDone(atBottom)
          ? [
              work({
                steps: ['narrowRod'],
                says: sentence`Face the big ends down to ${band(bottom)}, so that the piston alone locates the rod.`,
                parts: [atBottom.part],
              }),
            ]
          : []),
      ],
      assembly.rules,
    );
  },
};

/** Where the rod is held endways, between crank and piston. */
export const location: Joint = {
  id: 'location',
  name: 'Where the rod is located',
  kinds: ['crank', 'rod', 'piston'],
  checks: [oneEnd],
};
