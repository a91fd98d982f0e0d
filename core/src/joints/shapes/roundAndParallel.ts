import type { Part, Value } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { capital } from '../../quantity/phrase.js';
import { band, sentence, value as figure } from '../../quantity/sentence.js';
import { interval, type Interval } from '../../quantity/interval.js';
import { cite, limitOf, type LimitOfThumb } from '../../thumb/index.js';
import { kindOf, valueOf, type Assembly } from '../assembly.js';
import { WORK_MAY_HELP, type JointCheck } from '../check.js';
import { hold, mended, said, type Offer, type Outcome } from '../outcome.js';
import { PLACES } from './within.js';

/** How a bore or a journal may lack form, and how it is said of it. */
const LACKS = { outOfRound: 'out of round', taper: 'tapered' } as const;
type Lack = keyof typeof LACKS;

interface RoundSpec {
  readonly id: string;
  readonly name: string;
  readonly of: Parameter;
  readonly most: Readonly<Record<Lack, LimitOfThumb>>;
  /** Ids that what mends it goes by besides. */
  readonly also?: readonly string[];
  /** What brings it right, from what it is like at its worst. */
  readonly mend: (assembly: Assembly, part: Part, now: Interval) => readonly Offer[];
}

/**
 * A bore or a journal that was measured in more than one direction or height is round and parallel enough. It comes up
 * only where somebody measured so: from one figure nobody can tell.
 */
export function roundAndParallel({ id, name, of, most, also = [], mend }: RoundSpec): JointCheck {
  return {
    id,
    name,
    confirming: true,
    reads: [of.id, ...also],
    verdicts: WORK_MAY_HELP,
    judge: (assembly) => {
      const part = assembly.parts[kindOf(of.id)];
      const value = valueOf(assembly, of);
      const found = value && worstLack(value, (lack) => limitOf(most[lack], assembly.rules));
      if (!part || !found)
        return said('fits', ['It was not measured in two directions or heights.'], { arises: false });
      const { lack, held, by, limit } = found;
      const place = placeOf(value, lack, by);
      const where = place === undefined ? `The ${of.name.toLowerCase()}` : capital(`${PLACES[of.per]} ${place}`);
      const outcome: Outcome = {
        ...held,
        quantity: 'length',
        found: by,
        required: interval(0, limit),
        ruleOfThumb: cite(most[lack], assembly.rules),
        because: sentence`${where} is ${band(by)} ${LACKS[lack]}, ${figure(limit)} at the most.`,
        work: [],
        needs: held.verdict === 'cannotTell' ? [of.id] : [],
      };
      return mended(outcome, held.verdict === 'doesNotFit' ? mend(assembly, part, value.interval) : [], assembly.rules);
    },
  };
}

interface Lacking {
  readonly lack: Lack;
  readonly by: Interval;
  readonly limit: number;
  readonly held: ReturnType<typeof hold>;
}

/** In what it is worst; nothing where neither was measured. */
function worstLack(value: Value, limitFor: (lack: Lack) => number): Lacking | undefined {
  const lacks = (['outOfRound', 'taper'] as const).flatMap((lack): readonly Lacking[] => {
    const by = value[lack];
    const limit = limitFor(lack);
    return by ? [{ lack, by, limit, held: hold(by, interval(0, limit)) }] : [];
  });
  const worse = (a: Lacking, b: Lacking) => a.limit - a.by.high - (b.limit - b.by.high);
  return [...lacks].sort(worse)[0];
}

/** The place of several where it is so. */
const placeOf = ({ at = [] }: Value, lack: Lack, by: Interval): number | undefined =>
  at.find((each) => each[lack] === by)?.position;
