import { partFromSpecimen, type Part } from '../catalogue/part';
import { sweptVolume, compressionRatio, deckClearance } from '../stack/index';
import { block } from '../dictionary/kinds/block';
import { crank } from '../dictionary/kinds/crank';
import { head } from '../dictionary/kinds/head';
import { liner } from '../dictionary/kinds/liner';
import { lifter } from '../dictionary/kinds/lifter';
import { piston } from '../dictionary/kinds/piston';
import { rod } from '../dictionary/kinds/rod';
import { pin } from '../dictionary/kinds/pin';
import type { KindId } from '../dictionary/dictionary';
import { swap, swapParts } from './swap';
import { partsOfVariant, placed } from './placedParts';
import { interval, type Interval } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { demoPart, LOOKUP, SETTING, words } from '../testing/demo';
import type { Assembly } from '../joints/assembly';
import type { Joint } from '../joints/check';
import { worst } from '../joints/verdict';
import { bigEnds } from '../joints/rods/bigEnds';
import { lifterInBlock } from '../joints/valveGear/lifterInBlock';
import { crownAndChamber } from '../joints/deck/crownAndChamber';
import { liners } from '../joints/cylinders/liners';
import { location } from '../joints/rods/location';
import { mains } from '../joints/crankshaft/mains';
import { pinInRod } from '../joints/rods/pinInRod';

// The figures here are the trade's: common practice, no source.

const made = (
  kind: KindId,
  values: Readonly<Record<string, number | Interval>>,
  looks: Readonly<Record<string, string>> = {},
): Part => ({
  kind,
  label: kind,
  values: Object.fromEntries(
    Object.entries(values).map(([id, each]) => [
      id,
      { interval: typeof each === 'number' ? interval(each) : each, source: 'measured' as const },
    ]),
  ),
  looks: Object.fromEntries(Object.entries(looks).map(([id, option]) => [id, { option, source: 'measured' as const }])),
  interfaces: {},
  service: {},
  standard: {},
});

const judge = (joint: Joint, ...parts: readonly Part[]) => {
  const assembly: Assembly = {
    parts: Object.fromEntries(parts.map((part) => [part.kind, part])),
    replaced: {},
    ...SETTING,
  };
  const findings = joint.checks.map((check) => ({ id: check.id, ...check.judge(assembly) }));
  return {
    verdict: worst(findings.map(({ verdict }) => verdict)),
    findings,
    said: findings.map(({ because }) => say(because, 'metric')).join(' '),
  };
};

describe('lifter bodies', () => {
  const solid = { [lifter.features.form.id]: 'solidFlat' };
  const bore = (size: number) =>
    made(
      'block',
      { [block.parameters['lifterBore.diameter'].id]: size },
      { [block.features.lifterOil.id]: 'present', [block.features.deactivation.id]: 'none' },
    );
  const body = (size: number) => made('lifter', { [lifter.parameters['body.diameter'].id]: size }, solid);

  it('of 18.5 mm are loose in a bore of 19.5, and those of 19.5 do not enter one of 18.5: neither is allowed', () => {
    const loose = judge(lifterInBlock, bore(19.5), body(18.5));
    expect(loose.verdict).toBe('doesNotFit');
    expect(loose.said).toContain('loose');
    const tight = judge(lifterInBlock, bore(18.5), body(19.5));
    expect(tight.verdict).toBe('doesNotFit');
    expect(tight.said).toContain('do not enter');
    expect(judge(lifterInBlock, bore(18.53), body(18.5)).verdict).toBe('fits');
  });
});

describe('a rod', () => {
  // 0.2 mm at a located big end, 0.3 mm at a located small end, about 2 mm where it is free.
  const located = (atPin: number, atPiston: number) =>
    judge(
      location,
      made('crank', { [crank.parameters['crankpin.width'].id]: 22 + atPin }, { [crank.features.rodsPerPin.id]: '1' }),
      made('rod', { [rod.parameters['bigEnd.width'].id]: 22, [rod.parameters['smallEnd.width'].id]: 20 }),
      made('piston', { [piston.parameters.bossGap.id]: 20 + atPiston }),
    );

  it('is located at exactly one end, the big end or the piston', () => {
    expect(located(0.2, 2).verdict).toBe('fits');
    expect(located(0.2, 2).said).toContain('located at the big end only');
    expect(located(2, 0.3).verdict).toBe('fits');
    expect(located(2, 0.3).said).toContain('located at the piston only');
  });

  it('binds where both ends locate it, which narrowing one mends', () => {
    const both = located(0.2, 0.3);
    expect(both.verdict).toBe('fitsWithWork');
    expect(both.said).toContain('it binds, or will not go on');
    expect(both.findings[0]?.work.map(({ name }) => name)).toEqual(['Narrow the small ends', 'Narrow the rods']);
  });

  it('wanders and knocks where neither does, and nothing puts metal back', () => {
    const neither = located(2, 2);
    expect(neither.verdict).toBe('doesNotFit');
    expect(neither.said).toContain('without failing a static leak test');
  });

  it('with fractured caps takes shells of its own, and cannot be resized', () => {
    expect(swapParts(demoPart('skerry-rodshell'), demoPart('skerry-rod-fractured'), SETTING).verdict).toBe(
      'doesNotFit',
    );
    expect(swapParts(demoPart('skerry-rodshell-fractured'), demoPart('skerry-rod-fractured'), SETTING).verdict).toBe(
      'fits',
    );
    const mixed = swapParts(demoPart('skerry-rod-fractured'), demoPart('skerry-rod-drilled-42'), SETTING);
    expect(mixed.verdict).toBe('doesNotFit');
    expect(say(mixed.says, 'metric')).toContain('caps');
  });

  it('with the larger small end takes the smaller pin in a bush, and not the other way', () => {
    const held = { [rod.features.smallEndForm.id]: 'bush', [rod.features.pinFixing.id]: 'circlip' };
    const eye = (size: number) =>
      made(
        'rod',
        {
          [rod.parameters['smallEnd.bore'].id]: interval(size + 0.018, size + 0.028),
          [rod.parameters['smallEnd.housing'].id]: size + 4,
        },
        held,
      );
    const gudgeon = (size: number) =>
      made(
        'pin',
        { [pin.parameters.diameter.id]: interval(size - 0.006, size) },
        { [pin.features.fixing.id]: 'circlip' },
      );
    expect(judge(pinInRod, eye(42), gudgeon(40)).verdict).toBe('fitsWithWork');
    expect(judge(pinInRod, eye(40), gudgeon(40)).verdict).toBe('fits');
    expect(judge(pinInRod, eye(40), gudgeon(42)).verdict).toBe('doesNotFit');
  });
});

describe('one way only', () => {
  it('goes the lipped crank with its lip turned off, and the plain one in the grooved case wants nothing', () => {
    const there = swapParts(demoPart('skerry-crank-6-112'), demoPart('skerry-block-6-early'), SETTING);
    expect(there.joints.flatMap(({ checks }) => checks).find(({ id }) => id === 'webLip')?.work[0]?.name).toBe(
      'Turn the lip off',
    );
    const back = swapParts(demoPart('skerry-crank-6-104'), demoPart('skerry-block-6-late'), SETTING);
    expect(back.joints.flatMap(({ checks }) => checks).find(({ id }) => id === 'webLip')?.verdict).toBe('fits');
  });

  it('goes the crank of longer rod and larger pin into the smaller case: lip off, and a bearing of small bore and large outside', () => {
    const engine = (id: string) => {
      const variant = LOOKUP.variant(id);
      if (!variant) throw new RangeError(`The demo has no ${id}.`);
      return partsOfVariant(LOOKUP, variant);
    };
    const assembled = (crankId: string, rodId: string) => [placed(demoPart(crankId)), placed(demoPart(rodId))];
    const there = swap(assembled('pip-crank-48-l', 'pip-rod-48-l'), engine('pip-48'), SETTING);
    expect(there.verdict).toBe('fitsWithWork');
    const work = there.joints.flatMap(({ checks }) =>
      checks.filter(({ verdict }) => verdict !== 'fits').map(({ id, work: [least] }) => [id, least?.name]),
    );
    expect(work).toEqual([
      ['webLip', 'Turn the lip off'],
      ['pinInRod', 'Sleeve bearing of small bore and large outside'],
      ['pinSize', 'Sleeve bearing of small bore and large outside'],
    ]);
    const back = swap(assembled('pip-crank-48', 'pip-rod-48'), engine('pip-48-l'), SETTING);
    expect(back.verdict).toBe('doesNotFit');
    expect(say(back.says, 'metric')).toContain('no room for needles');
  });

  it('goes the small-journal crank into the large case, with thick shells as adapters', () => {
    expect(swapParts(demoPart('sluice-crank-3375-forged'), demoPart('sluice-block-low-large'), SETTING).verdict).toBe(
      'fitsWithWork',
    );
    expect(swapParts(demoPart('sluice-crank-3375-large'), demoPart('sluice-block-low-small'), SETTING).verdict).toBe(
      'doesNotFit',
    );
  });
});

describe('pistons of one engine', () => {
  it('are of one ratio: one of another among them is refused, whichever way', () => {
    for (const [mine, others] of [
      ['sluice-piston-398-3375-90', 'sluice-piston-398-3375-80'],
      ['sluice-piston-398-3375-80', 'sluice-piston-398-3375-90'],
    ] as const) {
      const judged = swapParts(demoPart(mine), demoPart(others), SETTING);
      expect(judged.verdict).toBe('doesNotFit');
      expect(judged.joints[0]?.checks.find(({ id }) => id === 'sameRatio')?.verdict).toBe('doesNotFit');
      expect(say(judged.says, 'metric')).toContain('mixed ratios in one engine are refused');
    }
  });

  it('that supersede others are only valid with the drilled rods', () => {
    const variant = LOOKUP.variant('skerry-47');
    if (!variant) throw new RangeError('The demo has no skerry-47.');
    const engine = partsOfVariant(LOOKUP, variant);
    const alone = swap([placed(demoPart('skerry-piston-112-160-super'))], engine, SETTING);
    expect(alone.companions).toEqual(['skerry-rod-drilled-42']);
    const kit = swap(
      ['skerry-piston-112-160-super', 'skerry-rod-drilled-42', 'skerry-pin-42'].map((id) => placed(demoPart(id))),
      engine,
      SETTING,
    );
    expect(kit.companions).toEqual([]);
    expect(kit.verdict).toBe('fits');
  });
});

describe('shells by class', () => {
  const crankRead = (text: string) =>
    partFromSpecimen(
      {
        id: 'c',
        name: 'crank',
        kind: 'crank',
        readings: words(text).map((is, at) => ({ id: String(at), at: '2026-01-01T00:00:00.000Z', is })),
      },
      LOOKUP.pattern('lumen-crank-4b'),
      undefined,
      LOOKUP.catalogue.schemes,
    );
  const clearance = (part: Part) => {
    const finding = mains.checks
      .find(({ id }) => id === 'oilClearance')
      ?.judge({ parts: { crank: part, block: demoPart('lumen-block-4b') }, replaced: {}, ...SETTING });
    return { ...finding, said: say(finding?.because ?? [], 'metric') };
  };

  it('cannot be sorted by a caliper: the class marks settle what it leaves open, position by position', () => {
    expect(clearance(crankRead('main 51.98 caliper')).verdict).toBe('cannotTell');
    const marked = clearance(crankRead('main 51.98 caliper main class M-BCABC'));
    expect(marked.verdict).toBe('fits');
    expect(marked.said).toMatch(/green .*at 1 and 4; .*blue .*at 2 and 5; .*red .*at 3\./);
  });

  it('go by what was measured where the marks say otherwise, and it is said', () => {
    const worn = clearance(crankRead('main 51.955 mic main class M-BCABC'));
    expect(worn.verdict).not.toBe('fits');
    expect(worn.said).not.toContain('class marks, position');
    expect(worn.caution).toContain('class mark says another size');
  });
});

describe('oil to the crankpin', () => {
  const oiled = (drilling: string, split: string, along = 'none') =>
    judge(
      { ...bigEnds, checks: bigEnds.checks.filter(({ id }) => id === 'pinOil') },
      made('crank', {}, { [crank.features.oilDrilling.id]: drilling }),
      made('rod', {}, { [rod.features.capSplit.id]: split, [rod.features.drilling.id]: along }),
    );

  it('comes through a drilled crank to rods in shells; those on needles do without', () => {
    expect(oiled('straight', 'machined').verdict).toBe('fits');
    expect(oiled('none', 'fractured').verdict).toBe('doesNotFit');
    expect(oiled('none', 'machined', 'present').said).toContain('none to the pin');
    expect(oiled('none', 'onePiece').verdict).toBe('fits');
    expect(oiled('cross', 'machined', 'present').said).toContain('all the way round');
  });
});

describe('a crown', () => {
  const under = (crown: string, chamber: string) =>
    judge(
      { ...crownAndChamber, checks: crownAndChamber.checks.filter(({ id }) => id === 'crownForm') },
      made('piston', {}, { [piston.features.crown.id]: crown }),
      made('head', {}, { [head.features.chamberForm.id]: chamber }),
    ).verdict;

  it('goes with the chamber that leaves it room to burn in: a bowl under a flat head, a dome under a roof', () => {
    expect(under('bowl', 'flat')).toBe('fits');
    expect(under('reentrant', 'flat')).toBe('fits');
    expect(under('dome', 'pentRoof')).toBe('fits');
    expect(under('flat', 'wedge')).toBe('fits');
    expect(under('deflector', 'hemispherical')).toBe('fits');
  });

  it('does not go where it meets the head, where there are two chambers, or none', () => {
    expect(under('dome', 'flat')).toBe('doesNotFit');
    expect(under('dome', 'prechamber')).toBe('doesNotFit');
    expect(under('bowl', 'wedge')).toBe('doesNotFit');
    expect(under('flat', 'flat')).toBe('doesNotFit');
  });
});

describe('a wet liner', () => {
  const inBlock = (liner: Readonly<Record<string, string>>, block_: Readonly<Record<string, string>>) => {
    const judged = judge(
      { ...liners, checks: liners.checks.filter(({ id }) => id === 'sealRings' || id === 'shimKind') },
      made('liner', {}, liner),
      made('block', {}, block_),
    );
    return Object.fromEntries(judged.findings.map(({ id, verdict, work }) => [id, work[0]?.steps[0] ?? verdict]));
  };

  it('has as many seal rings as its block has lands, and the shim it is cut for', () => {
    const look = (rings: string, shim: string) => ({
      [liner.features.ringGrooves.id]: rings,
      [liner.features.shim.id]: shim,
    });
    const seen = (rings: string, shim: string) => ({
      [block.features.linerRings.id]: rings,
      [block.features.linerShim.id]: shim,
    });
    expect(inBlock(look('3', 'none'), seen('3', 'none'))).toEqual({ sealRings: 'fits', shimKind: 'fits' });
    expect(inBlock(look('2', 'steel'), seen('3', 'none'))).toEqual({ sealRings: 'doesNotFit', shimKind: 'fits' });
    expect(inBlock(look('3', 'steel'), seen('3', 'brass'))).toEqual({ sealRings: 'fits', shimKind: 'fits' });
    expect(inBlock(look('3', 'none'), seen('3', 'brass'))).toEqual({ sealRings: 'fits', shimKind: 'cutLiners' });
  });
});

describe('lifters', () => {
  it('have no bores in a block whose cam runs in the head', () => {
    const overhead = made(
      'block',
      {},
      {
        [block.features.camBearings.id]: '0',
        [block.features.lifterOil.id]: 'none',
        [block.features.deactivation.id]: 'none',
      },
    );
    const judged = judge(
      lifterInBlock,
      overhead,
      made('lifter', { [lifter.parameters['body.diameter'].id]: 21.4 }, { [lifter.features.form.id]: 'solidFlat' }),
    );
    expect(judged.verdict).toBe('doesNotFit');
    expect(judged.said).toContain('no bores for lifters');
  });
});

describe('an engine', () => {
  const planted = new Set(['minnow-66', 'skerry-71']);

  it('takes every one of its own parts as they are, but for what was planted in the demo', () => {
    for (const variant of LOOKUP.catalogue.variants) {
      const engine = partsOfVariant(LOOKUP, variant);
      const refused = engine.filter((part) => {
        try {
          const { verdict, joints } = swap([part], engine, SETTING);
          // Of what no size, look or face is checked nothing can be told, not even at home.
          return verdict !== (joints.every(({ id }) => id === 'record') ? 'cannotTell' : 'fits');
        } catch {
          return false;
        }
      });
      if (planted.has(variant.id)) expect(refused.length).withContext(variant.id).toBeGreaterThan(0);
      else
        expect(refused.map(({ part }) => part.label))
          .withContext(variant.id)
          .toEqual([]);
    }
  });

  it('reckons its ratio anew with another head: pistons sold by a ratio had it with somebody’s chamber', () => {
    const variant = LOOKUP.variant('sluice-306');
    if (!variant) throw new RangeError('The demo has no sluice-306.');
    const judged = swap([placed(demoPart('sluice-head-74'))], partsOfVariant(LOOKUP, variant), SETTING);
    const ratio = judged.joints.flatMap(({ checks }) => checks).find(({ id }) => id === 'ratio');
    expect(ratio?.found?.high ?? 99).toBeLessThan(8.5);
    expect(say(ratio?.because ?? [], 'metric')).toContain('sold as');
  });
});

describe('the sums of an engine', () => {
  it('put the crown where deck height, stroke, rod and compression height put it', () => {
    // By hand: 9.000 - 3.480 / 2 - 5.700 - 1.560 = 0.000 in.
    const found = deckClearance(interval(9 * 25.4), interval(3.48 * 25.4), interval(5.7 * 25.4), interval(1.56 * 25.4));
    expect(found.low).toBeCloseTo(0, 9);
  });

  it('lift the piston by half of a longer stroke and by the whole of a longer rod', () => {
    const [base, stroked, rodded] = [
      deckClearance(interval(230), interval(80), interval(140), interval(45)),
      deckClearance(interval(230), interval(84), interval(140), interval(45)),
      deckClearance(interval(230), interval(80), interval(143), interval(45)),
    ];
    expect(base.low - stroked.low).toBeCloseTo(2, 9);
    expect(base.low - rodded.low).toBeCloseTo(3, 9);
  });

  it('make the ratio that hand sums make', () => {
    // By hand: 4.000 x 3.480 in is 716.6 cc; with 79.6 cc over the piston (716.6 + 79.6) / 79.6 = 10.0.
    const swept = sweptVolume(interval(101.6), interval(88.392));
    expect(swept.low).toBeCloseTo(716.6, 1);
    expect(compressionRatio(swept, interval(79.6222)).low).toBeCloseTo(10, 2);
    expect(() => compressionRatio(swept, interval(-1, 2))).toThrowError(RangeError);
  });
});
