import { piecesFor, type PlacedInBuild } from '../build/index.js';
import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Part } from '../catalogue/part.js';
import { fastener } from '../dictionary/kinds/fastener.js';
import { FITTED_NEW } from '../dictionary/dictionary.js';
import { orderOfSlot } from '../dictionary/slots.js';
import type { OrderLine } from '../job/job.js';
import type { Sentence } from '../quantity/sentence.js';
import { companionsOf } from './companions.js';
import { CONSUMABLES } from './consumables.js';
import { openOf, otherSize, sayStep } from './inSize.js';
import type { Need, OrderAsked, Wanted } from './need.js';
import { numbersToOrder } from './numbers.js';
import { isSameSize, sizeToOrder } from './serviceSize.js';
import { shellsOf } from './shells.js';

/** Everything that a build needs and that is not at hand, in the order of assembly. */
export function orderListOf(asked: OrderAsked): readonly Need[] {
  const { engine, catalogue } = asked;
  const places = placesOf(asked);
  const wanted = [
    ...places,
    ...companionsOf(asked, places),
    ...CONSUMABLES.filter(({ arises }) => arises?.(engine) ?? true).map(({ id, name, because, quantity }): Wanted => ({
      id,
      group: 'consumable',
      name,
      at: [],
      quantity: quantity(engine),
      by: 'piece',
      because: [because],
      open: [],
    })),
  ];
  const orders = asked.job?.orders ?? [];
  const known = new Set(wanted.map(({ id }) => id));
  return [
    ...wanted.map((want) => withStock(want, asked, orders)),
    // What was ordered for something that is needed no more is not forgotten, nor what was put down by hand.
    ...noLongerNeeded(orders, known, catalogue),
  ];
}

function placesOf(asked: OrderAsked): readonly Wanted[] {
  const { engine, atHand, shells } = asked;
  const specimenAt = ({ slot, at }: PlacedInBuild): boolean =>
    engine.build.places.some((place) => place.slot === slot && place.at === at && place.specimen !== undefined);
  const seen = new Map<string, Wanted>();
  const put = (want: Wanted): void => {
    const same = seen.get(want.id);
    seen.set(want.id, same ? { ...want, at: [...same.at, ...want.at], quantity: same.quantity + want.quantity } : want);
  };
  for (const placed of engine.parts) {
    const { slot, part, taken, at } = placed;
    if (specimenAt(placed) || part.pattern === undefined) continue;
    if (part.kind === 'mainShell' || part.kind === 'rodShell') continue;
    const anew = FITTED_NEW.includes(part.kind) || stretches(part);
    // What lies in the job and nobody has put into the build is at hand all the same.
    if (taken && !anew && atHand.has(part.kind)) continue;
    const several = engine.parts.filter((each) => each.slot === slot && each.at !== undefined).length;
    const whole = piecesFor(engine, slot, part);
    const quantity = at === undefined ? whole.quantity - (taken ? 0 : Math.min(several, whole.quantity - 1)) : 1;
    if (quantity <= 0) continue;
    const size = sizeToOrder(engine, part, at);
    put({
      id: [slot, part.pattern, size?.step ? size.step.toFixed(2) : ''].filter((each) => each !== '').join(' '),
      group: taken ? (anew ? 'anew' : 'unaccounted') : 'chosen',
      slot,
      kind: part.kind,
      pattern: part.pattern,
      name: part.label,
      at: at === undefined ? [] : [at],
      quantity,
      by: whole.by,
      ...(size?.step ? { size: sayStep(size), step: size.step } : {}),
      because: taken
        ? anew
          ? ['Goes in new whenever the engine has been apart.']
          : [
              'The engine has one, and nobody has said where it comes from: read the part, choose one in the build, or order it.',
            ]
        : ['Chosen in the build.'],
      open: [...openOf(size, whole.open), ...otherSize(engine, placed, size)],
    });
  }
  for (const slot of ['mainShell', 'rodShell'] as const)
    for (const want of shellsOf(asked, slot, shells[slot])) put(want);
  return [...seen.values()].sort((a, b) => orderOf(a) - orderOf(b));
}

const orderOf = ({ slot = '' }: Wanted): number => orderOfSlot(slot);

/** Bolts that stretch are used once. */
const stretches = ({ kind, looks }: Part): boolean =>
  kind === 'fastener' && looks[fastener.features.reuse.id]?.option === 'once';

/** Lines that hold something of a need: what came wrong or went back is needed anew. */
const counts = (line: OrderLine): boolean => line.state === 'ordered' || line.state === 'received';
const sum = (lines: readonly OrderLine[]): number => lines.reduce((so, { quantity }) => so + quantity, 0);

function withStock(want: Wanted, { catalogue, shelf }: OrderAsked, orders: readonly OrderLine[]): Need {
  const lines = orders.filter((line) => line.need === want.id && counts(line));
  const pattern = want.pattern === undefined ? undefined : catalogue.pattern(want.pattern);
  const own = shelf.filter((each) => each.pattern === want.pattern && isSameSize(each.step, want.step ?? 0));
  const reserved = Math.min(want.quantity, own.filter((each) => each.reserved).length);
  const received = sum(lines.filter(({ state }) => state === 'received'));
  const ordered = sum(lines) - received;
  const numbers = pattern ? numbersToOrder(catalogue, pattern.id) : [];
  return {
    ...want,
    open: [
      ...want.open,
      ...(pattern && numbers.length === 0 ? [['No number is on record to order it by.'] as Sentence] : []),
      ...(numbers.length > 0 && numbers.every(({ circle }) => circle)
        ? [
            [
              'The records replace its numbers in a circle: none can be ordered. Mend them in the catalogue.',
            ] as Sentence,
          ]
        : []),
    ],
    numbers,
    ...(pattern?.price === undefined ? {} : { price: pattern.price }),
    ...(pattern?.pieces === undefined ? {} : { pieces: pattern.pieces }),
    shelf: own.map(({ specimen }) => specimen),
    reserved,
    ordered,
    received,
    left: Math.max(0, want.quantity - reserved - ordered - received),
  };
}

/** What somebody puts on the list himself is called so, with an id of its own after it. */
export const BY_HAND = 'hand ';

function noLongerNeeded(
  orders: readonly OrderLine[],
  known: ReadonlySet<string>,
  catalogue: CatalogueLookup,
): readonly Need[] {
  const gone = new Map<string, OrderLine[]>();
  for (const line of orders) if (!known.has(line.need)) gone.set(line.need, [...(gone.get(line.need) ?? []), line]);
  return [...gone].map(([need, lines]): Need => {
    const held = lines.filter(counts);
    const [first] = lines;
    // The line that was put down says how many are wanted; those after it, what became of them.
    const byHand = need.startsWith(BY_HAND)
      ? ((lines.find(({ id }) => need === BY_HAND + id) ?? first)?.quantity ?? 0)
      : 0;
    const isGone = first?.pattern !== undefined && !catalogue.pattern(first.pattern);
    return {
      id: need,
      group: 'other',
      ...(first?.pattern === undefined ? {} : { pattern: first.pattern }),
      name: first?.name ?? need,
      at: [],
      quantity: byHand,
      by: 'piece',
      because: [
        isGone
          ? 'It was ordered, and its pattern is not in the catalogue any more.'
          : byHand > 0
            ? 'It was put on the list by hand.'
            : held.length > 0
              ? 'It was ordered, and the build does not need it any more: send it back, or put it on the shelf.'
              : 'It is on the list, and the build does not need it any more.',
      ],
      open: [],
      numbers: first?.pattern === undefined ? [] : numbersToOrder(catalogue, first.pattern),
      shelf: [],
      reserved: 0,
      ordered: sum(held.filter(({ state }) => state === 'ordered')),
      received: sum(held.filter(({ state }) => state === 'received')),
      left: Math.max(0, byHand - sum(held)),
    };
  });
}
