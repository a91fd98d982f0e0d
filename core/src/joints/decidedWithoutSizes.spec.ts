import { block } from '../dictionary/kinds/block';
import { crank } from '../dictionary/kinds/crank';
import { interval, minus } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { made } from '../testing/made';
import type { Assembly } from './assembly';
import { said, work } from './outcome';
import { within } from './shapes/within';
import { decidedWithoutSizes } from './decidedWithoutSizes';

const { swing } = crank.parameters;
const room = block.parameters['crankcase.swing'];
const spec = {
  id: 'room',
  name: 'Room',
  of: { mine: swing, room },
  found: (sizes: { readonly mine: ReturnType<typeof interval>; readonly room: ReturnType<typeof interval> }) =>
    minus(sizes.room, sizes.mine),
  required: () => ({ band: interval(1.5), atLeast: true }),
  subject: 'The room',
  tooLittle: 'it would strike',
  tooMuch: 'there is more than enough',
} as const;
const assembly = (sizes: { readonly swing?: number; readonly room?: number }): Assembly => ({
  parts: {
    crank: made('crank', sizes.swing === undefined ? {} : { swing: sizes.swing }),
    block: made('block', sizes.room === undefined ? {} : { 'crankcase.swing': sizes.room }),
  },
  replaced: {},
  stock: {},
  rules: {},
});

describe('a size that nobody measured', () => {
  const check = decidedWithoutSizes(within(spec));

  it('does not keep from refusing what no size of such a part would let pass', () => {
    // The least swing of any crank is more than a case of 10 mm holds.
    const outcome = check.judge(assembly({ room: swing.plausible.low - 1 }));
    expect(outcome.verdict).toBe('doesNotFit');
    expect(check.verdict?.(assembly({ room: swing.plausible.low - 1 }))).toBe('doesNotFit');
    expect(say(outcome.because, 'metric')).toContain('whatever this may be');
    expect(outcome.found).toBeUndefined();
  });

  it('leaves open what some size would let pass', () => {
    expect(check.judge(assembly({ room: swing.plausible.low + 2 })).verdict).toBe('cannotTell');
    expect(check.judge(assembly({})).verdict).toBe('cannotTell');
  });

  it('changes nothing where all is measured', () => {
    for (const sizes of [
      { swing: 80, room: 90 },
      { swing: 80, room: 81 },
    ])
      expect(check.judge(assembly(sizes))).toEqual(within(spec).judge(assembly(sizes)));
  });

  it('is waited for where work could mend it at any size, and refused where no work goes so far', () => {
    const takeAnother = work({ steps: ['takeAlong'], says: ['Take another.'] });
    const mended = (most: number) =>
      decidedWithoutSizes(within({ ...spec, mend: (_, { found }) => (found.high > -most ? [takeAnother] : []) }));
    const tight = assembly({ room: swing.plausible.low - 4 });
    expect(mended(1000).judge(tight).verdict).toBe('cannotTell');
    expect(mended(2).judge(tight).verdict).toBe('doesNotFit');
  });

  it('leaves a check alone that goes by none', () => {
    const told = { id: 'x', name: 'X', reads: [], verdicts: ['fits'], judge: () => said('fits', ['Yes.']) } as const;
    expect(decidedWithoutSizes(told)).toBe(told);
  });
});
