import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { firstValueFrom } from 'rxjs';
import { Builds } from '../data/builds';
import { Jobs } from '../data/jobs';
import { Questions } from '../data/questions';

/** What is planned for an engine on order, and a new build from its parts as they lie there. */
@Component({
  selector: 'wb-job-builds',
  imports: [NzButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2>Planned for it</h2>
    <ul>
      @for (build of mine(); track build.id) {
        <li>
          <a [routerLink]="['/plan', build.id]">{{ build.name }}</a>
          <label
            ><input type="radio" name="decided" [checked]="decided() === build.id" (change)="decide(build.id)" />decided
            on</label
          >
        </li>
      }
    </ul>
    <p class="doing">
      <button nz-button type="button" (click)="begin()">Plan this engine</button>
      @if (decided()) {
        <a nz-button routerLink="/order" [queryParams]="{ job: job() }">What it needs</a>
      }
    </p>
  `,
  styles: `
    ul {
      list-style: none;
      margin: 4px 0 8px;
      padding: 0;
    }
    li {
      align-items: baseline;
      display: flex;
      gap: 10px;
      justify-content: space-between;
      padding: 4px 0;
    }
    label {
      align-items: center;
      display: flex;
      font-size: 14px;
      gap: 4px;
      min-height: 30px;
      white-space: nowrap;
    }
    .doing {
      display: flex;
      gap: 8px;
    }
  `,
})
export class JobBuilds {
  private readonly builds = inject(Builds);
  private readonly jobs = inject(Jobs);
  private readonly questions = inject(Questions);
  private readonly router = inject(Router);
  readonly job = input.required<string>();
  readonly name = input.required<string>();
  /** The build that is decided on. */
  readonly decided = input<string>();
  /** The engine it most likely is, where somebody has chosen one. */
  readonly variant = input<string>();
  private readonly all = toSignal(this.builds.all$, { initialValue: [] });
  protected readonly mine = computed(() => this.all().filter(({ job }) => job === this.job()));

  protected decide(build: string): void {
    this.jobs.alter(this.job(), (job) => ({ ...job, build }));
  }

  protected async begin(): Promise<void> {
    const { places } = await firstValueFrom(this.questions.askOnce('buildBegin', { jobId: this.job() }));
    const variant = this.variant();
    const id = this.builds.begin({
      name: `${this.name()}, build`.slice(0, 120),
      job: this.job(),
      ...(variant === undefined ? {} : { variant }),
      places: [...places],
      sizes: [],
    });
    void this.router.navigate(['/plan', id]);
  }
}
