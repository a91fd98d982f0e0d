import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { StoredSupplier } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Api } from '../data/api';
import { Orders } from '../data/orders';
import { fieldText } from '../ui/fieldText';

/** Who sells what: suppliers, and how their lists stand. */
@Component({
  selector: 'wb-suppliers-panel',
  imports: [DatePipe, NzButtonModule, NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './suppliersPanel.html',
  styleUrl: './panels.less',
})
export class SuppliersPanel {
  private readonly api = inject(Api);
  private readonly orders = inject(Orders);
  protected readonly suppliers = toSignal(this.orders.suppliers$);
  protected readonly asking = signal<string | undefined>(undefined);
  protected readonly problem = signal<{ readonly id: string; readonly says: string } | undefined>(undefined);

  protected async fetch({ id }: StoredSupplier): Promise<void> {
    await this.during(id, () => this.orders.done(this.api.fetchList(id)));
  }

  protected async send({ id }: StoredSupplier, input: HTMLInputElement): Promise<void> {
    const [file] = input.files ?? [];
    if (!file) return;
    await this.during(id, () => this.orders.done(this.api.sendList(id, file)));
    input.value = '';
  }

  protected async remove({ id }: StoredSupplier): Promise<void> {
    await this.during(id, () => this.orders.done(this.api.removeSupplier(id)));
  }

  protected async add(event: Event, form: HTMLFormElement): Promise<void> {
    event.preventDefault();
    const [name, currency, address] = [
      fieldText(form, 'name'),
      fieldText(form, 'currency'),
      fieldText(form, 'address'),
    ];
    const id = name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60);
    const not =
      id === ''
        ? 'Say what he is called, in letters or figures.'
        : this.suppliers()?.some((each) => each.id === id)
          ? `There is a supplier called ${name} already.`
          : undefined;
    if (not !== undefined) {
      this.problem.set({ id: '', says: not });
      return;
    }
    const saved = await this.during('', () =>
      this.orders.done(
        this.api.saveSupplier({ id, name, currency: currency.toUpperCase(), ...(address ? { address } : {}) }),
      ),
    );
    if (saved) form.reset();
  }

  /** Does something, and says why where it could not be done. Answers whether it was. */
  private async during(id: string, work: () => Promise<unknown>): Promise<boolean> {
    this.asking.set(id);
    this.problem.set(undefined);
    try {
      await work();
      return true;
    } catch (error) {
      this.problem.set({ id, says: error instanceof Error ? error.message : String(error) });
      return false;
    } finally {
      this.asking.set(undefined);
    }
  }
}
