/** One answer with how sure it was, and whether it was right. */
export interface Answer {
  readonly probability: number;
  readonly right: boolean;
}

/** The answers of one tenth of sureness. */
interface Band {
  /** From here to a tenth above. */
  readonly from: number;
  readonly count: number;
  readonly right: number;
  /** Mean of what was said. */
  readonly said: number;
  /** Two standard errors of the share that is right, were it as often right as is said. */
  readonly within: number;
  /** Between which the share that is right lies with 95 %, from what was seen; 0 and 1 where nothing was. */
  readonly low: number;
  readonly high: number;
}

/**
 * Answers by tenths of sureness: of a calibrated judge each tenth is right as often as it says (A. P. Dawid, J. Am.
 * Stat. Assoc. 77 (1982) 605).
 */
export function bandsOf(answers: readonly Answer[]): Band[] {
  return Array.from({ length: 10 }, (_, tenth): Band => {
    const inside = answers.filter(({ probability }) => Math.min(9, Math.floor(probability * 10)) === tenth);
    const count = inside.length;
    const right = inside.filter((each) => each.right).length;
    const said = inside.reduce((sum, { probability }) => sum + probability, 0) / Math.max(1, count);
    const within = 2 * Math.sqrt((said * (1 - said)) / Math.max(1, count));
    return { from: tenth / 10, count, right, said, within, ...shareBetween(right, count) };
  });
}

/**
 * Mean squared distance of what was said from what was so (G. W. Brier, Mon. Weather Rev. 78 (1950) 1); 0 is perfect.
 */
export const brier = (answers: readonly Answer[]): number =>
  answers.reduce((sum, { probability, right }) => sum + (probability - (right ? 1 : 0)) ** 2, 0) /
  Math.max(1, answers.length);

/** The standard normal deviate that 95 % lie within. */
const Z = 1.96;

/**
 * Between which a share lies with 95 %, from how many of how many were seen. Wide while they are few (the score
 * interval of E. B. Wilson, J. Am. Stat. Assoc. 22 (1927) 209).
 */
export function shareBetween(seen: number, count: number): { readonly low: number; readonly high: number } {
  if (count === 0) return { low: 0, high: 1 };
  const [share, z2] = [seen / count, Z * Z];
  const middle = (share + z2 / (2 * count)) / (1 + z2 / count);
  const half = (Z / (1 + z2 / count)) * Math.sqrt((share * (1 - share)) / count + z2 / (4 * count * count));
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/** Mean and standard error of the Brier score of some answers; no error where fewer than two were given. */
export function brierBetween(answers: readonly Answer[]): { readonly score: number; readonly error: number } {
  const score = brier(answers);
  const squares = answers.reduce(
    (sum, { probability, right }) => sum + ((probability - (right ? 1 : 0)) ** 2 - score) ** 2,
    0,
  );
  const count = answers.length;
  return { score, error: count < 2 ? 0 : Math.sqrt(squares / (count - 1) / count) };
}
