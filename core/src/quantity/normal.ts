/**
 * The standard normal distribution function, P(Z <= z), through the complementary error function.
 *
 * The error function is the Chebyshev fit of W. H. Press et al., *Numerical Recipes in C* (2nd ed., section 6.2,
 * `erfcc`; coefficients from memory, checked in the tests against a reference library and the tables): fractional
 * error below 1.2e-7 everywhere, tails included.
 */
export function normalBelow(z: number): number {
  return 0.5 * erfc(-z / Math.SQRT2);
}

/** The complementary error function, 1 - erf(x). */
export function erfc(x: number): number {
  const t = 1 / (1 + 0.5 * Math.abs(x));
  const poly =
    -1.26551223 +
    t *
      (1.00002368 +
        t *
          (0.37409196 +
            t *
              (0.09678418 +
                t *
                  (-0.18628806 +
                    t * (0.27886807 + t * (-1.13520398 + t * (1.48851587 + t * (-0.82215223 + t * 0.17087277))))))));
  const tail = t * Math.exp(-x * x + poly);
  return x >= 0 ? tail : 2 - tail;
}

/**
 * Distribution function of a normal error of standard deviation `sigma` minus an exponential wear of mean `tau`:
 * P(noise - wear <= t). The exponentially modified normal distribution, mirrored
 * (E. Grushka, Analytical Chemistry 44 (1972) 1733, from memory).
 */
export function wornBelow(t: number, sigma: number, tau: number): number {
  const z = t / sigma;
  const ratio = sigma / tau;
  const lift = 0.5 * ratio * ratio + t / tau;
  // Far above, the product is exp(large) * tiny: it has long gone to nothing.
  const tail = lift > 300 ? 0 : Math.exp(lift) * normalBelow(-z - ratio);
  return normalBelow(z) + tail;
}
