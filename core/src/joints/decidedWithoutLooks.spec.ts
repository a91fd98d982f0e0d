import type { Part } from '../catalogue/part';
import type { KindId } from '../dictionary/dictionary';
import { block } from '../dictionary/kinds/block';
import { crank } from '../dictionary/kinds/crank';
import { piston } from '../dictionary/kinds/piston';
import { interval } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { demoPart, SETTING } from '../testing/demo';
import type { Assembly } from './assembly';
import { verdictOfCheck, type JointCheck } from './check';
import { JOINTS } from './index';
import { said, seeing } from './outcome';
import { decidedWithoutLooks } from './decidedWithoutLooks';

// A part that no case lets pass is refused whatever else is not known of it: common practice, no source.

const sized = (kind: KindId, sizes: Readonly<Record<string, number>>): Part => ({
  kind,
  label: kind,
  values: Object.fromEntries(
    Object.entries(sizes).map(([id, size]) => [id, { interval: interval(size), source: 'measured' as const }]),
  ),
  looks: {},
  interfaces: {},
  service: {},
  standard: {},
});

const together = (...parts: readonly Part[]): Assembly => ({
  parts: Object.fromEntries(parts.map((part) => [part.kind, part])),
  replaced: {},
  ...SETTING,
});

const checkOf = (joint: string, check: string): JointCheck => {
  const found = JOINTS.find(({ id }) => id === joint)?.checks.find(({ id }) => id === check);
  if (!found) throw new RangeError(`There is no check ${joint}.${check}.`);
  return found;
};

const skirt = checkOf('pistonInBlock', 'skirtClearance');
const inBore = (bore: number, size: number) =>
  together(
    sized('block', { [block.parameters.bore.id]: bore }),
    sized('piston', { [piston.parameters['skirt.diameter'].id]: size }),
  );

describe('what is not known', () => {
  it('does not keep a piston of 80.4 mm out of being refused by a bore of 48', () => {
    const { verdict, because } = skirt.judge(inBore(48, 80.4));
    expect(verdict).toBe('doesNotFit');
    expect(say(because, 'metric')).toMatch(/That is so in every case, though it is not known: .*made of/i);
  });

  it('of the wall leaves boring open by what some wall has to give, and no further', () => {
    expect(skirt.judge(inBore(95, 98.3)).verdict).toBe('doesNotFit');
    expect(skirt.judge(inBore(95, 98)).verdict).toBe('cannotTell');
  });

  it('decides where the cases differ: a skirt that a forged piston may have and a cast one may not', () => {
    const { verdict, needs } = skirt.judge(inBore(100, 99.93));
    expect(verdict).toBe('cannotTell');
    expect(needs).toContain(piston.features.material.id);
  });

  it('of the size keeps everything open', () => {
    expect(skirt.judge(together(sized('block', {}), sized('piston', {}))).verdict).toBe('cannotTell');
  });

  it('decides nothing where every case would want work', () => {
    const { features } = crank;
    const check = decidedWithoutLooks({
      id: 'one',
      name: 'One',
      reads: [features.webLip.id],
      verdicts: ['fits', 'fitsWithWork', 'cannotTell', 'doesNotFit'],
      judge: (assembly) => seeing(assembly, [features.webLip], () => said('fitsWithWork', ['After work.'])),
    });
    expect(check.judge(together(sized('crank', {}))).verdict).toBe('cannotTell');
  });

  it('passes what passes in every case, and counts are gone through as well as options', () => {
    const { features } = crank;
    const seen = new Set<string>();
    const check = decidedWithoutLooks({
      id: 'one',
      name: 'One',
      reads: [features.counterweights.id],
      verdicts: ['fits', 'cannotTell'],
      judge: (assembly) =>
        seeing(assembly, [features.counterweights], (count) => {
          seen.add(count);
          return said('fits', ['It does not matter.']);
        }),
    });
    const outcome = check.judge(together(sized('crank', {})));
    expect(outcome.verdict).toBe('fits');
    const { form } = features.counterweights;
    if (!('count' in form)) throw new TypeError('Counterweights are counted.');
    expect(seen.size).toBe(form.count.high - form.count.low + 1);
  });

  it('is not asked after where the look is known, or where the check reads none', () => {
    const known = { ...skirt, reads: [block.parameters.bore.id] };
    expect(decidedWithoutLooks(known)).toBe(known);
    const assembly = together(demoPart('sluice-block-low-large'), demoPart('sluice-crank-3375-large'));
    for (const { kinds, inPlaceOf, checks } of JOINTS)
      if (inPlaceOf === undefined && kinds.every((kind) => assembly.parts[kind]))
        for (const check of checks)
          expect(verdictOfCheck(check, assembly)).withContext(check.id).toBe(check.judge(assembly).verdict);
  });

  it('leaves refusals standing: without looks no pair that is refused by size is let go as open', () => {
    const refused = inBore(95.26, 103.2);
    expect(skirt.judge(refused).verdict).toBe('doesNotFit');
    expect(verdictOfCheck(skirt, refused)).toBe('doesNotFit');
  });
});
