import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  showInterval,
  showValue,
  VERDICT_WORDS,
  type JudgedCheckTold,
  type JudgedJointTold,
  type OptionTold,
} from '@which-bore/core';
import { Preferences } from '../data/preferences';
import { BandStrip } from '../ui/bandStrip';
import { growing } from '../ui/growing';
import { OrderRemedy } from '../ui/orderRemedy';
import { Said } from '../ui/said';
import { VerdictMark } from '../ui/verdictMark';

/** The joints of a swap in the order of assembly: each check with what was found and wanted, and what would mend it. */
@Component({
  selector: 'wb-joints',
  imports: [BandStrip, OrderRemedy, RouterLink, Said, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './joints.html',
  styleUrl: './joints.less',
})
export class Joints {
  private readonly preferences = inject(Preferences);
  readonly joints = input.required<readonly JudgedJointTold[]>();
  /** What a pattern is called. */
  readonly label = input.required<(id: string) => string>();

  /** The job whose engine it goes into, where it is one. */
  readonly job = input<string>();

  protected readonly words = VERDICT_WORDS;
  /** A whole engine has some twenty joints and several checks in each: too many for one turn of the page. */
  protected readonly drawn = growing(this.joints, 2);

  protected range(check: JudgedCheckTold, which: 'found' | 'required'): string {
    const range = check[which];
    const units = this.preferences.units();
    if (!range) return '';
    return which === 'required' && check.atLeast
      ? `${showValue(range.low, check.quantity, units)} or more`
      : showInterval(range, check.quantity, units);
  }

  /** What an option takes, in words; nothing where it takes nothing worth naming. */
  protected takes({ hours, price }: OptionTold): string {
    return [...(hours > 0 ? [`${hours} h`] : []), ...(price > 0 ? [`about ${price}`] : [])].join(', ');
  }
}
