import { crank } from '../dictionary/kinds/crank.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rod } from '../dictionary/kinds/rod.js';
import { around, minus, type Interval } from '../quantity/interval.js';
import { band, sentence } from '../quantity/sentence.js';
import { lookOf, valueOf } from './assembly.js';
import { sidePlay } from './bigEnds.js';
import { MENDED, type Check, type Joint } from './check.js';
import { closer, mended, missing, said, work } from './finding.js';
import { isDone } from './operations/operation.js';
import { narrowRod, narrowSmallEnd } from './operations/rods.js';

/**
 * Play up to which an end locates the rod, and from which it leaves it free; between the two nobody can say.
 * *Common practice, no source*: 0.2 mm at a located big end, 0.3 mm at a located small end, about 2 mm where it is free.
 */
const LOCATES_TO = 0.7;
const FREE_FROM = 0.8;

const end = (play: Interval): 'located' | 'free' | 'unsure' => (play.high <= LOCATES_TO ? 'located' : play.low >= FREE_FROM ? 'free' : 'unsure');

const { 'crankpin.width': pinWidth } = crank.parameters;
const { 'bigEnd.width': bigWidth, 'smallEnd.width': smallWidth } = rod.parameters;
const { bossGap } = piston.parameters;

const oneEnd: Check = {
  id: 'oneEnd',
  name: 'Located at exactly one end',
  reads: [pinWidth.id, bigWidth.id, smallWidth.id, bossGap.id, crank.features.rodsPerPin.id],
  verdicts: MENDED,
  judge: (assembly) => {
    const sizes = [pinWidth, bigWidth, bossGap, smallWidth].map((parameter) => [parameter, valueOf(assembly, parameter)] as const);
    const [across, big, gap, small] = sizes.map(([, value]) => value);
    const rods = lookOf(assembly, crank.features.rodsPerPin);
    if (!across || !big || !gap || !small || rods === undefined)
      return missing([...sizes.flatMap(([parameter, value]) => (value ? [] : [parameter])), ...(rods === undefined ? [crank.features.rodsPerPin] : [])]);
    const atPin = sidePlay(across.interval, big.interval, Number(rods));
    const atPiston = minus(gap.interval, small.interval);
    const figures = sentence`${band(atPin)} at the crankpin, ${band(atPiston)} between the bosses`;
    const [below, above] = [end(atPin), end(atPiston)];
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
      return said('fits', sentence`The rod is located at the ${below === 'located' ? 'big end' : 'piston'} only: ${figures}.`, { quantity: 'length' });
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
    const [top, bottom] = [around(gap.interval.low - 2, 0.02), around((across.interval.low - 2) / Number(rods), 0.02)];
    const [atTop, atBottom] = [narrowSmallEnd(part, top), narrowRod(part, bottom)];
    return mended(
      said('doesNotFit', sentence`Both ends locate the rod, ${figures}: it binds, or will not go on.`, { quantity: 'length' }),
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
export const location: Joint = { id: 'location', name: 'Where the rod is located', kinds: ['crank', 'rod', 'piston'], checks: [oneEnd] };
