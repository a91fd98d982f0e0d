/**
 * One place in a reading of a mark: the characters it may be. One character: read plainly. Several: the reader
 * wavers, `[B8]`. None: unreadable, `?`.
 */
export type MarkPosition = readonly string[];

/** A mark as it stands in the catalogue: upper case, without the spaces, dashes, dots and slashes people put in. */
export function normaliseMark(text: string): string {
  return text.toUpperCase().replace(/[\s\-–—._/]/g, '');
}

/** A problem in what somebody wrote for a mark. `at` counts characters from 0. */
export class MarkTextError extends Error {
  constructor(
    message: string,
    readonly at: number,
  ) {
    super(message);
    this.name = 'MarkTextError';
  }
}

export const LONGEST_MARK = 40;

/**
 * Reads a mark with its doubts: `41?7`, `4[B8]27`, `BS-4127`.
 * Throws a MarkTextError on an open bracket, an empty mark or one over forty characters.
 */
export function readMark(text: string): MarkPosition[] {
  const positions: MarkPosition[] = [];
  const upper = text.toUpperCase();
  for (let at = 0; at < upper.length; at++) {
    const character = upper.charAt(at);
    if (/[\s\-–—._/]/.test(character)) continue;
    if (character === '?') positions.push([]);
    else if (character === '[') {
      const end = upper.indexOf(']', at);
      if (end < 0)
        throw new MarkTextError('The bracket of the doubtful character is not closed: write it like [B8].', at);
      const choices = [...new Set(normaliseMark(upper.slice(at + 1, end)))].filter((each) => each !== '?');
      positions.push(choices);
      at = end;
    } else if (character !== ']') positions.push([character]);
  }
  if (!positions.some((position) => position.length > 0)) {
    throw new MarkTextError('A mark needs at least one character that can be read.', 0);
  }
  if (positions.length > LONGEST_MARK)
    throw new MarkTextError(`A mark has at most ${LONGEST_MARK} characters.`, LONGEST_MARK);
  return positions;
}
