import { crank } from '../../dictionary/kinds/crank.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { rodShell } from '../../dictionary/kinds/rodShell.js';
import { around, interval, middle, minus, scaled, type Interval } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { bearings, cite, limitOf, rods, type FigureOfThumb } from '../../thumb/index.js';
import { lookOf, valueOf, type Assembly } from '../assembly.js';
import { NO_WORK_HELPS, type JointCheck, type Joint } from '../check.js';
import { bearingClearance, centred, trueUp, type HousingWork } from '../crankshaft/bearingClearance.js';
import { oilClearance, sayShell, shellsForJournal, type PlainBearing } from '../crankshaft/bearings.js';
import { missing, said, seeing, work } from '../outcome.js';
import { isDone } from '../operations/operation.js';
import { narrowRod, resizeBigEnd } from '../operations/rods.js';
import { roundAndParallel } from '../shapes/roundAndParallel.js';
import { specified, within } from '../shapes/within.js';
import { onNeedles } from './needleCages.js';

const {
  'crankpin.diameter': crankpin,
  'crankpin.width': pinWidth,
  'crankpin.fillet': fillet,
  'crankpin.oilClearance': oilWanted,
} = crank.parameters;

const { 'bigEnd.bore': bigEnd, 'bigEnd.width': rodWidth, sideClearance } = rod.parameters;

/** The big ends, where they run in shells: shells for fractured caps are not those for machined ones. */
export const ROD_BEARING: PlainBearing = {
  housing: bigEnd,
  journal: crankpin,
  clearance: oilWanted,
  shell: 'rodShell',
  suits: (shell, assembly) => {
    const split = lookOf(assembly, rod.features.capSplit);
    return split !== undefined && shell.looks[rodShell.features.forCap.id]?.option === split;
  },
};

/** Hone the big ends to the housing of shells that fit the crankpin. */
const housingWork: HousingWork = (assembly, required) => {
  const part = assembly.parts.rod;
  const shaft = valueOf(assembly, crankpin)?.interval;
  if (!part || !shaft) return [];
  return shellsForJournal(ROD_BEARING, assembly, shaft, required)
    .flatMap((each) => {
      const found = oilClearance(each.housing, each.wall, shaft);
      const worked = centred(found, required) ? resizeBigEnd(part, each.housing, assembly.rules) : undefined;
      if (!worked || !isDone(worked)) return [];
      return [
        work({
          steps: ['openBigEnd'],
          says: sentence`Cut the caps and hone the big ends to ${band(each.housing)} for ${sayShell(each)}: clearance ${band(found)}.`,
          found,
          required,
          parts: [worked.part],
          buy: [each.shell.pattern],
        }),
      ];
    })
    .slice(0, 1);
};

const clearance = bearingClearance({
  id: 'rodOilClearance',
  name: 'Oil clearance',
  bearing: ROD_BEARING,
  grinding: 'regrindPins',
  housingWork,
  // Asked for one that has a cap only.
  isPlain: () => true,
  also: [rod.features.capSplit.id, rodShell.features.forCap.id],
});

const bigEndBearing: JointCheck = {
  ...clearance,
  judge: (assembly) => {
    const split = lookOf(assembly, rod.features.capSplit);
    if (split === undefined) return missing([rod.features.capSplit], 'count');
    return split === 'onePiece'
      ? onNeedles(assembly, crankpin, bigEnd, { pin: 'crankpin', eye: 'big end' })
      : clearance.judge(assembly);
  },
};

/** How many rods share a crankpin; unknown, the answer that says so. */
const rodsPerPin = (assembly: Assembly): number | undefined => {
  const count = lookOf(assembly, crank.features.rodsPerPin);
  return count === undefined ? undefined : Number(count);
};

/** What the rods leave of the width of their crankpin. */
export const sidePlay = (pin: Interval, rodAcross: Interval, count: number): Interval =>
  minus(pin, scaled(rodAcross, count));

/**
 * Side clearance of rods in shells and of rods on needles where they are located there, and of any located at the
 * piston.
 */
function usualSide(assembly: Assembly): FigureOfThumb {
  if (lookOf(assembly, rod.features.located) === 'smallEnd') return rods.sideFree;
  return lookOf(assembly, rod.features.capSplit) === 'onePiece' ? rods.sideOnNeedles : rods.sideInShells;
}

const side = within({
  id: 'sideClearance',
  name: 'Side clearance',
  of: { pin: pinWidth, across: rodWidth },
  also: [crank.features.rodsPerPin.id, sideClearance.id, rod.features.located.id, rod.features.capSplit.id],
  unless: (assembly) => {
    const lacking = [
      ...(rodsPerPin(assembly) === undefined ? [crank.features.rodsPerPin] : []),
      ...(valueOf(assembly, sideClearance)
        ? []
        : [rod.features.located, rod.features.capSplit].filter((each) => lookOf(assembly, each) === undefined)),
    ];
    return lacking.length > 0 ? missing(lacking) : undefined;
  },
  found: ({ pin, across }, assembly) => sidePlay(pin, across, rodsPerPin(assembly) ?? 1),
  required: (assembly) => specified(assembly, sideClearance, usualSide(assembly)),
  subject: 'The side clearance',
  tooLittle: 'the rods bind between the webs',
  tooMuch: 'the rods wander and oil runs off',
  mend: (assembly, { found, required, sizes: { pin } }) => {
    const part = assembly.parts.rod;
    const count = rodsPerPin(assembly) ?? 1;
    if (!part || found.high >= required.low) return [];
    const to = around((middle(pin) - middle(required)) / count, limitOf(rods.sideWithin, assembly.rules));
    const worked = narrowRod(part, to, assembly.rules);
    if (!isDone(worked)) return [];
    const then = sidePlay(pin, to, count);
    return [
      work({
        steps: ['narrowRod'],
        says: sentence`Face the big ends down to ${band(to)}: side clearance ${band(then)}.`,
        found: then,
        required,
        parts: [worked.part],
      }),
    ];
  },
});

const filletRoom = within({
  id: 'fillet',
  name: 'Fillet against chamfer',
  of: { radius: fillet },
  also: [rod.features.chamfer.id, crank.features.rodsPerPin.id],
  unless: (assembly) => {
    const chamfer = lookOf(assembly, rod.features.chamfer);
    if (chamfer === undefined) return missing([rod.features.chamfer]);
    return chamfer === 'oneSide' && rodsPerPin(assembly) === undefined
      ? missing([crank.features.rodsPerPin], 'count')
      : undefined;
  },
  found: ({ radius }) => radius,
  required: (assembly) => {
    const chamfer = lookOf(assembly, rod.features.chamfer);
    // Alone on its pin a rod has a web on either side; of two side by side each has one.
    const isClear = chamfer === 'bothSides' || (chamfer === 'oneSide' && (rodsPerPin(assembly) ?? 1) > 1);
    const figure = isClear ? rods.filletChamfered : rods.filletPlain;
    return { band: interval(0, limitOf(figure, assembly.rules)), ruleOfThumb: () => cite(figure, assembly.rules) };
  },
  fits: ({ found }) => sentence`A fillet of ${band(found)} clears the rod: a chamfered side goes to a web.`,
  subject: 'The fillet',
  tooLittle: 'it is smaller than nothing',
  tooMuch: 'rod and shell would ride up on it, on the side that has no chamfer',
});

/**
 * Shells want oil from the main journals by a drilled crank, needles what flies about in the case. *Common practice, no
 * source.*
 */
const pinOil: JointCheck = {
  id: 'pinOil',
  name: 'Oil to the crankpin',
  reads: [crank.features.oilDrilling.id, rod.features.capSplit.id, rod.features.drilling.id],
  verdicts: NO_WORK_HELPS,
  judge: (assembly) => {
    if (lookOf(assembly, rod.features.capSplit) === 'onePiece')
      return said('fits', ['The rod runs on needles, which live on the oil in the case.']);
    return seeing(
      assembly,
      [rod.features.capSplit, crank.features.oilDrilling, rod.features.drilling],
      (_split, drilling, along) => {
        if (drilling === 'none')
          return said('doesNotFit', [
            along === 'present'
              ? 'The crank is not drilled: no oil comes to the shells, and none to the pin through the drilled rod.'
              : 'The crank is not drilled: no oil comes to the shells, and they would seize.',
          ]);
        return said('fits', [
          along !== 'present'
            ? 'The crank is drilled to its pins: the shells are fed.'
            : drilling === 'cross'
              ? 'The crank is cross drilled: shells and drilled rod are fed all the way round.'
              : 'The crank is drilled straight: the drilled rod gets its oil once a turn, or all the way round from a grooved shell.',
        ]);
      },
    );
  },
};

/**
 * Rod on its crankpin: oil clearance over the shells, float at the side, fillet against chamfer, and a way for the oil.
 */
const pinRound = roundAndParallel({
  id: 'pinRound',
  name: 'Crankpins round and parallel',
  of: crankpin,
  most: bearings,
  mend: trueUp(crankpin, 'regrindPins'),
});

export const bigEnds: Joint = {
  id: 'bigEnds',
  name: 'Big ends',
  kinds: ['crank', 'rod'],
  checks: [bigEndBearing, side, filletRoom, pinOil, pinRound],
};
