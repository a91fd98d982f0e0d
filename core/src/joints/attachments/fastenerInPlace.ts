import { fastener } from '../../dictionary/kinds/fastener.js';
import { ends } from '../../thumb/index.js';
import { NEVER_REFUSES, type Joint } from '../check.js';
import { sameLook } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';

const { 'thread.diameter': diameter, 'thread.pitch': pitch, length } = fastener.parameters;

/** Property classes of ISO 898-1 from weak to strong. What is marked otherwise is not compared. */
const STRONGER = ['8.8', '10.9', '12.9'];

/** A bolt or stud in place of another: thread, pitch, length and class, and whether it may be used again. */
export const fastenerInPlace: Joint = {
  id: 'fastenerInPlace',
  name: 'In place of the bolt',
  kinds: ['fastener'],
  inPlaceOf: 'fastener',
  checks: [
    sameSize({
      id: 'thread',
      name: 'Thread',
      of: diameter,
      play: ends.thread,
    }),
    sameSize({
      id: 'pitch',
      name: 'Pitch',
      of: pitch,
      play: ends.pitch,
    }),
    sameSize({
      id: 'boltLength',
      name: 'Length',
      of: length,
      play: ends.boltLength,
    }),
    sameLook({
      id: 'grade',
      name: 'Property class',
      of: fastener.features.grade,
      as: fastener.features.grade,
      asOf: 'replaced',
      agree: ({ mine, theirs }) =>
        STRONGER.includes(theirs) && STRONGER.indexOf(mine) > STRONGER.indexOf(theirs)
          ? [`${mine} is stronger than ${theirs}; the torque stays that of the old one.`]
          : undefined,
      otherwise: ({ mine, theirs }) => [
        `${mine} where ${theirs} was: it would stretch or break at the same torque (ISO 898-1).`,
      ],
    }),
    sameLook({
      id: 'reuse',
      confirming: true,
      verdicts: NEVER_REFUSES,
      name: 'Used once or again',
      of: fastener.features.reuse,
      as: fastener.features.reuse,
      asOf: 'replaced',
      agree: () => [
        'What is torqued to yield is used once, and tightened by angle: keep to the sheet of the bolt that goes in.',
      ],
    }),
  ],
};
