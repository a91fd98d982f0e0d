/** Whether parts go together. Best first; *cannot tell* is never counted as *fits*. */
export const VERDICTS = ['fits', 'fitsWithWork', 'cannotTell', 'doesNotFit'] as const;
export type Verdict = (typeof VERDICTS)[number];

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  fits: 'fits',
  fitsWithWork: 'fits with work',
  cannotTell: 'cannot tell',
  doesNotFit: 'does not fit',
};

/** A joint is as good as its worst check, an assembly as its worst joint. Nothing to judge is *cannot tell*. */
export function worst(verdicts: readonly Verdict[]): Verdict {
  if (verdicts.length === 0) return 'cannotTell';
  return VERDICTS[Math.max(...verdicts.map((verdict) => VERDICTS.indexOf(verdict)))] ?? 'cannotTell';
}
