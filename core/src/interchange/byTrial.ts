import { featureOf, isIdOf, parameterOf } from '../dictionary/dictionary.js';
import { interval, middle, plus, width, type Interval } from '../quantity/interval.js';
import { isOverStack, kindOf, verdictOfCheck, withPart, type Assembly, type JointCheck } from '../joints/index.js';

/** What is left of a size is not looked at closer than to this share of it, and is given so much more either way. */
const CLOSE = 0.001;

/** After so many trials nothing is going to come of it. */
const MOST_TRIALS = 120;

/**
 * What a size or a look must be for a check to pass as it is, found by trying: of a size, all that such a part can have
 * is halved again and again, and each half dropped that is refused, or wants work, from end to end. Nothing where too
 * little else is known for the check to refuse anything.
 *
 * @param assembly parts that are known to go together as they are, one of which lacks it
 */
export function impliedByTrial(
  check: JointCheck,
  id: string,
  assembly: Assembly,
): Interval | readonly string[] | undefined {
  if (isIdOf('feature', id)) return optionsLeft(check, id, assembly);
  if (!isIdOf('parameter', id)) return undefined;
  if (isOverStack(check)) return undefined;
  const { plausible, instruments } = parameterOf(id);
  const part = assembly.parts[kindOf(id)];
  // What is specified by a maker is for others to be held to.
  if (!part || instruments[0] === 'sheet') return undefined;
  const passes = (size: Interval): boolean => {
    const value = { interval: size, source: 'identified' as const };
    const verdict = verdictOfCheck(check, withPart(assembly, { ...part, values: { ...part.values, [id]: value } }));
    return verdict === 'fits' || verdict === 'cannotTell';
  };
  // Where both ends pass, all there is between them is left, and nothing was found out.
  if (passes(interval(plausible.low)) && passes(interval(plausible.high))) return undefined;
  const open: Interval[] = [plausible];
  const kept: Interval[] = [];
  for (let trials = 0; open.length > 0; trials++) {
    const each = open.pop();
    if (!each) break;
    if (trials > MOST_TRIALS) return undefined;
    if (!passes(each)) continue;
    if (width(each) <= CLOSE * each.high) kept.push(each);
    else open.push(interval(each.low, middle(each)), interval(middle(each), each.high));
  }
  if (kept.length === 0) return undefined;
  const all = interval(Math.min(...kept.map(({ low }) => low)), Math.max(...kept.map(({ high }) => high)));
  const more = CLOSE * all.high;
  return plus(all, interval(-more, more));
}

/** Of all that a look can be, what passes as it is; nothing where all does. */
function optionsLeft(check: JointCheck, id: string, assembly: Assembly): readonly string[] | undefined {
  const { form } = featureOf(id);
  const part = assembly.parts[kindOf(id)];
  if (!part || !('options' in form)) return undefined;
  const left = form.options
    .map(({ id: option }) => option)
    .filter((option) => {
      const looks = { ...part.looks, [id]: { option, source: 'identified' as const } };
      const verdict = verdictOfCheck(check, withPart(assembly, { ...part, looks }));
      return verdict === 'fits' || verdict === 'cannotTell';
    });
  return left.length > 0 && left.length < form.options.length ? left : undefined;
}
