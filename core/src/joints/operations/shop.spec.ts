import fc from 'fast-check';
import type { Part } from '../../catalogue/part';
import { block } from '../../dictionary/kinds/block';
import { crank } from '../../dictionary/kinds/crank';
import { head } from '../../dictionary/kinds/head';
import { piston } from '../../dictionary/kinds/piston';
import { rod } from '../../dictionary/kinds/rod';
import type { Parameter } from '../../dictionary/definition';
import { around, interval, middle } from '../../quantity/interval';
import { demoPart } from '../../testing/demo';
import { boreCylinders, honeCylinders, sleeveCylinders } from './cylinders';
import { deckBlock, millHead } from './faces';
import { offsetGrind, polishJournal } from './journals';
import { isDone, type Worked } from './operation';
import { OPERATION_IDS, OPERATIONS } from './operations';
import { machineCrown, openPinBore, widenGroove } from './pistons';
import { bushSmallEnd, drillRod, narrowRod, openSmallEnd, resizeBigEnd } from './rods';
import { holds } from '../../testing/laws';

const refusal = (worked: Worked) => (isDone(worked) ? '' : worked.refused);
const size = (worked: Worked, parameter: Parameter) =>
  isDone(worked) ? worked.part.values[parameter.id]?.interval : undefined;
const own = (part: Part, parameter: Parameter) => part.values[parameter.id]?.interval ?? interval(0);

describe('cylinders', () => {
  const part = demoPart('sluice-block-low-large');
  const [bore, wall] = [own(part, block.parameters.bore), own(part, block.parameters.wall)];

  it('are bored while the wall bears it, which gets thinner by half of what is taken', () => {
    holds(
      fc.property(fc.double({ min: 0.1, max: 6, noNaN: true }), (by) => {
        const worked = boreCylinders(part, around(middle(bore) + by, 0.006));
        const left = wall.low - by / 2;
        if (isDone(worked)) {
          expect(left).toBeGreaterThanOrEqual(3.2 - 0.001);
          expect(size(worked, block.parameters.wall)?.low).toBeCloseTo(left, 6);
        } else expect(left).toBeLessThan(3.2 + 0.001);
      }),
    );
    expect(refusal(boreCylinders(part, around(middle(bore) - 1, 0.006)))).toContain('already as large');
  });

  it('are not bored where nobody measured the wall: it is said what to measure', () => {
    const { [block.parameters.wall.id]: _wall, ...values } = part.values;
    const worked = boreCylinders({ ...part, values }, around(middle(bore) + 0.5, 0.006));
    expect('unknown' in worked ? worked.unknown : '').toBe(block.parameters.wall.id);
  });

  it('are honed by hundredths only, and larger only', () => {
    expect(size(honeCylinders(part, 0.03), block.parameters.bore)?.low).toBeCloseTo(bore.low + 0.03, 9);
    expect(refusal(honeCylinders(part, 0.2))).toContain('bored');
    expect(refusal(honeCylinders(part, -0.01))).toContain('larger only');
  });

  it('are sleeved back to size where the wall bears the hole for the sleeve', () => {
    const thick = {
      ...part,
      values: {
        ...part.values,
        [block.parameters.wall.id]: { interval: interval(3.2 + 2.4 + 0.1), source: 'measured' as const },
      },
    };
    expect(size(sleeveCylinders(thick, bore), block.parameters.bore)).toEqual(bore);
    expect(refusal(sleeveCylinders(part, bore))).toContain('too thin');
  });
});

describe('faces', () => {
  it('are decked down to a limit, and the liner recess with them', () => {
    const part = demoPart('skerry-block-6-late');
    const worked = deckBlock(part, 0.3);
    expect(size(worked, block.parameters.deckHeight)?.low).toBeCloseTo(
      own(part, block.parameters.deckHeight).low - 0.3,
      9,
    );
    expect(size(worked, block.parameters['liner.counterbore'])?.low).toBeCloseTo(
      own(part, block.parameters['liner.counterbore']).low - 0.3,
      9,
    );
    expect(refusal(deckBlock(part, 0.8 + 0.1))).toContain('too thin');
    expect(refusal(deckBlock(part, 0.5))).toContain('below the least deck height');
    const least = block.parameters['deckHeight.least'].id;
    const { [least]: _least, ...values } = part.values;
    expect(deckBlock({ ...part, values }, 0.3)).toEqual(jasmine.objectContaining({ unknown: least }));
    expect(refusal(deckBlock(part, -0.1))).toContain('only lowers');
  });

  it('of heads are milled down to their least height, and the chamber gets smaller', () => {
    const part = demoPart('ambit-head-eleven');
    const worked = millHead(part, 0.3, 80);
    // By hand: 80 mm is 50.27 square centimetres; 0.3 mm of four fifths of it are 1.21 cc.
    expect(
      own(part, head.parameters['chamber.volume']).low - (size(worked, head.parameters['chamber.volume'])?.low ?? 0),
    ).toBeCloseTo(1.21, 2);
    expect(refusal(millHead(part, 1.5, 80))).toContain('least height');
  });
});

describe('rods', () => {
  const part = demoPart('skerry-rod-drilled-42');

  it('with machined caps are resized by hundredths, fractured ones never (common practice, no source)', () => {
    const now = own(part, rod.parameters['bigEnd.bore']);
    expect(isDone(resizeBigEnd(part, around(middle(now) + 0.05, 0.006)))).toBeTrue();
    expect(refusal(resizeBigEnd(part, around(middle(now) + 0.5, 0.006)))).toContain('So much');
    expect(refusal(resizeBigEnd(demoPart('skerry-rod-fractured'), now))).toContain('cannot be resized');
    expect(refusal(resizeBigEnd(demoPart('pip-rod-48'), now))).toContain('one piece');
  });

  it('take a bush between a thinnest and a thickest wall', () => {
    // The eye without its bush is 46.000: 40 and 43.9 mm are its limits, a millimetre and three of wall.
    expect(isDone(bushSmallEnd(part, around(42.02, 0.005)))).toBeTrue();
    expect(refusal(bushSmallEnd(part, around(44.5, 0.005)))).toContain('no room');
    expect(refusal(bushSmallEnd(part, around(36, 0.005)))).toContain('so thick');
    expect(refusal(openSmallEnd(part, around(44.5, 0.005)))).toContain('too thin');
  });

  it('are narrowed, not widened, and drilled only where they are forged or billet', () => {
    const across = own(part, rod.parameters['bigEnd.width']);
    expect(isDone(narrowRod(part, around(middle(across) - 1, 0.01)))).toBeTrue();
    expect(refusal(narrowRod(part, around(middle(across) + 1, 0.01)))).toContain('already as small');
    expect(refusal(narrowRod(part, around(middle(across) - 5, 0.01)))).toContain('too little bearing');
    const drilled = drillRod(demoPart('skerry-rod-undrilled'));
    expect(isDone(drilled) && drilled.part.looks[rod.features.drilling.id]?.option).toBe('present');
    expect(refusal(drillRod(demoPart('lumen-rod-c')))).toContain('forged');
  });
});

describe('pistons and pins', () => {
  const part = demoPart('sluice-piston-398-3375-90');

  it('lose so much of their crown and no more', () => {
    expect(size(machineCrown(part, 0.4), piston.parameters.compressionHeight)?.low).toBeCloseTo(
      own(part, piston.parameters.compressionHeight).low - 0.4,
      9,
    );
    expect(refusal(machineCrown(part, 1.2))).toContain('over the top ring');
  });

  it('have pin bores and grooves opened within limits', () => {
    const pinBore = own(part, piston.parameters['pin.diameter']);
    expect(isDone(openPinBore(part, around(pinBore.high + 0.01, 0.003)))).toBeTrue();
    expect(refusal(openPinBore(part, around(pinBore.high + 0.2, 0.003)))).toContain('another pin');
    const groove = piston.parameters['ring.top'];
    expect(isDone(widenGroove(part, groove, around(own(part, groove).high + 0.4, 0.005)))).toBeTrue();
    expect(refusal(widenGroove(part, groove, around(own(part, groove).high + 1, 0.005)))).toContain('land');
  });
});

describe('crankpins', () => {
  const part = demoPart('sluice-crank-3375-large');
  const stroke = own(part, crank.parameters.stroke);

  it('ground off centre lengthen the stroke by no more than the metal that is taken', () => {
    holds(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: -1.5, max: 1.5, noNaN: true }),
        (undersize, longer) => {
          const worked = offsetGrind(part, undersize, longer);
          if (!isDone(worked)) return;
          expect(Math.abs(longer)).toBeLessThanOrEqual(undersize);
          expect(size(worked, crank.parameters.stroke)?.low).toBeCloseTo(stroke.low + longer, 9);
        },
      ),
    );
    expect(isDone(offsetGrind(part, 0.5, 0.5))).toBeTrue();
    expect(refusal(offsetGrind(part, 0.25, 0.5))).toContain('does not allow');
  });

  it('are polished by half a thou and no more', () => {
    const pin = crank.parameters['crankpin.diameter'];
    expect(size(polishJournal(part, pin, 0.01), pin)?.high).toBeCloseTo(own(part, pin).high - 0.01, 9);
    expect(refusal(polishJournal(part, pin, 0.05))).toContain('ground');
  });
});

describe('operations', () => {
  it('have a name of their own, and a caution where they can hurt', () => {
    const names = OPERATION_IDS.map((id) => OPERATIONS[id].name);
    expect(new Set(names).size).toBe(names.length);
    for (const id of ['bore', 'regrindPins', 'redrillFlange', 'shimSprings', 'bushSmallEnd'] as const)
      expect(OPERATIONS[id]).toEqual(jasmine.objectContaining({ caution: jasmine.any(String) }));
  });
});
