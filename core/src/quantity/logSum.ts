/** ln of the sum of numbers given by their logarithms, without leaving the range of a double; -Infinity of none. */
export function logSum(logs: readonly number[]): number {
  // Not by spreading them: there may be as many as a catalogue has patterns.
  const top = logs.reduce((most, log) => Math.max(most, log), -Infinity);
  if (top === -Infinity) return -Infinity;
  return top + Math.log(logs.reduce((sum, log) => sum + Math.exp(log - top), 0));
}

/** ln of their mean. */
export const logMean = (logs: readonly number[]): number => logSum(logs) - Math.log(logs.length);
