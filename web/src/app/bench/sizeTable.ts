import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import {
  compareFaces,
  decideWithin,
  digitsOf,
  ToolDrawer,
  finerTool,
  KINDS,
  middle,
  partFromPattern,
  sayLook,
  showValue,
  type Interval,
  type Parameter,
  type Part,
  type Pattern,
  type Value,
} from '@which-bore/core';
import { Preferences } from '../data/preferences';

type Spotted = Pick<Value, 'interval' | 'spots' | 'outOfRound' | 'taper'> & {
  readonly position: number | undefined;
  readonly found: number;
};

interface Row {
  readonly id: string;
  readonly name: string;
  readonly definition: string;
  readonly mine: string | undefined;
  /** What was measured place by place. */
  readonly places?: readonly PlaceShown[];
  readonly theirs: string | undefined;
  readonly differs: string | undefined;
  /** Why it stands so, where that is not plain. */
  readonly why?: string;
  readonly look: boolean;
}

/** A place, heights and directions on it, and how far it is from round and parallel. */
interface PlaceShown {
  readonly position: number | undefined;
  /** A line for each height. */
  readonly heights: readonly { readonly level: string; readonly size: string }[];
  readonly lacks: readonly string[];
}

const SAID_OF_FACES = { same: 'same', perhaps: 'same ?', other: 'differs' } as const;

/** How far a size lies outside of limits: below them less than nothing. */
const outside = (size: number, { low, high }: Interval): number =>
  size < low ? size - low : size > high ? size - high : 0;

/** Every size, look and face of the kind, as found on this part and as the candidate has it. */
@Component({
  selector: 'wb-size-table',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (rows().length > 0) {
      <table>
        <thead>
          <tr>
            <th scope="col">Sizes in {{ units() }}</th>
            <th scope="col">This part</th>
            @if (against()) {
              <th scope="col">Candidate</th>
              <th scope="col">Off</th>
            }
          </tr>
        </thead>
        <tbody>
          @for (row of rows(); track row.id) {
            <tr>
              <th scope="row" [title]="row.definition">{{ row.name }}</th>
              <td class="figures mine" [class.look]="row.look">
                @for (place of row.places; track $index) {
                  <span class="place">
                    @for (height of place.heights; track $index) {
                      <span class="place"
                        ><small>{{ $first ? place.position : '' }} {{ height.level }}</small> {{ height.size }}</span
                      >
                    }
                    @for (lack of place.lacks; track lack) {
                      <small class="lack">{{ lack }}</small>
                    }
                  </span>
                } @empty {
                  {{ row.mine ?? '' }}
                }
              </td>
              @if (against()) {
                <td class="figures look">{{ row.theirs ?? '' }}</td>
                <td class="figures off" [title]="row.why ?? ''">{{ row.differs ?? '' }}</td>
              }
            </tr>
          }
        </tbody>
      </table>
    }
  `,
  styles: `
    table {
      border-collapse: collapse;
      font-size: 14px;
      width: 100%;
    }
    th {
      font: 600 14px/1.25 var(--narrow);
      text-align: left;
    }
    thead th {
      border-bottom: 1px solid var(--rule-strong);
      color: var(--ink-soft);
      padding-bottom: 3px;
    }
    tbody tr {
      border-bottom: 1px dotted var(--rule);
    }
    tbody th {
      font-size: 15px;
      padding: 3px 6px 3px 0;
    }
    td,
    thead th:not(:first-child) {
      padding-left: 6px;
      text-align: right;
    }
    td {
      font-size: 12.5px;
      white-space: nowrap;
    }
    .look {
      white-space: normal;
    }
    .place {
      display: block;
    }
    .place small {
      color: var(--ink-soft);
      font-weight: 400;
    }
    .lack {
      display: block;
      font-family: var(--narrow);
      font-size: 13px;
    }
    .mine {
      color: var(--brass);
      font-weight: 700;
    }
  `,
})
export class SizeTable {
  private readonly preferences = inject(Preferences);
  /** The part as measured alone. */
  readonly part = input.required<Part>();
  readonly against = input<Pattern>();
  /** The shop's instruments, of which a finer one may be named. */
  readonly drawer = input(new ToolDrawer());

  protected readonly units = computed(() => (this.preferences.units() === 'inch' ? 'inches' : 'mm'));

  protected readonly rows = computed((): Row[] => {
    const kind = KINDS[this.part().kind];
    const pattern = this.against();
    const candidate = pattern && partFromPattern(pattern, '');
    const units = this.preferences.units();
    const sizes = Object.values(kind.parameters).map((parameter): Row => {
      const mine = this.part().values[parameter.id];
      const theirs = candidate?.values[parameter.id];
      const places: readonly Spotted[] = mine?.at
        ? mine.at.map((at) => ({ ...at, found: middle(at.interval) }))
        : mine?.spots
          ? [{ ...mine, position: undefined, found: middle(mine.interval) }]
          : [];
      const all = places.length > 0 ? places : mine ? [{ found: middle(mine.interval), interval: mine.interval }] : [];
      // Of several places the one that lies furthest out is told of.
      const [worst] = theirs
        ? [...all].sort(
            (a, b) => Math.abs(outside(b.found, theirs.interval)) - Math.abs(outside(a.found, theirs.interval)),
          )
        : all;
      const found = worst?.found;
      return {
        id: parameter.id,
        name: parameter.name,
        definition: parameter.definition,
        mine: found === undefined ? undefined : digitsOf(found, parameter.quantity, units),
        theirs:
          theirs &&
          `${digitsOf(theirs.interval.low, parameter.quantity, units)} – ${digitsOf(theirs.interval.high, parameter.quantity, units)}`,
        ...this.judged(
          parameter,
          worst?.interval,
          theirs?.interval,
          worst && theirs ? outside(worst.found, theirs.interval) : 0,
        ),
        ...(places.length > 0
          ? {
              places: places.map((at) => this.placeShown(at, parameter)),
            }
          : {}),
        look: false,
      };
    });
    const looks = Object.values(kind.features).map((feature): Row => {
      const mine = this.part().looks[feature.id]?.option;
      const theirs = candidate?.looks[feature.id]?.option;
      const counted = 'count' in feature.form;
      const name = (option: string | undefined) =>
        option === undefined ? undefined : counted ? option : sayLook(feature, option);
      return {
        id: feature.id,
        name: feature.name,
        definition: feature.tell,
        mine: name(mine),
        theirs: name(theirs),
        differs: mine === undefined || theirs === undefined ? undefined : mine === theirs ? 'same' : 'differs',
        look: true,
      };
    });
    const faces = Object.values(kind.interfaces).map((face): Row => {
      const mine = this.part().interfaces[face.id];
      const theirs = candidate?.interfaces[face.id];
      return {
        id: face.id,
        name: face.name,
        definition: face.definition,
        mine,
        theirs,
        differs: mine === undefined || theirs === undefined ? undefined : SAID_OF_FACES[compareFaces(mine, theirs)],
        look: true,
      };
    });
    return [...sizes, ...looks, ...faces].filter((row) => row.mine !== undefined || row.theirs !== undefined);
  });

  /** Each height of a place, its directions with a cross between them, and what follows from them. */
  private placeShown({ position, found, spots, outOfRound, taper }: Spotted, { quantity }: Parameter): PlaceShown {
    const units = this.preferences.units();
    const digits = (size: number) => digitsOf(size, quantity, units);
    const rows = new Map<string, string[]>();
    for (const { level = '', interval } of spots ?? [])
      rows.set(level, [...(rows.get(level) ?? []), digits(middle(interval))]);
    return {
      position,
      heights:
        rows.size > 0
          ? [...rows].map(([level, row]) => ({ level, size: row.join(' × ') }))
          : [{ level: '', size: digits(found) }],
      lacks: [
        ...(outOfRound ? [`${digits(middle(outOfRound))} out of round`] : []),
        ...(taper ? [`${digits(middle(taper))} taper`] : []),
      ],
    };
  }

  /**
   * Inside or outside the limits once the instrument's uncertainty is guarded in; or that it cannot tell, and what can.
   */
  private judged(
    parameter: Parameter,
    mine: Interval | undefined,
    theirs: Interval | undefined,
    off: number,
  ): Pick<Row, 'differs' | 'why'> {
    if (!mine || !theirs) return { differs: undefined };
    const units = this.preferences.units();
    const said = off === 0 ? 'inside' : `${off > 0 ? '+' : ''}${digitsOf(off, parameter.quantity, units)}`;
    if (decideWithin(mine, theirs) !== 'cannotTell') return { differs: said };
    const uncertain = (mine.high - mine.low) / 2;
    const finer = finerTool(this.drawer(), parameter.instruments, middle(theirs), uncertain);
    const why = `Uncertain by ${showValue(uncertain, parameter.quantity, units)} either way, so this instrument cannot tell whether it is inside. ${finer ? `${finer.name} can tell better.` : 'None of the shop’s is much finer.'}`;
    return { differs: `${said} ?`, why };
  }
}
