import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { switchMap } from 'rxjs';
import { RouterLink } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Questions } from '../data/questions';
import { growing } from '../ui/growing';
import { RecordLink } from '../ui/recordLink';
import { Said } from '../ui/said';

/**
 * Findings of a rule that are shown at once, and the most a page ever shows: who has that many mends them by an import.
 */
const AT_ONCE = 12;
const MOST = 500;
/** Findings that are drawn in one turn of the page. */
const DRAWN_AT_ONCE = 4;

/** What in the catalogue does not agree with itself, rule by rule, each with the place to mend it. */
@Component({
  selector: 'wb-audit-page',
  imports: [NzButtonModule, RecordLink, RouterLink, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1>Audit</h1>
    @if (found()) {
      <p role="status">
        {{ count() === 0 ? 'The catalogue agrees with itself.' : count() + ' findings. ' }}
        @if (count() > 0) {
          <span class="quiet"
            ><b class="bad">wrong</b> cannot be right as it stands; <b class="warn">look</b> may be, and somebody should
            look.</span
          >
        }
      </p>
      @for (group of groups(); track group.rule.id) {
        <section [attr.data-rule]="group.rule.id">
          <h2>
            {{ group.rule.name }} <span class="figures quiet">{{ group.rule.count }}</span>
          </h2>
          <p class="quiet">{{ group.rule.checks | said }}</p>
          <ul class="plain">
            @for (finding of group.findings; track $index) {
              <li>
                <b [class]="finding.weight === 'wrong' ? 'bad' : 'warn'">{{ finding.weight }}</b>
                <p>
                  {{ finding.says | said }}
                  <span class="where"
                    >Concerns <wb-record [type]="finding.where.type" [id]="finding.where.id" />
                    @for (each of finding.also; track $index) {
                      <span>, <wb-record [type]="each.type" [id]="each.id" /></span>
                    }
                  </span>
                </p>
                <a
                  nz-button
                  [routerLink]="['/catalogue/edit', finding.where.type, finding.where.id]"
                  [queryParams]="finding.where.at ? { at: finding.where.at } : {}"
                  [attr.aria-label]="'Mend: ' + finding.where.id"
                  >Mend</a
                >
              </li>
            }
          </ul>
          @if (group.isWhole && group.rule.count > group.findings.length) {
            @if (shown() < most) {
              <button nz-button type="button" (click)="shown.set(shown() + atOnce)">
                {{ group.rule.count - group.findings.length }} more
              </button>
            } @else {
              <p class="quiet">
                And {{ group.rule.count - group.findings.length }} more: so many are mended best by an import.
              </p>
            }
          }
        </section>
      }
      <h2>Also looked for, and found in order</h2>
      <ul class="plain">
        @for (rule of clean(); track rule.id) {
          <li class="quiet">{{ rule.checks | said }}</li>
        }
      </ul>
    } @else {
      <p class="quiet" role="status">Going over the catalogue…</p>
    }
  `,
  styleUrl: './page.less',
  styles: `
    h1 {
      font-size: 28px;
    }
    section > p {
      margin: 2px 0 4px;
    }
    section li {
      align-items: start;
      display: grid;
      gap: 4px 14px;
      grid-template-columns: 46px minmax(0, 1fr) auto;
    }
    li p {
      margin: 0;
    }
    .where {
      color: var(--ink-soft);
      display: block;
      font-size: 13.5px;
    }
  `,
})
export class AuditPage {
  private readonly questions = inject(Questions);
  protected readonly atOnce = AT_ONCE;
  protected readonly most = MOST;
  /** Findings of each rule that are shown; more on demand. */
  protected readonly shown = signal(AT_ONCE);
  protected readonly found = toSignal(
    toObservable(this.shown).pipe(switchMap((most) => this.questions.ask('audit', { most: Math.min(most, MOST) }))),
  );
  protected readonly count = computed(() => (this.found()?.rules ?? []).reduce((sum, { count }) => sum + count, 0));
  /** Some at a time, so that a large audit does not hold the page up. */
  private readonly drawn = growing(
    computed(() => this.found()?.findings ?? []),
    DRAWN_AT_ONCE,
  );
  /** The rules that found something, as far as their findings are drawn. */
  protected readonly groups = computed(() => {
    const [drawn, found] = [this.drawn(), this.found()];
    return (found?.rules ?? []).flatMap((rule) => {
      const findings = drawn.filter((finding) => finding.rule === rule.id);
      const here = found?.findings.filter((finding) => finding.rule === rule.id).length;
      return findings.length === 0 ? [] : [{ rule, findings, isWhole: findings.length === here }];
    });
  });
  protected readonly clean = computed(() => (this.found()?.rules ?? []).filter(({ count }) => count === 0));
}
