import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import type { StoredJob } from '@which-bore/core';
import { Jobs } from '../data/jobs';
import { Specimens } from '../data/specimens';
import { UndoBar } from '../data/undoBar';
import { growing } from '../ui/growing';

/** The engines on order. */
@Component({
  selector: 'wb-job-list',
  imports: [DatePipe, NzButtonModule, NzIconModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './jobList.html',
  styleUrl: './jobs.less',
})
export class JobList {
  private readonly jobs = inject(Jobs);
  private readonly router = inject(Router);
  private readonly undoBar = inject(UndoBar);
  protected readonly all = toSignal(this.jobs.all$, { initialValue: [] });
  protected readonly drawn = growing(this.all, 5);
  private readonly specimens = toSignal(inject(Specimens).all$, { initialValue: [] });
  private readonly counts = computed(() => {
    const counts = new Map<string, number>();
    for (const { job } of this.specimens()) if (job !== undefined) counts.set(job, (counts.get(job) ?? 0) + 1);
    return counts;
  });

  constructor() {
    this.jobs.refresh();
  }

  protected parts(job: StoredJob): number {
    return this.counts().get(job.id) ?? 0;
  }

  protected claims(job: StoredJob): string {
    return job.readings.map(({ is }) => is.text).join(', ');
  }

  protected begin(): void {
    const day = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
    void this.router.navigate(['/jobs', this.jobs.begin(`Engine of ${day}`)]);
  }

  protected remove(job: StoredJob): void {
    this.jobs.remove(job.id);
    this.undoBar.offer(`Deleted the job “${job.name}”. Its parts stay on the shelf.`, () =>
      this.jobs.bringBack(job.id),
    );
  }
}
