import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, of, switchMap } from 'rxjs';
import { Jobs } from '../data/jobs';
import { Orders } from '../data/orders';
import { Questions } from '../data/questions';
import { AssemblyPanel } from './assemblyPanel';
import { BuyPanel } from './buyPanel';
import { ReportPanel } from './reportPanel';
import { SuppliersPanel } from './suppliersPanel';
import { WorkPanel } from './workPanel';

const VIEWS = {
  buy: 'To buy',
  work: 'Machine shop',
  assembly: 'Assembly',
  report: 'Report',
  suppliers: 'Suppliers',
} as const;
type View = keyof typeof VIEWS;

const isView = (name: string | null): name is View => name !== null && Object.hasOwn(VIEWS, name);

/** Buy, have machined, put together, hand over. The address holds the whole state: job and view. */
@Component({
  selector: 'wb-order-station',
  imports: [AssemblyPanel, BuyPanel, FormsModule, NzSelectModule, ReportPanel, RouterLink, SuppliersPanel, WorkPanel],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './orderStation.html',
  styleUrl: './orderStation.less',
})
export class OrderStation {
  private readonly router = inject(Router);
  private readonly orders = inject(Orders);
  private readonly questions = inject(Questions);
  private readonly query = toSignal(inject(ActivatedRoute).queryParamMap, { requireSync: true });
  protected readonly jobs = toSignal(inject(Jobs).all$, { initialValue: [] });

  protected readonly views = (Object.keys(VIEWS) as View[]).map((id) => ({ id, name: VIEWS[id] }));
  protected readonly view = computed((): View => {
    const name = this.query().get('view');
    return isView(name) ? name : 'buy';
  });
  /** The job of the address; without one the job that was changed last and has a build decided on. */
  protected readonly id = computed(
    () => this.query().get('job') ?? (this.jobs().find(({ build }) => build !== undefined) ?? this.jobs()[0])?.id ?? '',
  );
  protected readonly whole = toSignal(toObservable(this.id).pipe(switchMap((id) => this.orders.whole(id))));
  protected readonly stages = toSignal(
    toObservable(this.whole).pipe(
      switchMap((whole) =>
        whole ? this.questions.ask('jobStages', whole).pipe(catchError(() => of(undefined))) : of(undefined),
      ),
    ),
  );

  protected go(queryParams: Readonly<Record<string, string | null>>): void {
    void this.router.navigate([], {
      queryParams: { job: this.id() || null, ...queryParams },
      queryParamsHandling: 'merge',
    });
  }

  /** Where a stage is worked on. */
  protected linkOf(at: 'jobs' | 'fit' | 'plan' | 'order'): readonly string[] {
    const build = this.whole()?.build?.id;
    if (at === 'jobs') return ['/jobs', this.id()];
    if (at === 'plan') return build === undefined ? ['/plan'] : ['/plan', build];
    return [`/${at}`];
  }

  protected viewOf(stage: string): string | null {
    const views: Readonly<Record<string, View>> = {
      machined: 'work',
      here: 'buy',
      assembled: 'assembly',
      handedOver: 'report',
    };
    return views[stage] ?? null;
  }
}
