import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, viewChild } from '@angular/core';
import { Router } from '@angular/router';
import { KINDS, LONGEST_ENTRY } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { Bench } from '../data/bench';
import { ReadingWords } from '../ui/readingWords';
import { shownAs } from '../ui/understood';

/** The one field for everything: marks, sizes and looks together, each word shown at once as it was understood. */
@Component({
  selector: 'wb-entry-line',
  imports: [NzButtonModule, NzIconModule, ReadingWords],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <form (submit)="enter($event)" role="search" aria-label="Read a part">
      <label class="seen-by-readers" for="entry">What you read, see and measure on the part</label>
      <input
        #field
        id="entry"
        type="text"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        enterkeyhint="enter"
        [value]="bench.draft()"
        (input)="type(field.value)"
        (keydown.enter)="enter($event)"
        (keydown.escape)="field.blur()"
        [placeholder]="placeholder()"
        aria-describedby="entry-understood"
      />
      <kbd aria-hidden="true">/</kbd>
      <button nz-button nzType="primary" type="submit" [disabled]="!canEnter()"><nz-icon nzType="enter" aria-hidden="true" /> Enter</button>
    </form>
    <div id="entry-understood" class="understood" aria-live="polite" [hidden]="bench.draft().trim() === ''">
      @if (entry().kind; as kind) {
        <span class="word kind">{{ kindName(kind) }}</span>
      }
      @for (is of entry().words; track $index) {
        <span class="word" [class]="is.sort" [title]="more(is)">
          <wb-reading-words [is]="is" />
          @if (is.sort === 'unread') {
            <span class="why">{{ is.reason }}</span>
            @if (is.suggestion; as meant) {
              <button nz-button nzSize="small" type="button" (click)="mend(is.text, meant)">Yes, {{ meant }}</button>
            }
          }
        </span>
      }
    </div>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
    }
    form {
      align-items: center;
      display: flex;
      gap: 8px;
    }
    input {
      background: var(--raised);
      border: 1px solid var(--rule-strong);
      border-radius: 2px;
      color: var(--ink);
      flex: 1;
      font: 400 15px/1 var(--figures);
      height: var(--touch);
      min-width: 0;
      padding: 0 38px 0 12px;
    }
    input::placeholder {
      color: var(--ink-soft);
      font-family: var(--words);
      opacity: 1;
    }
    input:focus {
      border-color: var(--dye);
      outline: 2px solid var(--dye);
      outline-offset: -1px;
    }
    kbd {
      border: 1px solid var(--rule);
      border-radius: 2px;
      color: var(--ink-soft);
      font: 400 12px/1 var(--figures);
      margin-left: -38px;
      margin-right: 12px;
      padding: 4px 7px;
      pointer-events: none;
    }
    .understood {
      background: var(--raised);
      border: 1px solid var(--rule-strong);
      border-top: 0;
      box-shadow: 0 6px 14px rgb(0 0 0 / 14%);
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      left: 0;
      max-height: 50vh;
      overflow: auto;
      padding: 8px;
      position: absolute;
      right: 0;
      top: 100%;
      z-index: 20;
    }
    .understood[hidden] {
      display: none;
    }
    .word {
      align-items: center;
      border-left: 3px solid var(--dye);
      background: var(--dye-ground);
      display: inline-flex;
      flex-wrap: wrap;
      gap: 4px 10px;
      padding: 4px 9px;
    }
    .word.size {
      background: var(--brass-ground);
      border-color: var(--brass);
    }
    .word.look {
      background: var(--sunk);
      border-color: var(--ink-soft);
    }
    .word.kind {
      background: var(--ink);
      border-color: var(--ink);
      color: var(--ground);
      font-family: var(--narrow);
      font-weight: 600;
    }
    .word.unread {
      background: transparent;
      border: 1px dashed var(--never);
      border-left-width: 3px;
    }
    .why {
      color: var(--never);
      font-size: 14px;
    }
  `,
})
export class EntryLine {
  protected readonly bench = inject(Bench);
  private readonly router = inject(Router);
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  protected readonly entry = this.bench.draftEntry;

  protected readonly placeholder = computed(() => {
    const kind = this.bench.kind();
    return kind === 'crank'
      ? 'Type what you read: crank cast 41?7 main 2.349in mic forged 8 weights'
      : `Type what you read on the ${KINDS[kind].name.toLowerCase()}: marks, sizes, looks`;
  });

  protected readonly canEnter = computed(
    () => this.bench.draft().length <= LONGEST_ENTRY && (this.entry().words.length > 0 || this.entry().kind !== undefined),
  );

  protected readonly kindName = (kind: keyof typeof KINDS): string => KINDS[kind].name;
  protected readonly more = (is: Parameters<typeof shownAs>[0]): string => shownAs(is).more;

  focus(): void {
    this.field().nativeElement.focus();
    this.field().nativeElement.select();
  }

  protected type(text: string): void {
    this.bench.draft.set(text);
  }

  /** Puts what was meant in the place of what was typed. */
  protected mend(text: string, meant: string): void {
    this.bench.draft.set(this.bench.draft().replace(text, meant));
    this.focus();
  }

  protected enter(event: Event): void {
    // Enter is taken from the key itself: a quick hand or a scanner presses it before the button has been enabled.
    event.preventDefault();
    if (event.target instanceof HTMLInputElement) this.bench.draft.set(event.target.value);
    const id = this.bench.enter();
    if (id !== undefined && !this.router.url.startsWith('/swap')) void this.router.navigate(['/bench', id], { queryParamsHandling: 'preserve' });
  }
}
