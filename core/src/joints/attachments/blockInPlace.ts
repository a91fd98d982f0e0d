import type { Part } from '../../catalogue/part.js';
import { sayLook } from '../../dictionary/dictionary.js';
import { block } from '../../dictionary/kinds/block.js';
import { lookOf } from '../assembly.js';
import { WORK_ALWAYS_HELPS, REPLACED, type Joint, type JointCheck } from '../check.js';
import { mended, missing, said, work } from '../outcome.js';
import { stays } from './staysAsItWas.js';

const { capBolts, mainsRun, deck } = block.features;

/** Most caps that are made for a block that had two bolts have four. */
const CONVERTED = '4';

/**
 * An engine whose main caps were held by four bolts wants as many. *Common practice, no source*: blocks of two bolts
 * are fitted with caps of four and line bored; none is made to take more.
 */
const mainCaps: JointCheck = {
  id: 'mainCaps',
  name: 'Bolts of the main caps',
  confirming: true,
  reads: [capBolts.id, REPLACED + capBolts.id, mainsRun.id],
  verdicts: WORK_ALWAYS_HELPS,
  judge: (assembly) => {
    if (lookOf(assembly, mainsRun) === 'rolling') return said('fits', ['It has no main caps.'], { arises: false });
    const [mine, theirs] = [lookOf(assembly, capBolts), lookOf(assembly, capBolts, 'replaced')];
    if (mine === undefined || theirs === undefined) return missing([capBolts], 'count');
    if (Number(mine) >= Number(theirs)) return said('fits', [`${mine} bolts in a cap, ${theirs} before.`]);
    const fewer = [`${mine} bolts in a cap where ${theirs} were: the engine was built for the stronger mains.`];
    if (Number(theirs) > Number(CONVERTED)) return said('cannotTell', fewer, { needs: [capBolts.id] });
    return mended(
      said('doesNotFit', fewer),
      [
        work({
          steps: ['capConversion', 'lineBore'],
          says: ['Fit caps of four bolts, and line bore the mains with them torqued.'],
          parts: withOption(assembly.parts.block, capBolts.id, CONVERTED),
        }),
      ],
      assembly.rules,
    );
  },
};

/**
 * A deck that was closed carries gasket and bores where an open one leaves them standing. *Common practice, no source*:
 * an open deck of an aluminium block is closed by a ring pressed in and machined over.
 */
const closedDeck: JointCheck = {
  id: 'closedDeck',
  name: 'Form of the deck',
  confirming: true,
  reads: [deck.id, REPLACED + deck.id],
  verdicts: WORK_ALWAYS_HELPS,
  judge: (assembly) => {
    const [mine, theirs] = [lookOf(assembly, deck), lookOf(assembly, deck, 'replaced')];
    if (mine === undefined || theirs === undefined) return missing([deck], 'count');
    if (mine !== 'open' || theirs === 'open')
      return said('fits', [`${sayLook(deck, mine)} deck, ${sayLook(deck, theirs)} before.`]);
    return mended(
      said('doesNotFit', [
        `An open deck where a ${sayLook(deck, theirs)} one was: the bores move under a load that the old one bore.`,
      ]),
      [
        work({
          steps: ['closeDeck'],
          says: ['Press a ring into the deck between bores and wall, pin it, and bore and deck the block with it in.'],
          parts: withOption(assembly.parts.block, deck.id, 'closed'),
        }),
      ],
      assembly.rules,
    );
  },
};

const withOption = (part: Part | undefined, id: string, option: string): readonly Part[] =>
  part ? [{ ...part, looks: { ...part.looks, [id]: { option, source: 'machined' } } }] : [];

/** A block in place of another: the machine stays. */
export const blockInPlace: Joint = {
  id: 'blockInPlace',
  name: 'In place of the block',
  kinds: ['block'],
  inPlaceOf: 'block',
  checks: [
    stays('mounts', 'Engine mounts', block.interfaces.mounts, 'Take or make the mounts that belong to it'),
    stays(
      'bellhousing',
      'Bellhousing',
      block.interfaces.bellhousing,
      'Take the bellhousing, or an adapter plate, that belongs to it',
    ),
    stays('starter', 'Starter', block.interfaces.starter, 'Take the starter that belongs to it'),
    mainCaps,
    closedDeck,
  ],
};
