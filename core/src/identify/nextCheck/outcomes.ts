/** What a check can come to: P(outcome | hypothesis), a row a hypothesis, each row adding up to one. */
export interface Outcomes {
  readonly count: number;
  readonly chances: readonly Float64Array[];
}

/** Entropy of a distribution, in bits (C. E. Shannon, Bell Syst. Tech. J. 27 (1948) 379). */
export function entropy(weights: Float64Array): number {
  let sum = 0;
  for (const weight of weights) if (weight > 0) sum -= weight * Math.log2(weight);
  return sum;
}

/** P(outcome), over the hypotheses. */
export function likelihoodOf({ count, chances }: Outcomes, weights: Float64Array): Float64Array {
  const total = new Float64Array(count);
  chances.forEach((row, at) => {
    const weight = weights[at] ?? 0;
    for (let outcome = 0; outcome < count; outcome++)
      total[outcome] = (total[outcome] as number) + weight * (row[outcome] as number);
  });
  return total;
}

/** The hypotheses after an outcome, by Bayes' rule. */
export function after({ chances }: Outcomes, weights: Float64Array, outcome: number): Float64Array {
  const next = weights.map((weight, at) => weight * (chances[at]?.[outcome] ?? 0));
  const sum = next.reduce((total, each) => total + each, 0);
  return sum > 0 ? next.map((each) => each / sum) : weights;
}

interface Gain {
  /** Expected drop in entropy, bits: the mutual information of hypothesis and outcome. */
  readonly bits: number;
  /** Chance that one hypothesis stands at `settledFrom` or above afterwards. */
  readonly settles: number;
}

/**
 * What a check is worth before it is made (D. V. Lindley, Ann. Math. Stat. 27 (1956) 986: the expected information of
 * an experiment).
 */
export function gainOf(outcomes: Outcomes, weights: Float64Array, settledFrom: number): Gain {
  const total = likelihoodOf(outcomes, weights);
  let bits = 0;
  let settles = 0;
  for (let outcome = 0; outcome < outcomes.count; outcome++) {
    const chance = total[outcome] as number;
    if (chance <= 0) continue;
    let most = 0;
    outcomes.chances.forEach((row, at) => {
      const joint = (weights[at] as number) * (row[outcome] as number);
      if (joint <= 0) return;
      bits += joint * Math.log2((row[outcome] as number) / chance);
      if (joint > most) most = joint;
    });
    if (most / chance >= settledFrom) settles += chance;
  }
  return { bits: Math.max(0, bits), settles };
}
