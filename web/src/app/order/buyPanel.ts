import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import {
  BY_HAND,
  counted,
  LINE_STATES,
  offersFor,
  type Answers,
  type LineState,
  type Offered,
  type OrderLine,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { catchError, EMPTY, of, switchMap } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { Orders, type WholeJob } from '../data/orders';
import { Specimens } from '../data/specimens';
import { UndoBar } from '../data/undoBar';
import { fieldText } from '../ui/fieldText';
import { Said } from '../ui/said';

type Need = Answers['orderList']['needs'][number];

const GROUPS: readonly { readonly id: Need['group']; readonly name: string }[] = [
  { id: 'chosen', name: 'Chosen in the build' },
  { id: 'companion', name: 'Must come with them' },
  { id: 'anew', name: 'New whenever the engine is apart' },
  { id: 'consumable', name: 'Used up' },
  { id: 'other', name: 'By hand, and no longer needed' },
  { id: 'unaccounted', name: 'Not accounted for' },
];

/** What one may do with a line, by how far it has come. */
const NEXT: Readonly<Record<LineState, readonly LineState[]>> = {
  wanted: ['ordered'],
  ordered: ['received', 'wrong'],
  received: ['wrong'],
  wrong: ['returned', 'received'],
  returned: ['received'],
};
const DO: Readonly<Record<LineState, string>> = {
  wanted: 'Put back on the list',
  ordered: 'Ordered',
  received: 'Received',
  wrong: 'Came wrong',
  returned: 'Sent back',
};

/** Offers that stand beside a need. */
const OFFERED = 3;
const HOW_MANY = { piece: ['piece', 'pieces'], pair: ['pair', 'pairs'], set: ['set', 'sets'] } as const;

/** What a job needs and has not: from the shelf, from suppliers, and what became of it. */
@Component({
  selector: 'wb-buy-panel',
  imports: [DatePipe, NzButtonModule, NzInputModule, RouterLink, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './buyPanel.html',
  styleUrl: './panels.less',
})
export class BuyPanel {
  private readonly api = inject(Api);
  private readonly orders = inject(Orders);
  private readonly undoBar = inject(UndoBar);
  readonly whole = input.required<WholeJob>();

  private readonly parts = toSignal(inject(Specimens).all$, { initialValue: [] });
  private readonly suppliers = toSignal(this.orders.suppliers$, { initialValue: [] });
  private readonly reservations = toSignal(this.orders.reservations$, { initialValue: [] });
  /** Why the list cannot be worked out. */
  protected readonly refused = signal('');
  protected readonly list = toSignal(
    toObservable(this.whole).pipe(
      switchMap((whole) =>
        this.orders.needs(whole).pipe(
          catchError((error: unknown) => {
            this.refused.set(error instanceof Error ? error.message : String(error));
            return EMPTY;
          }),
        ),
      ),
    ),
  );
  private readonly offers = toSignal(
    toObservable(this.list).pipe(switchMap((list) => (list ? this.orders.offers(list.needs) : of([])))),
    { initialValue: [] },
  );
  /** What a supplier said when asked, where it is not what his list says; by need. */
  protected readonly doubt = signal<Readonly<Record<string, { readonly says: string; readonly offered: Offered }>>>({});
  protected readonly asking = signal<string | undefined>(undefined);
  protected readonly problem = signal('');

  protected readonly groups = computed(() => {
    const needs = this.list()?.needs ?? [];
    return GROUPS.map((group) => ({
      ...group,
      needs: needs.filter((need) => need.group === group.id).map((need) => this.shown(need)),
    })).filter((group) => group.needs.length > 0);
  });
  /** What is ordered or received, by sort of money. */
  protected readonly totals = computed(() => {
    const sums = new Map<string, number>();
    for (const { state, price, currency } of this.whole().job.orders ?? [])
      if (price !== undefined && currency !== undefined && (state === 'ordered' || state === 'received'))
        sums.set(currency, (sums.get(currency) ?? 0) + price);
    return [...sums].map(([currency, sum]) => `${sum.toFixed(2)} ${currency}`).join(' and ');
  });
  protected readonly stale = computed(() =>
    this.suppliers().filter(
      ({ address, asOf, problem }) => address !== undefined && (asOf === undefined || problem !== undefined),
    ),
  );
  protected readonly states = LINE_STATES;
  protected readonly doing = DO;

  private shown(need: Need) {
    const lines = (this.whole().job.orders ?? []).filter((line) => line.need === need.id);
    const found = need.left > 0 && need.open.length === 0 ? offersFor(need, this.offers()) : [];
    return {
      need,
      lines: lines.map((line) => ({ line, next: NEXT[line.state] })),
      many: this.many(need, need.quantity),
      left: this.many(need, need.left),
      offers: found.slice(0, OFFERED),
      more: Math.max(0, found.length - OFFERED),
      shelf: need.shelf.map((id) => {
        const held = this.reservations().find(({ specimen }) => specimen === id);
        return {
          id,
          name: this.parts().find((each) => each.id === id)?.name ?? 'a part on the shelf',
          price: this.parts().find((each) => each.id === id)?.shelf?.price,
          mine: held?.job === this.whole().job.id,
          other: held !== undefined && held.job !== this.whole().job.id,
        };
      }),
    };
  }

  private many({ by }: Need, count: number): string {
    return counted(count, HOW_MANY[by][0], HOW_MANY[by][1]);
  }

  protected nameOf(supplier: string | undefined): string {
    return this.suppliers().find(({ id }) => id === supplier)?.name ?? supplier ?? 'elsewhere';
  }

  protected days(count: number): string {
    return counted(count, 'day');
  }

  protected money(total: number, currency: string): string {
    return `${total.toFixed(2)} ${currency}`;
  }

  protected async fetchLists(): Promise<void> {
    for (const { id } of this.stale()) {
      this.asking.set(id);
      await this.orders.done(this.api.fetchList(id)).catch(this.fail);
    }
    this.asking.set(undefined);
  }

  /** Orders something, after asking whether what the list says is so. */
  protected async order(need: Need, offered: Offered): Promise<void> {
    const supplier = this.suppliers().find(({ id }) => id === offered.offer.supplier);
    if (supplier?.address !== undefined) {
      this.asking.set(need.id);
      const says = await this.askedFirst(supplier.id, supplier.name, offered);
      this.asking.set(undefined);
      if (says !== undefined) {
        this.doubt.update((all) => ({ ...all, [need.id]: { says, offered } }));
        return;
      }
    }
    this.write(need, offered);
  }

  /** What speaks against ordering it there now; nothing where he has it. */
  private async askedFirst(id: string, name: string, { offer, packs }: Offered): Promise<string | undefined> {
    try {
      const { stock } = await new Promise<{ readonly stock: number }>((resolve, reject) =>
        this.api.askStock(id, offer.number).subscribe({ next: resolve, error: reject }),
      );
      if (stock >= packs) return undefined;
      return offer.stock === undefined
        ? `${name} has ${stock} now.`
        : `${name} lists ${offer.stock}, and asked now has ${stock}.`;
    } catch (error) {
      return error instanceof ApiError ? error.message : String(error);
    }
  }

  protected write(need: Need, { offer, number, total }: Offered): void {
    const { [need.id]: _settled, ...rest } = this.doubt();
    this.doubt.set(rest);
    const id = crypto.randomUUID();
    const line: OrderLine = {
      id,
      need: need.id,
      name: need.name.slice(0, 200),
      number,
      ...(need.pattern === undefined ? {} : { pattern: need.pattern }),
      quantity: need.left,
      supplier: offer.supplier,
      price: total,
      currency: offer.currency,
      ...(offer.includes === undefined ? {} : { includes: offer.includes }),
      state: 'ordered',
      ...(offer.days === undefined ? {} : { expected: inDays(offer.days) }),
    };
    this.put(line, `Ordered ${need.name} from ${this.nameOf(offer.supplier)}.`);
  }

  /** Bought elsewhere, or lying about: it is here. */
  protected have(need: Need): void {
    this.put(
      {
        id: crypto.randomUUID(),
        need: need.id,
        name: need.name.slice(0, 200),
        ...(need.pattern === undefined ? {} : { pattern: need.pattern }),
        quantity: need.left,
        state: 'received',
      },
      `${need.name} is here.`,
    );
  }

  protected move(line: OrderLine, state: LineState): void {
    const job = this.whole().job.id;
    this.orders.put(job, 'orders', { ...line, state });
    this.undoBar.offer(`${line.name}: ${LINE_STATES[state]}.`, () => this.orders.put(job, 'orders', line));
  }

  protected remove(line: OrderLine): void {
    const job = this.whole().job.id;
    this.orders.take(job, 'orders', line.id);
    this.undoBar.offer(`Took ${line.name} off the list.`, () => this.orders.put(job, 'orders', line));
  }

  protected byHand(event: Event, form: HTMLFormElement): void {
    event.preventDefault();
    const [name, number, many] = [fieldText(form, 'name'), fieldText(form, 'number'), fieldText(form, 'quantity')];
    const quantity = Number(many);
    if (!name) return this.problem.set('Say what is to be bought.');
    if (!Number.isInteger(quantity) || quantity < 1 || quantity > 10_000)
      return this.problem.set(`“${many}” is no number of pieces: write 1 or more.`);
    this.problem.set('');
    const id = crypto.randomUUID();
    this.put(
      { id, need: BY_HAND + id, name, ...(number ? { number } : {}), quantity, state: 'wanted' },
      `Put ${name} on the list.`,
    );
    form.reset();
  }

  private put(line: OrderLine, says: string): void {
    const job = this.whole().job.id;
    this.orders.put(job, 'orders', line);
    this.undoBar.offer(says, () => this.orders.take(job, 'orders', line.id));
  }

  protected async hold(specimen: string): Promise<void> {
    this.problem.set('');
    await this.orders.hold(specimen, this.whole().job.id).catch(this.fail);
  }

  protected async release(specimen: string): Promise<void> {
    await this.orders.release(specimen).catch(this.fail);
  }

  private readonly fail = (error: unknown): void =>
    this.problem.set(error instanceof Error ? error.message : String(error));
}

const inDays = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
