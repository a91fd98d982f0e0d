import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import type { Build, StoredBuild } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { firstValueFrom } from 'rxjs';
import { Builds } from '../data/builds';
import { Jobs } from '../data/jobs';
import { Questions } from '../data/questions';
import { UndoBar } from '../data/undoBar';
import { growing } from '../ui/growing';
import { ReferenceField } from '../ui/referenceField';

/** The builds, and a new one from an engine or from the parts of a job. */
@Component({
  selector: 'wb-build-list',
  imports: [DatePipe, FormsModule, NzButtonModule, NzIconModule, NzSelectModule, ReferenceField, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './buildList.html',
  styleUrl: './buildList.less',
})
export class BuildList {
  private readonly builds = inject(Builds);
  private readonly questions = inject(Questions);
  private readonly router = inject(Router);
  private readonly undoBar = inject(UndoBar);

  protected readonly all = toSignal(this.builds.all$, { initialValue: [] });
  protected readonly drawn = growing(this.all, 8);
  protected readonly jobs = toSignal(inject(Jobs).all$, { initialValue: [] });
  protected readonly variant = signal('');
  protected readonly job = signal<string | null>(null);
  protected readonly marked = signal<ReadonlySet<string>>(new Set());
  protected readonly compared = computed(() => [...this.marked()].join(','));
  protected readonly problem = signal<string | undefined>(undefined);

  constructor() {
    this.builds.refresh();
  }

  protected jobName({ job }: StoredBuild): string {
    return this.jobs().find(({ id }) => id === job)?.name ?? '';
  }

  protected changes({ places, sizes }: StoredBuild): string {
    const parts = places.length === 1 ? '1 part chosen' : `${places.length} parts chosen`;
    return `${parts}, ${sizes.length === 1 ? '1 figure' : `${sizes.length} figures`} put in`;
  }

  protected async begin(): Promise<void> {
    const job = this.job();
    const variant = this.variant();
    const name = this.jobs().find(({ id }) => id === job)?.name;
    const rest: Omit<Build, 'id' | 'places'> = {
      name:
        name === undefined
          ? `Build of ${new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })}`
          : `${name}, build`.slice(0, 120),
      ...(variant === '' ? {} : { variant }),
      ...(job === null ? {} : { job }),
      sizes: [],
    };
    try {
      const { places } =
        job === null ? { places: [] } : await firstValueFrom(this.questions.askOnce('buildBegin', { jobId: job }));
      void this.router.navigate(['/plan', this.builds.begin({ ...rest, places: [...places] })]);
    } catch (error) {
      this.problem.set(error instanceof Error ? error.message : 'It could not be begun. Try again.');
    }
  }

  protected mark(id: string): void {
    this.marked.update((marked) => {
      const next = new Set(marked);
      if (!next.delete(id)) next.add(id);
      return new Set([...next].slice(-4));
    });
  }

  protected remove(build: StoredBuild): void {
    this.builds.remove(build.id);
    this.undoBar.offer(`Deleted the build “${build.name}”.`, () => this.builds.bringBack(build.id));
  }
}
