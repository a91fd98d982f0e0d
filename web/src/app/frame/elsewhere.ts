import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { cut, RECORD_NAMES, type Sentence } from '@which-bore/core';
import { catchError, debounceTime, map, of, switchMap } from 'rxjs';
import { Builds } from '../data/builds';
import { Jobs } from '../data/jobs';
import { Questions } from '../data/questions';
import { Specimens } from '../data/specimens';
import { narrowed, wordsOf } from '../ui/narrowed';
import { pageOf } from '../ui/recordLink';
import { Said } from '../ui/said';

/** Of each sort of thing so many are offered. */
const OFFERED = 3;
const LONGEST = 200;
/** Pause in typing after which it is looked up, ms. */
const SETTLE_MS = 150;

/** A thing of the shop or a record that bears what was typed. */
interface Found {
  readonly what: string;
  readonly name: string;
  readonly page: readonly string[];
  readonly why?: Sentence;
}

/** Where in catalogue, jobs, builds and on the shelf words stand that are no reading of what lies on the bench. */
@Component({
  selector: 'wb-elsewhere',
  imports: [RouterLink, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (found().length > 0) {
      <nav aria-label="Found elsewhere">
        <h2>Found elsewhere</h2>
        <ul>
          @for (each of found(); track each.page.join('/')) {
            <li>
              <a [routerLink]="each.page" (click)="followed.emit()">
                <span class="what">{{ each.what }}</span> {{ each.name }}
                @if (each.why; as why) {
                  <small>{{ why | said }}</small>
                }
              </a>
            </li>
          }
        </ul>
      </nav>
    }
  `,
  styles: `
    nav {
      border-top: 1px solid var(--rule);
      padding: 8px;
    }
    h2 {
      color: var(--ink-soft);
      font-size: 13px;
      margin: 0;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    a {
      align-items: baseline;
      display: flex;
      flex-wrap: wrap;
      gap: 2px 10px;
      min-height: 32px;
      padding: 4px;
    }
    .what {
      color: var(--ink-soft);
      display: inline-block;
      min-width: 74px;
      text-transform: capitalize;
    }
    small {
      color: var(--ink-soft);
      font-size: 13px;
    }
  `,
})
export class Elsewhere {
  private readonly questions = inject(Questions);
  /** The words. */
  readonly words = input.required<string>();
  /** A place was chosen. */
  readonly followed = output();

  private readonly jobs = toSignal(inject(Jobs).all$, { initialValue: [] });
  private readonly builds = toSignal(inject(Builds).all$, { initialValue: [] });
  private readonly shelf = toSignal(inject(Specimens).all$, { initialValue: [] });

  private readonly records = toSignal(
    toObservable(this.words).pipe(
      debounceTime(SETTLE_MS),
      switchMap((text) =>
        text.trim() === ''
          ? of([])
          : this.questions.ask('search', { text: cut(text, LONGEST), most: OFFERED }).pipe(
              map(({ hits, without }) => (without.length > 0 ? [] : hits)),
              // One that fails must not be the last.
              catchError((error: unknown) => (console.error(error), of([]))),
            ),
      ),
    ),
    { initialValue: [] },
  );

  protected readonly found = computed((): readonly Found[] => {
    const words = wordsOf(this.words());
    if (words.length === 0) return [];
    const named = <T extends { readonly id: string; readonly name: string }>(
      all: readonly T[],
      what: string,
      page: string,
      textOf: (each: T) => string,
    ): readonly Found[] =>
      narrowed(all, words, { textOf, isChosen: () => false, most: OFFERED }).map(({ id, name }) => ({
        what,
        name,
        page: [page, id],
      }));
    return [
      ...named(this.jobs(), 'Job', '/jobs', ({ name, customer, machine }) =>
        [name, customer, machine].filter(Boolean).join(' '),
      ),
      ...named(this.builds(), 'Build', '/plan', ({ name }) => name),
      ...named(this.shelf(), 'Part', '/bench', ({ name, shelf }) => `${name} ${shelf?.place ?? ''}`),
      ...this.records().map(({ type, id, label, because: [why] }) => ({
        what: RECORD_NAMES[type],
        name: label,
        page: pageOf(type, id),
        ...(why && why.length > 0 ? { why } : {}),
      })),
    ];
  });
}
