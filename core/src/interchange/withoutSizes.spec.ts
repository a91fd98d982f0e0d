import type { Catalogue } from '../catalogue/catalogue';
import { CatalogueLookup } from '../catalogue/lookup';
import { mainShell } from '../dictionary/kinds/mainShell';
import { rollingBearing } from '../dictionary/kinds/rollingBearing';
import { say } from '../quantity/sentence';
import { CATALOGUE } from '../testing/demo';
import { swapParts } from './swap';
import { swapContextOf } from './swapContext';

const BLOCK = 'lumen-block-4b';
const CRANK = 'lumen-crank-4b';

/** The demo without one size of every pattern of which `which` says so. */
const without = (id: string, which: (pattern: string) => boolean): Catalogue => ({
  ...CATALOGUE,
  patterns: CATALOGUE.patterns.map((each) =>
    which(each.id)
      ? { ...each, dimensions: Object.fromEntries(Object.entries(each.dimensions).filter(([key]) => key !== id)) }
      : each,
  ),
});
const checkOf = (catalogue: Catalogue, donor: string, recipient: string, id: string) => {
  const lookup = new CatalogueLookup(catalogue);
  const [mine, theirs] = [lookup.part(donor), lookup.part(recipient)];
  if (!mine || !theirs) throw new RangeError(`The demo has no ${donor} or ${recipient}.`);
  return swapParts(mine, theirs, swapContextOf(lookup))
    .joints.flatMap(({ checks }) => checks)
    .find((check) => check.id === id);
};

// That a part ran where it is on record, on whatever went between: common practice, no source.
describe('what goes between, on record without its sizes', () => {
  const wall = mainShell.parameters.wall.id;

  it('does not refuse a crank its own block: the shells that ran there may be right, and want measuring', () => {
    const found = checkOf(
      without(wall, (id) => id.startsWith('lumen-shell')),
      CRANK,
      BLOCK,
      'oilClearance',
    );
    expect(found?.verdict).toBe('cannotTell');
    expect(say(found?.because ?? [], 'metric')).toMatch(/on record without their|measure the shells/);
    expect(found?.needs).toContain(wall);
  });

  it('leaves a refusal standing that no shell of any wall could mend', () => {
    const less = without(wall, (id) => id.startsWith('lumen-shell'));
    expect(checkOf(less, 'skerry-crank-4-112', BLOCK, 'oilClearance')?.verdict).toBe('doesNotFit');
  });

  it('lets nobody call a needle cage the eye’s own, while a larger one may be', () => {
    expect(checkOf(CATALOGUE, 'pip-pin-48', 'pip-rod-48', 'pinInRod')?.verdict).toBe('fits');
    const cage = CATALOGUE.patterns.find(
      ({ kind, features }) => kind === 'rollingBearing' && features[rollingBearing.features.form.id] === 'needle',
    );
    if (!cage) throw new RangeError('The demo has no needle cage.');
    const more = {
      ...CATALOGUE,
      patterns: [
        ...CATALOGUE.patterns,
        { ...cage, id: 'zz-cage', name: 'of which nobody knows the size', dimensions: {} },
      ],
    };
    expect(checkOf(more, 'pip-pin-48', 'pip-rod-48', 'pinInRod')?.verdict).toBe('cannotTell');
  });
});
