import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, signal, viewChild } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import {
  completeEntry,
  featureOf,
  interfaceOf,
  KINDS,
  LONGEST_ENTRY,
  type Completion,
  type Understood,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { Bench } from '../data/bench';
import { ReadingWords } from '../ui/readingWords';
import { shownAs } from '../ui/understood';
import { WhyUnread } from '../ui/whyUnread';
import { Elsewhere } from './elsewhere';

/** How many words are offered to go on with. */
const OFFERED = 6;

/** The one field for everything: marks, sizes and looks together, each word shown at once as it was understood. */
@Component({
  selector: 'wb-entry-line',
  imports: [Elsewhere, NzButtonModule, NzIconModule, ReadingWords, WhyUnread],
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
        (keydown)="key($event)"
        (blur)="completions.set([])"
        [placeholder]="placeholder()"
        role="combobox"
        aria-autocomplete="list"
        aria-controls="entry-completions"
        [attr.aria-expanded]="completions().length > 0"
        [attr.aria-activedescendant]="marked() >= 0 ? 'completion-' + marked() : null"
        aria-describedby="entry-understood"
      />
      <kbd aria-hidden="true">/</kbd>
      <button nz-button nzType="primary" type="submit" [disabled]="!canEnter()">
        <nz-icon nzType="enter" aria-hidden="true" /> Enter
      </button>
    </form>
    <div
      class="below"
      [hidden]="bench.draft().trim() === '' || (bench.whichKind().length > 0 && completions().length === 0)"
    >
      <ul
        id="entry-completions"
        role="listbox"
        aria-label="Words that go on from here"
        [hidden]="completions().length === 0"
      >
        @for (each of completions(); track each.phrase; let at = $index) {
          <li
            [id]="'completion-' + at"
            role="option"
            [attr.aria-selected]="at === marked()"
            (mousedown)="complete(each, $event)"
          >
            <b>{{ each.phrase }}</b> <span>{{ each.says }}</span>
          </li>
        }
      </ul>
      <div id="entry-understood" class="understood" aria-live="polite">
        @if (entry().kind; as kind) {
          <span class="word kind">{{ kindName(kind) }}</span>
        }
        @for (is of entry().words; track $index) {
          <span class="word" [class]="is.sort" [title]="more(is)">
            <wb-reading-words [is]="is" />
            @if (brief(is); as told) {
              <small>{{ told }}</small>
            }
            @if (is.sort === 'unread') {
              <wb-why-unread [text]="is.text" [kind]="bench.kind()" (meant)="mend(is.text, $event)" />
            }
          </span>
        }
      </div>
      @defer (when sought() !== ''; prefetch on idle) {
        <wb-elsewhere [words]="sought()" (followed)="found()" />
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
    .below {
      background: var(--raised);
      border: 1px solid var(--rule-strong);
      border-top: 0;
      box-shadow: 0 6px 14px rgb(0 0 0 / 14%);
      left: 0;
      max-height: 60vh;
      overflow: auto;
      position: absolute;
      right: 0;
      top: 100%;
      z-index: 20;
    }
    .below[hidden],
    ul[hidden] {
      display: none;
    }
    .understood {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      padding: 8px;
    }
    ul {
      border-bottom: 1px solid var(--rule);
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      align-items: center;
      cursor: pointer;
      display: flex;
      gap: 14px;
      min-height: 32px;
      padding: 2px 12px;
    }
    li b {
      font: 400 15px/1 var(--figures);
    }
    li span {
      color: var(--ink-soft);
      font-size: 14px;
    }
    li[aria-selected='true'] {
      background: var(--dye-ground);
      outline: 2px solid var(--dye);
      outline-offset: -2px;
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
    .word.claim {
      background: transparent;
      border: 1px dotted var(--rule-strong);
      border-left: 3px solid var(--rule-strong);
    }
    .word.step,
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
    small {
      color: var(--ink-soft);
      font-size: 13px;
    }
  `,
})
export class EntryLine {
  protected readonly bench = inject(Bench);
  private readonly router = inject(Router);
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  /** As it is understood; nothing while it has to be said first of which kind of part it was read. */
  protected readonly entry = computed(() =>
    this.bench.whichKind().length > 0 ? { words: [], kind: undefined } : this.bench.draftEntry(),
  );

  protected readonly placeholder = computed(() => {
    const kind = this.bench.kind();
    return kind === 'crank'
      ? 'Type what you read: crank cast 41?7 main 2.349in mic forged 8 weights'
      : `Type what you read on the ${KINDS[kind].name.toLowerCase()}: marks, sizes, looks`;
  });

  protected readonly canEnter = computed(
    () =>
      this.bench.draft().length <= LONGEST_ENTRY &&
      (this.bench.whichKind().length > 0 || this.entry().words.length > 0 || this.entry().kind !== undefined),
  );

  /** Words that are no reading of what lies on the bench: they may stand elsewhere. */
  private readonly strangers = computed(() => {
    const { words, kind } = this.entry();
    const unread = words.flatMap(({ sort, text }) => (sort === 'unread' ? [text] : []));
    // A number and nothing else may be that of another part as well.
    const isNumber = kind === undefined && words.every(({ sort }) => sort === 'mark' || sort === 'unread');
    return isNumber ? words.map(({ text }) => text) : unread;
  });
  protected readonly sought = computed(() => this.strangers().join(' '));

  protected readonly kindName = (kind: keyof typeof KINDS): string => KINDS[kind].name;
  protected readonly more = (is: Parameters<typeof shownAs>[0]): string => shownAs(is).more;

  /** Words that what stands before the caret may be the beginning of. */
  protected readonly completions = signal<readonly Completion[]>([]);
  /** Which of them the arrow keys have reached; -1 for none. */
  protected readonly marked = signal(-1);

  constructor() {
    this.bench.entryWanted.pipe(takeUntilDestroyed()).subscribe(() => {
      const field = this.field().nativeElement;
      field.value = this.bench.draft();
      field.focus();
      field.setSelectionRange(field.value.length, field.value.length);
    });
  }

  protected key(event: KeyboardEvent): void {
    const all = this.completions();
    const at = this.marked();
    switch (event.key) {
      case 'Enter': {
        const chosen = all[at];
        if (chosen) this.complete(chosen, event);
        else this.enter(event);
        return;
      }
      case 'Escape':
        if (all.length > 0) this.completions.set([]);
        else this.field().nativeElement.blur();
        return;
      case 'Tab': {
        const chosen = all[Math.max(0, at)];
        if (chosen && !event.shiftKey) this.complete(chosen, event);
        return;
      }
      case 'ArrowDown':
      case 'ArrowUp':
        if (all.length === 0) return;
        event.preventDefault();
        this.marked.set((at + (event.key === 'ArrowDown' ? 1 : -1) + all.length) % all.length);
        return;
      default:
    }
  }

  /** Puts a whole phrase in the place of its beginning. */
  protected complete({ from, to, phrase }: Completion, event: Event): void {
    event.preventDefault();
    const field = this.field().nativeElement;
    const before = `${field.value.slice(0, from)}${phrase} `;
    field.value = before + field.value.slice(to).trimStart();
    field.setSelectionRange(before.length, before.length);
    this.bench.draft.set(field.value);
    this.completions.set([]);
    this.marked.set(-1);
  }

  /** What a word was taken for, in a few words: its other unit, what was assumed, or which look it is. */
  protected brief(is: Understood): string {
    switch (is.sort) {
      case 'face':
        return interfaceOf(is.face).name.toLowerCase();
      case 'look':
        return featureOf(is.feature).name.toLowerCase();
      case 'size':
      case 'step':
        return shownAs(is).more;
      case 'mark':
        return /[?[]/.test(is.characters) ? shownAs(is).more : '';
      case 'claim':
      case 'unread':
        return '';
    }
  }

  get element(): HTMLInputElement {
    return this.field().nativeElement;
  }

  focus(): void {
    this.element.focus();
    this.element.select();
  }

  protected type(text: string): void {
    this.bench.draft.set(text);
    this.marked.set(-1);
    this.completions.set(
      completeEntry(text, this.field().nativeElement.selectionStart ?? text.length, this.bench.kind(), OFFERED),
    );
  }

  /** What was looked up is no reading: it goes, and what was read stays. */
  protected found(): void {
    const looked = this.strangers();
    this.bench.draft.update((draft) => looked.reduce((left, text) => left.replace(text, ''), draft).trim());
  }

  /** Puts what was meant in the place of what was typed. */
  protected mend(text: string, meant: string): void {
    this.bench.draft.set(this.bench.draft().replace(text, meant));
    this.focus();
  }

  protected enter(event: Event): void {
    // Enter is taken from the key itself: a quick hand or a scanner presses it before the button has been enabled.
    event.preventDefault();
    this.completions.set([]);
    if (event.target instanceof HTMLInputElement) this.bench.draft.set(event.target.value);
    this.bench.enterOnceKnown().subscribe((id) => {
      // What it was read on is asked on the Bench.
      const to = id === undefined ? (this.bench.whichKind().length > 0 ? ['/bench'] : undefined) : ['/bench', id];
      if (to && !this.router.url.startsWith('/swap'))
        void this.router.navigate(to, { queryParamsHandling: 'preserve' });
    });
  }
}
