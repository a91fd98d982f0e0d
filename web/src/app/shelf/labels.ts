import { DOCUMENT } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { KINDS } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzQRCodeModule } from 'ng-zorro-antd/qr-code';
import { Specimens } from '../data/specimens';

/** The router gives undefined where the address says nothing. */
const asText = (value: string | undefined): string => value ?? '';

/** More labels than this are no sheet to print but a stack. */
const MOST = 120;

/** Labels to tie to parts: name, place and price, and a code that opens the part on the Bench of whoever scans it. */
@Component({
  selector: 'wb-labels',
  imports: [NzButtonModule, NzIconModule, NzQRCodeModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="bar">
      <a routerLink="/shelf" [queryParams]="find() === '' ? {} : { find: find() }">Back to the shelf</a>
      <span class="quiet">{{ says() }}</span>
      <button nz-button nzType="primary" type="button" (click)="print()">
        <nz-icon nzType="printer" aria-hidden="true" /> Print
      </button>
    </div>
    <h1 class="seen-by-readers">Labels</h1>
    <ul>
      @for (each of labels(); track each.id) {
        <li>
          <nz-qrcode
            nzType="svg"
            [nzValue]="each.address"
            [nzSize]="92"
            [nzBordered]="false"
            nzColor="#000"
            nzBgColor="#fff"
            role="img"
            [attr.aria-label]="'Code of ' + each.name"
          />
          <div>
            <b>{{ each.name }}</b>
            <span>{{ each.kind }}</span>
            @if (each.place) {
              <span>{{ each.place }}</span>
            }
            @if (each.price !== undefined) {
              <span class="figures">{{ each.price }}</span>
            }
            @if (each.includes) {
              <span>{{ each.includes }}</span>
            }
            <span class="figures id">{{ each.id.slice(0, 8) }}</span>
          </div>
        </li>
      } @empty {
        <li class="none">No part of the shelf is meant: find some there, and come back.</li>
      }
    </ul>
  `,
  styles: `
    :host {
      background: #fff;
      color: #000;
      display: block;
      height: 100%;
      overflow: auto;
    }
    .bar {
      align-items: center;
      background: var(--ground);
      border-bottom: 1px solid var(--rule);
      color: var(--ink);
      display: flex;
      gap: 16px;
      justify-content: space-between;
      padding: 8px 20px;
    }
    @media print {
      .bar {
        display: none;
      }
      ul {
        padding: 0;
      }
    }
    ul {
      display: grid;
      gap: 0;
      grid-template-columns: repeat(auto-fill, 62mm);
      list-style: none;
      margin: 0;
      padding: 8mm;
    }
    li {
      border: 1px dashed #999;
      break-inside: avoid;
      display: grid;
      gap: 3mm;
      grid-template-columns: auto 1fr;
      height: 32mm;
      overflow: hidden;
      padding: 3mm;
    }
    li.none {
      border: 0;
      display: block;
    }
    li div {
      display: flex;
      flex-direction: column;
      font-size: 11px;
      line-height: 1.25;
      min-width: 0;
    }
    b {
      font: 600 14px/1.15 var(--narrow);
    }
    .id {
      margin-top: auto;
    }
  `,
})
export class Labels {
  private readonly document = inject(DOCUMENT);
  /** Ids of the parts, with commas between them; from the address. */
  readonly parts = input('', { transform: asText });
  /** What was looked for on the shelf. */
  readonly find = input('', { transform: asText });
  private readonly all = toSignal(inject(Specimens).all$, { initialValue: [] });

  protected readonly labels = computed(() => {
    const wanted = this.parts().split(',').filter(Boolean);
    const byId = new Map(this.all().map((each) => [each.id, each]));
    return wanted.slice(0, MOST).flatMap((id) => {
      const part = byId.get(id);
      if (!part) return [];
      const { name, kind, shelf } = part;
      return [
        {
          id,
          name,
          kind: KINDS[kind].name,
          address: new URL(`/bench/${id}`, this.document.baseURI).href,
          place: shelf?.place,
          price: shelf?.price,
          includes: shelf?.includes,
        },
      ];
    });
  });
  protected readonly says = computed(() => {
    const [asked, shown] = [this.parts().split(',').filter(Boolean).length, this.labels().length];
    const labels = `${shown} ${shown === 1 ? 'label' : 'labels'}`;
    return asked > shown ? `${labels} of ${asked}: the others are not on the shelf, or are more than ${MOST}` : labels;
  });

  protected print(): void {
    this.document.defaultView?.print();
  }
}
