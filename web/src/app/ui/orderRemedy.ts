import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import {
  BY_HAND,
  isShopWork,
  OPERATIONS,
  type OperationId,
  type OptionTold,
  type OrderLine,
  type ShopWork,
} from '@which-bore/core';
import { Jobs } from '../data/jobs';
import { Orders } from '../data/orders';
import { UndoBar } from '../data/undoBar';

/**
 * What mends a joint, put on the order of a job in one press: its work on the shop sheet, what is bought on the list.
 */
@Component({
  selector: 'wb-order-remedy',
  imports: [RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (done(); as of) {
      <span role="status"
        >On the order of <a routerLink="/order" [queryParams]="{ job: of.id }">{{ of.name }}</a></span
      >
    } @else if (open().length > 0) {
      @if (job() === undefined) {
        <label
          ><span class="seen-by-readers">Job it is for</span>
          <select #chosen (change)="named.set(chosen.value)">
            @for (each of open(); track each.id) {
              <option [value]="each.id" [selected]="each.id === meant()?.id">{{ each.name }}</option>
            }
          </select></label
        >
      }
      <button type="button" (click)="order()" [attr.aria-label]="'Order it: ' + option().name">Order it</button>
    }
  `,
  styles: `
    :host {
      align-items: center;
      display: inline-flex;
      gap: 6px;
    }
    button {
      background: transparent;
      border: 1px solid var(--dye);
      color: var(--dye);
      cursor: pointer;
      font: 600 14px/1 var(--narrow);
      min-height: 30px;
      padding: 0 10px;
    }
    select {
      background: var(--raised);
      border: 1px solid var(--rule-strong);
      color: var(--ink);
      font: inherit;
      height: 30px;
      max-width: 180px;
    }
    @media print {
      :host {
        display: none;
      }
    }
  `,
})
export class OrderRemedy {
  private readonly orders = inject(Orders);
  private readonly undoBar = inject(UndoBar);
  private readonly jobs = toSignal(inject(Jobs).all$, { initialValue: [] });
  readonly option = input.required<OptionTold>();
  /** The job it is for; where none is named the one at the screen chooses. */
  readonly job = input<string>();
  /** Between what it stands, as the sheet will have it. */
  readonly on = input.required<string>();
  /** What a pattern is called. */
  readonly label = input<(id: string) => string>((id) => id);

  protected readonly named = signal<string | undefined>(undefined);
  protected readonly done = signal<{ readonly id: string; readonly name: string } | undefined>(undefined);
  protected readonly open = computed(() => this.jobs().filter(({ handedOver }) => handedOver === undefined));
  protected readonly meant = computed(() => {
    const id = this.job() ?? this.named();
    return id === undefined ? this.open()[0] : this.open().find((each) => each.id === id);
  });

  protected order(): void {
    const job = this.meant();
    if (!job) return;
    const { steps, buy, comesAlong } = this.option();
    // What is only bought is no work for the machine shop.
    const work = steps
      .filter((step): step is OperationId => Object.hasOwn(OPERATIONS, step))
      .filter(isShopWork)
      .map((operation): ShopWork => ({
        id: crypto.randomUUID(),
        on: this.on().slice(0, 200),
        operation,
        state: 'planned',
      }));
    const lines = (comesAlong ? [] : buy).map((pattern): OrderLine => {
      const id = crypto.randomUUID();
      return {
        id,
        need: BY_HAND + id,
        name: this.label()(pattern).slice(0, 200),
        pattern,
        quantity: 1,
        state: 'wanted',
        note: this.option().name.slice(0, 400),
      };
    });
    for (const each of work) this.orders.put(job.id, 'work', each);
    for (const each of lines) this.orders.put(job.id, 'orders', each);
    this.done.set(job);
    this.undoBar.offer(`${this.option().name} is on the order of ${job.name}.`, () => {
      for (const { id } of work) this.orders.take(job.id, 'work', id);
      for (const { id } of lines) this.orders.take(job.id, 'orders', id);
      this.done.set(undefined);
    });
  }
}
