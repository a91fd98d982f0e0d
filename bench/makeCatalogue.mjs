/**
 * Makes a catalogue of any size with the structure of the demo's: `node bench/makeCatalogue.mjs 100000 [seed]
 * >file.json`. Every copy of the demo is a world of its own: other sizes, other numbers and marks, with fitments,
 * companions and replaced numbers leading to each other as they do in the demo.
 */
import { readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { random } from './random.mjs';

const demo = JSON.parse(await readFile(new URL('../demo-data/catalogue.json', import.meta.url), 'utf8'));

/** Every digit of a number another one, the same way each time for the same copy. */
function renumbered(text, copy, seed) {
  let hash = (seed * 2654435761 + copy * 40503) >>> 0;
  for (let at = 0; at < text.length; at++) hash = (Math.imul(hash ^ text.charCodeAt(at), 16777619) + 97) >>> 0;
  const next = random(hash);
  return text.replace(/\d/g, () => String(Math.floor(next() * 10)));
}

const LENGTHS = new Set(['mm', 'in']);

function scaled(dimension, by) {
  if (!LENGTHS.has(dimension.unit)) return dimension;
  const places = (digits) => (digits.split('.')[1] ?? '').length;
  const low = (Number(dimension.low) * by).toFixed(places(dimension.low));
  const high = (Number(low) + (Number(dimension.high) - Number(dimension.low))).toFixed(places(dimension.high));
  const { wearLimit: _limit, ...rest } = dimension;
  return { ...rest, low, high };
}

/** The records of one copy, by type, in the order in which they may refer to each other. */
function copyOf(copy, seed) {
  const next = random(seed + copy * 7919);
  const by = 0.9 + Math.round(next() * 200) / 1000;
  const id = (old) => `${old}-x${copy}`;
  const dimensions = (of) =>
    Object.fromEntries(Object.entries(of).map(([key, dimension]) => [key, scaled(dimension, by)]));
  const number = (text) => renumbered(text, copy, seed);
  const values = (record) => {
    const { claims: _claims, ...rest } = record;
    return { ...rest, dimensions: dimensions(record.dimensions) };
  };
  return {
    maker: demo.makers.map((maker) => ({
      ...maker,
      id: id(maker.id),
      name: `${maker.name} ${copy}`,
      ...(maker.licensedFrom ? { licensedFrom: id(maker.licensedFrom) } : {}),
    })),
    family: demo.families.map((family) => ({ ...family, id: id(family.id), maker: id(family.maker) })),
    pattern: demo.patterns.map((pattern) => ({
      ...values(pattern),
      id: id(pattern.id),
      ...(pattern.family ? { family: id(pattern.family) } : {}),
      marks: pattern.marks.map((mark) => ({ ...mark, text: number(mark.text) })),
      numbers: pattern.numbers.map((each) => ({
        ...each,
        number: number(each.number),
        ...(each.maker ? { maker: id(each.maker) } : {}),
        ...(each.replacedBy ? { replacedBy: number(each.replacedBy) } : {}),
      })),
      ...(pattern.companions
        ? { companions: pattern.companions.map((each) => ({ ...each, pattern: id(each.pattern) })) }
        : {}),
    })),
    variant: demo.variants.map((variant) => ({
      ...values(variant),
      id: id(variant.id),
      family: id(variant.family),
      fitments: variant.fitments.map((fitment) => ({ ...fitment, pattern: id(fitment.pattern) })),
    })),
    scheme: [],
    swap: demo.swaps.map((swap) => ({
      ...swap,
      id: id(swap.id),
      donor: id(swap.donor),
      recipient: id(swap.recipient),
    })),
  };
}

/** The same as lists of records until there are `count` patterns. */
export function* madeUp(count, seed = 1) {
  for (let copy = 1, made = 0; made < count; copy++) {
    const records = copyOf(copy, seed);
    made += records.pattern.length;
    yield records;
  }
}

/** A made-up catalogue, whole. */
export function madeUpCatalogue(count, seed = 1) {
  const lists = { maker: [], family: [], pattern: [], variant: [], scheme: [], swap: [] };
  for (const records of madeUp(count, seed))
    for (const [type, list] of Object.entries(records)) lists[type].push(...list);
  const { maker, family, pattern, variant, scheme, swap } = lists;
  return {
    format: demo.format,
    version: demo.version,
    makers: maker,
    families: family,
    patterns: pattern,
    variants: variant,
    schemes: scheme,
    swaps: swap,
  };
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const [count, seed] = [Number(process.argv[2] ?? 1000), Number(process.argv[3] ?? 1)];
  const write = (text) => process.stdout.write(text) || new Promise((resolve) => process.stdout.once('drain', resolve));
  await write(`{\n"format": "${demo.format}",\n"version": ${demo.version}`);
  // List by list, so that no more than one copy is ever held.
  for (const [type, list] of [
    ['maker', 'makers'],
    ['family', 'families'],
    ['pattern', 'patterns'],
    ['variant', 'variants'],
    ['scheme', 'schemes'],
    ['swap', 'swaps'],
  ]) {
    await write(`,\n"${list}": [`);
    let before = '\n';
    for (const records of madeUp(count, seed))
      for (const record of records[type]) {
        await write(before + JSON.stringify(record));
        before = ',\n';
      }
    await write(']');
  }
  await write('\n}\n');
}
