import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  CLAIM_KIND_NAMES,
  optionOf,
  sayLook,
  showInterval,
  showValue,
  sizeOf,
  UNITS,
  type Claim,
  type ClaimSource,
  type Described,
  type Kind,
  type Voice,
} from '@which-bore/core';
import { Preferences } from '../data/preferences';

interface SaidBy {
  readonly says: string;
  readonly who: string;
  readonly more: string;
  readonly standing: Voice<unknown>['standing'];
}
interface Row {
  readonly id: string;
  readonly name: string;
  readonly definition: string;
  readonly value: string;
  /** As its source gave it, where the reader's units are others. */
  readonly given: string;
  readonly more: readonly string[];
  readonly disputed: boolean;
  readonly voices: readonly SaidBy[];
}

const STANDING: Readonly<Record<Voice<unknown>['standing'], string>> = {
  used: 'used',
  agrees: 'agrees',
  contradicts: 'says otherwise',
};

/** Every value of a record with who says so: disputes lie open, the rest answers when asked. */
@Component({
  selector: 'wb-value-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <table>
      <tbody>
        @for (row of rows(); track row.id) {
          <tr [class.disputed]="row.disputed" [attr.data-value]="row.id">
            <th scope="row">{{ row.name }}</th>
            <td>
              <span class="figures value">{{ row.value }}</span>
              @for (each of row.more; track $index) {
                <small>{{ each }}</small>
              }
              <details [open]="row.disputed">
                <summary>
                  {{ row.disputed ? 'Disputed' : 'Why' }}<span class="seen-by-readers">: {{ row.name }}</span>
                </summary>
                <p class="quiet">{{ row.definition }} {{ row.given }}</p>
                <ul>
                  @for (voice of row.voices; track $index) {
                    <li [class]="voice.standing">
                      <b class="figures">{{ voice.says }}</b> {{ voice.who }},
                      <i>{{ standing[voice.standing] }}</i>.&ngsp;
                      @if (voice.more) {
                        <span class="quiet">{{ voice.more }}</span>
                      }
                    </li>
                  }
                </ul>
              </details>
            </td>
          </tr>
        } @empty {
          <tr>
            <td class="quiet">Nothing is recorded yet.</td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styles: `
    table {
      border-collapse: collapse;
      width: 100%;
    }
    tr {
      border-bottom: 1px dotted var(--rule);
    }
    th {
      font: 600 15px/1.25 var(--narrow);
      padding: 4px 12px 4px 0;
      text-align: left;
      vertical-align: top;
      width: 42%;
    }
    td {
      padding: 3px 0;
    }
    small {
      color: var(--ink-soft);
      display: inline-block;
      font-size: 13px;
      margin-left: 10px;
    }
    details {
      font-size: 13.5px;
    }
    details:not([open]) {
      display: inline-block;
      margin-left: 10px;
    }
    summary {
      color: var(--dye);
      cursor: pointer;
      list-style: none;
      padding: 2px 4px;
    }
    details p,
    details ul {
      list-style: none;
      margin: 2px 0;
      padding: 0;
    }
    .disputed {
      th {
        border-left: 4px solid var(--work);
        padding-left: 8px;
      }
      summary {
        color: var(--work);
        font-weight: 600;
      }
    }
    .contradicts b,
    .contradicts i {
      color: var(--never);
    }
  `,
})
export class ValueTable {
  private readonly preferences = inject(Preferences);
  readonly described = input.required<Described>();
  readonly kind = input.required<Kind>();
  /** Sizes, looks, or faces. */
  readonly show = input.required<'sizes' | 'looks' | 'faces'>();
  protected readonly standing = STANDING;

  protected readonly rows = computed((): Row[] => {
    const kind = this.kind();
    switch (this.show()) {
      case 'sizes':
        return this.sizes();
      case 'looks':
        return Object.values(kind.features).flatMap((feature) =>
          this.option(feature.id, feature.name, feature.tell, (option) => sayLook(feature, option)),
        );
      case 'faces':
        return Object.values(kind.interfaces).flatMap((face) =>
          this.option(face.id, face.name, face.definition, (option) => option),
        );
    }
  });

  private sizes(): Row[] {
    const units = this.preferences.units();
    return Object.values(this.kind().parameters).flatMap((parameter): Row[] => {
      const derived = sizeOf(this.described(), parameter);
      if (!derived) return [];
      const show = (range: typeof derived.value.limits) => showInterval(range, parameter.quantity, units);
      const { limits, service, wearLimit, toleranceAssumed } = derived.value;
      const stated = this.described().dimensions[parameter.id];
      const given =
        stated && `${stated.low}${stated.high === stated.low ? '' : ` to ${stated.high}`} ${UNITS[stated.unit].symbol}`;
      return [
        {
          id: parameter.id,
          name: parameter.name,
          definition: parameter.definition,
          // One figure is shown as it was given; the tolerance taken with it is said, not mixed in.
          value:
            toleranceAssumed && !derived.disputed
              ? showValue((limits.low + limits.high) / 2, parameter.quantity, units)
              : show(limits),
          given: given === undefined ? '' : `Given as ${given}.`,
          more: [
            ...(wearLimit === undefined ? [] : [`worn out at ${showValue(wearLimit, parameter.quantity, units)}`]),
            ...(stated?.service === undefined
              ? []
              : [
                  service.length === 0
                    ? 'no service sizes'
                    : `service ${stated.service.join(', ')} ${UNITS[stated.unit].symbol}`,
                ]),
            ...(stated?.note === undefined ? [] : [stated.note]),
          ],
          disputed: derived.disputed,
          voices: derived.voices.map((voice) => saidBy(voice, show(voice.says.limits))),
        },
      ];
    });
  }

  private option(id: string, name: string, definition: string, says: (option: string) => string): Row[] {
    const derived = optionOf(this.described(), id);
    return derived
      ? [
          {
            id,
            name,
            definition,
            value: says(derived.value),
            given: '',
            more: [],
            disputed: derived.disputed,
            voices: derived.voices.map((voice) => saidBy(voice, says(voice.says))),
          },
        ]
      : [];
  }
}

function saidBy({ source, standing }: Voice<unknown>, says: string): SaidBy {
  return { says, who: sourceWords(source), more: [source.basis, source.note].filter(Boolean).join('. '), standing };
}

/** Who says so, in words: `maker’s sheet (Brackmere service sheet, 1971)`. */
export function sourceWords({ kind, who, on }: ClaimSource & Partial<Pick<Claim, 'basis'>>): string {
  const about = [who, on].filter(Boolean).join(', ');
  return about === '' ? CLAIM_KIND_NAMES[kind] : `${CLAIM_KIND_NAMES[kind]} (${about})`;
}
