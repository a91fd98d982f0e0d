import { readFile } from 'node:fs/promises';
import { random } from './random.mjs';

/**
 * Patterns of one kind made up from the demo's: families of a few sizes, as makers have them, so that sizes are shared
 * between patterns and numbers mostly are not.
 */
export async function madeUpParts(kind, count, seed = 1) {
  const demo = JSON.parse(await readFile(new URL('../demo-data/catalogue.json', import.meta.url), 'utf8'));
  const models = demo.patterns.filter((pattern) => pattern.kind === kind);
  const next = random(seed);
  const pick = (from) => from[Math.floor(next() * from.length)];
  const figure = (value, unit) => value.toFixed(unit === 'in' ? 4 : 3);
  const patterns = [];
  let scale = 1;
  for (let at = 0; at < count; at++) {
    // A dozen variants share a family's journals; stroke and marks are each one's own.
    if (at % 12 === 0) scale = 0.6 + Math.round(next() * 900) / 1000;
    const model = pick(models);
    const own = 0.9 + Math.round(next() * 40) / 200;
    const dimensions = Object.fromEntries(
      Object.entries(model.dimensions).map(([id, { low, high, unit }]) => {
        const by = id === 'crank.stroke' ? scale * own : scale;
        const spread = Number(high) - Number(low);
        return [id, { low: figure(Number(low) * by, unit), high: figure(Number(low) * by + spread, unit), unit }];
      }),
    );
    const number = String(Math.floor(next() * 1e6)).padStart(6, '0');
    patterns.push({
      ...model,
      id: `made-up-${at}`,
      dimensions,
      marks: [{ text: number.slice(0, 5), making: 'cast', place: 'crank.web' }],
      numbers: [{ number: `MU-${number}` }],
    });
  }
  return patterns;
}
