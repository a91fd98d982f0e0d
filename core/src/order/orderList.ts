import type { BuildEngine, PlacedInBuild } from '../build/index.js';
import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Part } from '../catalogue/part.js';
import { COMPANION_SAYS } from '../catalogue/pattern.js';
import type { KindId } from '../dictionary/dictionary.js';
import { engineVariant } from '../dictionary/index.js';
import { block } from '../dictionary/kinds/block.js';
import { fastener } from '../dictionary/kinds/fastener.js';
import { head } from '../dictionary/kinds/head.js';
import { SLOTS, slotOf } from '../dictionary/slots.js';
import { slotFor } from '../interchange/placedParts.js';
import type { ShellFound } from '../fit/index.js';
import { CHOSEN_ANEW } from '../interchange/stocked.js';
import { countsIn, piecesOf } from '../joints/index.js';
import type { Job, OrderLine } from '../job/job.js';
import { sentence, value, type Sentence } from '../quantity/sentence.js';
import { toInside } from '../quantity/unit.js';
import { CONSUMABLES } from './consumables.js';
import { numbersToOrder, type NumberToOrder } from './numbers.js';
import { isSameSize, sizeToOrder, type SizeToOrder } from './serviceSize.js';

/** How what is needed is counted. */
export type SoldBy = 'piece' | 'pair' | 'set';

/** Something that must be there before the engine can be put together. */
export interface Need {
  /** Stays the same as long as what is needed does. */
  readonly id: string;
  /** Why it stands on the list. */
  readonly group: 'chosen' | 'anew' | 'companion' | 'consumable' | 'unaccounted' | 'other';
  readonly slot?: string;
  readonly kind?: KindId;
  readonly pattern?: string;
  readonly name: string;
  /** Which cylinders, mains or crankpins it is for; empty where it is for all. */
  readonly at: readonly number[];
  readonly quantity: number;
  readonly by: SoldBy;
  /** How many the maker sells together. */
  readonly pieces?: number;
  readonly size?: Sentence;
  /** The same, from standard, signed, millimetres. */
  readonly step?: number;
  readonly because: Sentence;
  /** What must be known before it may be ordered. */
  readonly open: readonly Sentence[];
  readonly numbers: readonly NumberToOrder[];
  /** Of one of what is counted, by the catalogue, in the shop's money. */
  readonly price?: number;
  /** Specimens of the shelf that are this. */
  readonly shelf: readonly string[];
  /** How many are put aside from the shelf, are ordered, and have come. */
  readonly reserved: number;
  readonly ordered: number;
  readonly received: number;
  /** How many are still to be ordered. */
  readonly left: number;
}

/** A part on the shelf, by what it is taken for. */
export interface OnShelf {
  readonly specimen: string;
  readonly pattern: string;
  /** The size it is in, from standard, signed, millimetres. */
  readonly step: number;
  /** It is put aside for this job. */
  readonly reserved?: boolean;
}

interface OrderAsked {
  readonly engine: BuildEngine;
  readonly catalogue: CatalogueLookup;
  readonly job?: Pick<Job, 'orders'>;
  /** Kinds of which a part lies in the job: of what nobody chose in the build these are at hand. */
  readonly atHand: ReadonlySet<KindId>;
  readonly shells: Readonly<Partial<Record<'mainShell' | 'rodShell', readonly ShellFound[]>>>;
  readonly shelf: readonly OnShelf[];
}

/** What is needed, before it is known what of it there is. */
type Wanted = Omit<Need, 'shelf' | 'reserved' | 'ordered' | 'received' | 'left' | 'numbers' | 'price' | 'pieces'>;

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
    const anew = CHOSEN_ANEW.includes(part.kind) || stretches(part);
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

const orderOf = ({ slot }: Wanted): number => SLOTS.findIndex(({ id }) => id === slot);

/** Bolts that stretch are used once. */
const stretches = ({ kind, looks }: Part): boolean =>
  kind === 'fastener' && looks[fastener.features.reuse.id]?.option === 'once';

/** How many of a part an engine takes, and how they are counted. */
function piecesFor(
  engine: BuildEngine,
  slot: string,
  part: Part,
): { readonly quantity: number; readonly by: SoldBy; readonly open?: Sentence } {
  if (part.kind === 'fastener') {
    const bolts = boltsOf(engine, slot);
    return bolts === undefined
      ? { quantity: 1, by: 'set', open: ['How many there are is not known: count the holes before you order.'] }
      : { quantity: bolts, by: 'piece' };
  }
  const quantity =
    piecesOf(part.kind, countsIn(engine.assembly())) * (PER_BANK.includes(part.kind) ? banks(engine) : 1);
  return { quantity, by: quantity === 1 && SETS.includes(part.kind) ? 'set' : 'piece' };
}

/** Each bank has its own. */
const PER_BANK: readonly KindId[] = ['head', 'headGasket'];

const banks = (engine: BuildEngine): number =>
  ['vee', 'flat'].includes(engine.look(engineVariant.features.layout.id) ?? '') ? 2 : 1;

/** How many bolts go into one place; undefined where nobody has counted. */
function boltsOf(engine: BuildEngine, slot: string): number | undefined {
  const look = (id: string): number => Number(engine.look(id) ?? Number.NaN);
  const all =
    slot === 'headBolt'
      ? look(head.features.bolts.id) * banks(engine)
      : slot === 'mainBolt'
        ? look(block.features.capBolts.id) * engine.count('main')
        : slot === 'rodBolt'
          ? BOLTS_A_ROD * engine.count('cylinder')
          : Number.NaN;
  return Number.isInteger(all) && all > 0 ? all : undefined;
}

/** A cap is held by two. *Common practice, no source.* */
const BOLTS_A_ROD = 2;

const SETS: readonly KindId[] = ['rings', 'thrustWasher', 'mainShell', 'rodShell'];

const openOf = (size: SizeToOrder | undefined, more?: Sentence): readonly Sentence[] => [
  ...(size?.between === undefined
    ? []
    : [
        sentence`The engine is ${value(Math.abs(size.between))} ${size.between > 0 ? 'over' : 'under'} standard there, and no service size comes near: nothing is made to fit.`,
      ]),
  ...(more ? [more] : []),
];

/** A build that takes another size than its own cylinders ask for. */
function otherSize(
  engine: BuildEngine,
  { slot, at, taken }: PlacedInBuild,
  size: SizeToOrder | undefined,
): readonly Sentence[] {
  const place = engine.build.places.find((each) => each.slot === slot && each.at === at);
  const own = place?.size ? toInside(place.size.value, place.size.unit) : 0;
  if (taken || !size || size.between !== undefined || isSameSize(own, size.step)) return [];
  return [
    sentence`The build takes it ${own === 0 ? 'at standard' : sentence`${value(Math.abs(own))} ${own > 0 ? 'over' : 'under'} standard`}; say in the build which size is bought.`,
  ];
}

const sayStep = ({ step }: SizeToOrder): Sentence =>
  sentence`${value(Math.abs(step))} ${step > 0 ? 'over standard' : 'under standard'}`;

/** Shells place by place, where fitting could tell them; a set for all where a build names one. */
function shellsOf(
  { engine, catalogue }: OrderAsked,
  slot: 'mainShell' | 'rodShell',
  found: readonly ShellFound[] | undefined,
): readonly Wanted[] {
  const row = slot === 'mainShell' ? 'main' : 'cylinder';
  const placed = engine.parts.filter((each) => each.slot === slot);
  const chosen = placed.filter(({ taken }) => !taken);
  if (engine.build.places.some((place) => place.slot === slot && place.specimen !== undefined)) return [];
  const named = slotOf(slot)?.name ?? slot;
  // Where neither mark nor measure tells any, it is as the engine has it.
  if (chosen.length === 0 && found?.some(({ patterns, open }) => patterns.length > 0 || open)) {
    return found.flatMap(({ position, patterns, open }): readonly Wanted[] => {
      const base = { group: 'anew' as const, slot, kind: slot, at: [position], by: 'pair' as const };
      if (patterns.length === 0 || open)
        return [
          {
            ...base,
            id: `${slot} ${position}`,
            name: named,
            quantity: 1,
            because: ['New shells go in whenever the engine has been apart.'],
            open: [open ?? ['Which one cannot be told yet: measure housing and journal.']],
          },
        ];
      return patterns.map((pattern) => ({
        ...base,
        id: `${slot} ${pattern}`,
        pattern,
        name: catalogue.label(pattern),
        // Two halves of two: half a pair of each, which nobody sells.
        quantity: 1,
        because: ['As fitting chose, place by place.'],
        open: [],
      }));
    });
  }
  const worn = engine.part('crank')?.part;
  if (placed.length === 0 && worn && runsInShells(engine, slot)) {
    const size = sizeToOrder(engine, { ...worn, kind: slot });
    return [
      {
        id: [slot, size?.step ? size.step.toFixed(2) : ''].filter((each) => each !== '').join(' '),
        group: 'anew',
        slot,
        kind: slot,
        name: named,
        at: [],
        quantity: 1,
        by: 'set',
        ...(size?.step ? { size: sayStep(size), step: size.step } : {}),
        because: ['New shells go in whenever the engine has been apart.'],
        open: [...openOf(size), ['Which of several alike is chosen by what the journals measure when they come back.']],
      },
    ];
  }
  return placed
    .filter(({ part }) => part.pattern !== undefined)
    .map(({ part, taken, at }): Wanted => {
      const size = sizeToOrder(engine, part, row === 'main' ? at : undefined);
      return {
        id: [slot, part.pattern ?? '', size?.step ? size.step.toFixed(2) : ''].filter((each) => each !== '').join(' '),
        group: taken ? 'anew' : 'chosen',
        slot,
        kind: slot,
        ...(part.pattern === undefined ? {} : { pattern: part.pattern }),
        name: part.label,
        at: at === undefined ? [] : [at],
        quantity: 1,
        by: at === undefined ? 'set' : 'pair',
        ...(size?.step ? { size: sayStep(size), step: size.step } : {}),
        because: [taken ? 'New shells go in whenever the engine has been apart.' : 'Chosen in the build.'],
        open: openOf(size),
      };
    });
}

const runsInShells = (engine: BuildEngine, slot: 'mainShell' | 'rodShell'): boolean =>
  slot === 'rodShell'
    ? engine.part('bigEndBearing') === undefined
    : engine.part('mainBearing') === undefined && engine.look(block.features.mainsRun.id) !== 'rolling';

/**
 * What the records say must come with something that is in the build, and is not in it. Where what is to be bought is
 * sold today as another part, what must come with that one: a kit that takes its place is valid only whole.
 */
function companionsOf({ engine, catalogue }: OrderAsked, bought: readonly Wanted[]): readonly Wanted[] {
  const here = new Set(engine.parts.flatMap(({ part }) => part.pattern ?? []));
  const wanted = new Map<string, Wanted>();
  const ask = (part: Part, says: string): void => {
    for (const { relation, pattern, note } of part.companions ?? []) {
      if (relation === 'neverWith' || here.has(pattern) || wanted.has(pattern)) continue;
      const own = catalogue.part(pattern);
      wanted.set(pattern, {
        id: `with ${pattern}`,
        group: 'companion',
        ...(own ? { kind: own.kind } : {}),
        pattern,
        name: catalogue.label(pattern),
        at: [],
        ...(own ? piecesOnly(own, engine) : { quantity: 1, by: 'piece' as const }),
        because: [`${says} ${COMPANION_SAYS[relation]} it${note === undefined ? '.' : `: ${note}`}`],
        open: [],
      });
    }
  };
  for (const { part } of engine.parts) ask(part, `${part.label} is`);
  for (const { pattern, name } of bought) {
    if (pattern === undefined) continue;
    const numbers = numbersToOrder(catalogue, pattern);
    const [today] = numbers.flatMap(({ replacedBy }) => replacedBy ?? []);
    const own =
      today === undefined || numbers.some(({ replacedBy }) => replacedBy === undefined)
        ? undefined
        : catalogue.part(today);
    if (own) ask(own, `${name} is sold today as ${own.label}, which is`);
  }
  return [...wanted.values()];
}

const piecesOnly = (part: Part, engine: BuildEngine) => {
  const { quantity, by } = piecesFor(engine, slotFor(part), part);
  return { quantity, by };
};

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
    const byHand = need.startsWith(BY_HAND);
    const isGone = first?.pattern !== undefined && !catalogue.pattern(first.pattern);
    return {
      id: need,
      group: 'other',
      ...(first?.pattern === undefined ? {} : { pattern: first.pattern }),
      name: first?.name ?? need,
      at: [],
      quantity: byHand ? sum(lines.filter(({ state }) => state !== 'returned')) : 0,
      by: 'piece',
      because: [
        isGone
          ? 'It was ordered, and its pattern is not in the catalogue any more.'
          : byHand
            ? 'It was put on the list by hand.'
            : held.length > 0
              ? 'It was ordered, and the build does not need it any more: send it back, or put it on the shelf.'
              : 'It is on the list, and the build does not need it any more.',
      ],
      open: [],
      numbers: [],
      shelf: [],
      reserved: 0,
      ordered: sum(held.filter(({ state }) => state === 'ordered')),
      received: sum(held.filter(({ state }) => state === 'received')),
      left: byHand ? sum(lines.filter(({ state }) => state === 'wanted' || state === 'wrong')) : 0,
    };
  });
}
