import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { CONFIRMED_BY, type Confirmed, type ConfirmedBy, type Specimen } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { ReferenceField } from '../ui/referenceField';

/**
 * Says what a part turned out to be, once somebody knows for sure: the shop learns from that how far its answers are to
 * be trusted.
 */
@Component({
  selector: 'wb-confirm-name',
  imports: [DatePipe, NzButtonModule, ReferenceField, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (specimen().confirmed; as known) {
      <p class="known">
        <b>Known for sure:</b>
        {{ known.pattern === undefined ? 'a part of no catalogue' : (label() ?? known.pattern) }}; {{ ways[known.by] }}
        <span class="quiet">({{ known.at | date: 'd MMM y' }})</span>
        <button nz-button nzSize="small" type="button" (click)="confirmed.emit(undefined)">Take back</button>
        <a routerLink="/catalogue/calibration">How well parts are named here</a>
      </p>
    } @else if (asking()) {
      <form (submit)="$event.preventDefault(); finish()">
        <fieldset>
          <legend>What it turned out to be</legend>
          <label class="none"
            ><input type="checkbox" [checked]="inNone()" (change)="inNone.set(!inNone())" /> in no catalogue</label
          >
          @if (!inNone()) {
            <wb-reference-field
              fieldId="confirmed-pattern"
              of="pattern"
              placeholder="which pattern"
              [kinds]="[specimen().kind]"
              [(value)]="pattern"
            />
          }
          @for (way of wayIds; track way) {
            <label
              ><input type="radio" name="confirmed-by" [value]="way" [checked]="by() === way" (change)="by.set(way)" />
              {{ ways[way] }}</label
            >
          }
        </fieldset>
        <button nz-button nzType="primary" nzSize="small" type="submit" [disabled]="!inNone() && pattern() === ''">
          That is known
        </button>
        <button nz-button nzSize="small" type="button" (click)="asking.set(false)">Not now</button>
      </form>
    } @else {
      <button nz-button nzSize="small" type="button" class="ask" (click)="asking.set(true)">
        Known for sure what it is?
      </button>
    }
  `,
  styles: `
    :host {
      display: block;
      margin: 0 0 12px;
    }
    .known {
      margin: 0;
    }
    .known button {
      margin: 0 8px;
    }
    fieldset {
      border: 1px solid var(--rule);
      display: grid;
      gap: 6px;
      margin: 0 0 8px;
      padding: 6px 10px 10px;
    }
    legend {
      border: 0;
      font-size: inherit;
      font-weight: 600;
      margin: 0;
      width: auto;
    }
    form button {
      margin-right: 8px;
    }
  `,
})
export class ConfirmName {
  readonly specimen = input.required<Specimen>();
  /** The likeliest pattern now, offered first. */
  readonly likeliest = input<string>();
  /** How the pattern that is known is called. */
  readonly label = input<string>();
  readonly confirmed = output<Confirmed | undefined>();

  protected readonly ways = CONFIRMED_BY;
  protected readonly wayIds = Object.keys(CONFIRMED_BY) as ConfirmedBy[];
  protected readonly asking = linkedSignal({ source: () => this.specimen().id, computation: () => false });
  protected readonly inNone = linkedSignal({ source: () => this.specimen().id, computation: () => false });
  protected readonly by = signal<ConfirmedBy>('fitted');
  private readonly offered = computed(() => this.likeliest() ?? '');
  protected readonly pattern = linkedSignal(() => this.offered());

  protected finish(): void {
    this.confirmed.emit({
      ...(this.inNone() ? {} : { pattern: this.pattern() }),
      by: this.by(),
      at: new Date().toISOString(),
    });
    this.asking.set(false);
  }
}
