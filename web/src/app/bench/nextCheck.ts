import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  checkKey,
  featureOf,
  isIdOf,
  markPlaceOf,
  parameterOf,
  REACHES,
  REACH_SAYS,
  sayEntry,
  sayLook,
  type AdviceTold,
  type CheckTold,
  type Reach,
  type Status,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Said } from '../ui/said';
import { InTurn } from '../ui/turns';

/** What a look can come to, to be answered at one press. */
interface Answer {
  readonly option: string;
  readonly name: string;
}

/** Looks with more answers than this are typed instead. */
const PRESSED = 10;

/** What to look at, read or measure next: how, with what, how long it takes, and what it should settle. */
@Component({
  selector: 'wb-next-check',
  imports: [FormsModule, InTurn, NzButtonModule, NzSelectModule, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './nextCheck.html',
  styleUrl: './nextCheck.less',
})
export class NextCheck {
  readonly advice = input.required<AdviceTold>();
  readonly state = input<Reach>();
  readonly skipped = input<readonly string[]>([]);
  /** How sure the answer is. */
  readonly status = input.required<Status>();

  readonly skip = output<string>();
  readonly unskip = output<string>();
  readonly stateChange = output<Reach>();
  /** The beginning of an entry, to be gone on with. */
  readonly propose = output<string>();
  readonly seen = output<{ readonly feature: string; readonly option: string }>();
  readonly noMark = output<string>();

  protected readonly states = REACHES.map((id) => ({ id, name: REACH_SAYS[id] }));
  protected readonly best = computed(() => this.advice().checks[0]);
  protected readonly others = computed(() => this.advice().checks.slice(1, 7));
  protected readonly then = computed(() => this.advice().plan.slice(1));
  protected readonly key = checkKey;

  protected readonly answers = computed((): readonly Answer[] => {
    const best = this.best();
    if (best?.sort !== 'look' || !best.answers || best.answers.length > PRESSED) return [];
    const feature = featureOf(best.id);
    return best.answers.map((option) => ({
      option,
      name: 'options' in feature.form ? sayLook(feature, option) : option,
    }));
  });

  /** What is said where nothing is worth checking. */
  protected readonly idle = computed(() => {
    switch (this.status()) {
      case 'settled':
        return 'The part is named; nothing more needs checking.';
      case 'sister':
      case 'nothingFits':
        return 'It is none of these, and no further check is likely to change that.';
      case 'probable':
      case 'open':
      case 'noEvidence':
        return 'Nothing left to check tells the candidates apart.';
    }
  });

  /** How much of what is uncertain it should clear up, in words. */
  protected readonly worth = computed(() => {
    const best = this.best();
    if (!best) return '';
    const share = Math.min(1, best.bits / Math.max(this.advice().uncertainty, 1e-9));
    const settles =
      best.settles < 0.005
        ? 'it will hardly name the part by itself'
        : best.settles > 0.995
          ? 'it then almost surely names the part'
          : `with a chance of ${percent(best.settles)} it names the part`;
    return `Should clear up ${percent(share)} of what is uncertain; ${settles}.`;
  });

  protected readonly stands = computed(() => {
    const separation = this.advice().separation;
    if (!separation || separation.state === 'open') return '';
    const [a, b] = separation.names;
    return separation.state === 'alike'
      ? `Nothing left to check tells ${a ?? ''} from ${b ?? ''}: as far as the catalogue knows they may be one part.`
      : `Only this could still tell ${a ?? ''} from ${b ?? ''}: ${separation.blockedBy.join('; ')}.`;
  });

  protected minutes({ minutes, dismantling }: CheckTold): string {
    const own = `${minutes < 1 ? '½' : Number(minutes.toFixed(1))} min`;
    return dismantling > 0 ? `${own}, after ${dismantling} min of taking apart` : own;
  }

  protected start(check: CheckTold): void {
    this.propose.emit(beginning(check));
  }

  protected named(key: string): string {
    const [sort = '', id = ''] = key.split(' ');
    if (sort === 'mark') return isIdOf('markPlace', id) ? `mark on the ${markPlaceOf(id).name}` : id;
    return isIdOf('parameter', id) || isIdOf('feature', id) ? sayEntry(id) : id;
  }
}

const percent = (share: number): string =>
  share > 0.995 ? 'nearly all' : share < 0.005 ? 'hardly any' : `${Math.round(share * 100)} %`;

/** The words with which the entry line begins what was asked for. */
function beginning({ sort, id }: CheckTold): string {
  switch (sort) {
    case 'size':
      return `${parameterOf(id).synonyms[0] ?? parameterOf(id).name.toLowerCase()} `;
    case 'mark': {
      const place = markPlaceOf(id);
      return `${place.makings[0] ?? ''} ${place.words[0] ?? ''} `;
    }
    case 'look':
      return `${featureOf(id).synonyms[0] ?? featureOf(id).name.toLowerCase()} `;
  }
}
