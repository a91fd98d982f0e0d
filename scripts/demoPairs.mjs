/**
 * node scripts/demoPairs.mjs: brings core/src/testing/demoPairs.json up to the demo data. Rows that still hold are
 * kept; for every joint, check and verdict that has none, a pair of the demo is looked for. Build the core first, and
 * read what it adds: the words are what a practitioner is told.
 */
import { readFile, writeFile } from 'node:fs/promises';
import {
  CatalogueLookup,
  DONOR_KINDS,
  JOINTS,
  judgeSwap,
  record,
  recipientsFor,
  say,
  swapContextOf,
} from '@which-bore/core';

const json = async (path) => JSON.parse(await readFile(new URL(path, import.meta.url), 'utf8'));
const lookup = new CatalogueLookup(await json('../demo-data/catalogue.json'));
const { specimens } = await json('../demo-data/specimens.json');
const context = swapContextOf(lookup);
const file = new URL('../core/src/testing/demoPairs.json', import.meta.url);
const before = JSON.parse(await readFile(file, 'utf8'));

/**
 * How a party is written in a row: a pattern's id, variant:id, or specimen:name, with =pattern where it is taken for
 * one.
 */
function partOrEngine(text) {
  const [sort, rest] = text.split(':');
  if (sort === 'variant') return { variant: rest };
  if (sort !== 'specimen') return { pattern: text };
  const [name, as] = rest.split('=');
  return { specimen: specimens.find((each) => each.name === name), ...(as ? { as } : {}) };
}

function judged(donor, recipient) {
  try {
    const { swap } = judgeSwap(lookup, [partOrEngine(donor)], partOrEngine(recipient), context);
    return swap.joints.flatMap((joint) =>
      joint.checks.map((check) => ({ joint: joint.id, check: check.id, ...check })),
    );
  } catch {
    return [];
  }
}

/** The longest piece of a sentence without a figure or a name in it. */
function phrase(because, names) {
  const text = names.reduce((sofar, name) => sofar.replaceAll(name, '#'), say(because, 'metric'));
  const pieces = text.split(/[#:]|[-−]?\d[\d.,]*/).map((piece) => piece.replace(/^[^A-Za-z]+|[^A-Za-z]+$/g, ''));
  return pieces.sort((a, b) => b.length - a.length)[0] ?? '';
}

const wanted = new Map(
  [...JOINTS, record].flatMap((joint) =>
    joint.checks.flatMap(({ id, verdicts }) => verdicts.map((verdict) => [`${joint.id} ${id} ${verdict}`, undefined])),
  ),
);

for (const row of before) {
  const [joint, check, verdict, donor, recipient, says, work] = row;
  const holds = judged(donor, recipient).some(
    (each) =>
      each.joint === joint &&
      each.check === check &&
      each.verdict === verdict &&
      say(each.because, 'metric').includes(says) &&
      (!work || each.work[0]?.name === work),
  );
  if (holds && wanted.has(`${joint} ${check} ${verdict}`)) wanted.set(`${joint} ${check} ${verdict}`, row);
}

const open = () => [...wanted].filter(([, row]) => row === undefined).length;
function look(donor, recipient) {
  const names = [donor, recipient].flatMap((each) => (each.includes(':') ? [] : [lookup.label(each)]));
  for (const { joint, check, verdict, because, work } of judged(donor, recipient)) {
    const key = `${joint} ${check} ${verdict}`;
    if (wanted.has(key) && wanted.get(key) === undefined)
      wanted.set(key, [
        joint,
        check,
        verdict,
        donor,
        recipient,
        phrase(because, names),
        ...(work[0] ? [work[0].name] : []),
      ]);
  }
}
/** Every pair of what is asked of what it may be put to, until nothing is wanting. */
function lookAmong(kind, donors) {
  for (const donor of donors) {
    for (const recipient of recipientsFor(kind).flatMap((each) => lookup.ofKind(each)))
      if (open() > 0) look(donor, recipient.id);
    for (const variant of lookup.catalogue.variants) if (open() > 0) look(donor, `variant:${variant.id}`);
  }
}
for (const kind of DONOR_KINDS)
  lookAmong(
    kind,
    specimens.filter((each) => each.kind === kind).flatMap(({ name }) => [`specimen:${name}`]),
  );
for (const kind of DONOR_KINDS)
  lookAmong(
    kind,
    lookup.ofKind(kind).map(({ id }) => id),
  );
look('specimen:Head milled before=ambit-head-eleven', 'ambit-block-5-late');
look('skerry-liner-three', 'specimen:Skerry block, brass shims=skerry-block-4-late');
look('skerry-head-4-late', 'specimen:Skerry block decked before=skerry-block-4-late');

const rows = [...wanted]
  .flatMap(([, row]) => (row ? [row] : []))
  .sort((a, b) => `${a[0]} ${a[1]}`.localeCompare(`${b[0]} ${b[1]}`));
await writeFile(file, `[\n${rows.map((row) => `  ${JSON.stringify(row)}`).join(',\n')}\n]\n`);
for (const row of rows)
  if (!before.some((old) => JSON.stringify(old) === JSON.stringify(row))) console.log(JSON.stringify(row));
for (const [key, row] of wanted) if (!row) console.log(`no pair: ${key}`);
