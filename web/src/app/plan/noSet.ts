import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { say, type Answers } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Preferences } from '../data/preferences';
import { Said } from '../ui/said';
import { VerdictMark } from '../ui/verdictMark';
import { comesTo, sayDays } from './comesTo';
import { SetDetail } from './setDetail';

/** Demands that are let go, and what is then to be had. */
export type WayOut = Answers['planConflicts']['relaxations'][number];

/** No set meets it all: the fewest demands that cannot hold together, and what there is when some are let go. */
@Component({
  selector: 'wb-no-set',
  imports: [NzButtonModule, Said, SetDetail, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './noSet.html',
  styleUrls: ['./setList.less', './noSet.less'],
})
export class NoSet {
  private readonly preferences = inject(Preferences);
  readonly found = input.required<Answers['planSets']>();
  readonly conflicts = input<Answers['planConflicts']>();
  readonly busy = input(false);
  readonly taken = output<WayOut>();

  private readonly chosen = signal(0);
  protected readonly days = sayDays;
  protected readonly ways = computed(() => this.conflicts()?.relaxations ?? []);
  protected readonly at = computed(() => Math.min(this.chosen(), this.ways().length - 1));
  protected readonly way = computed(() => this.ways()[this.at()]);

  protected readonly says = computed(() => {
    const { combinations, proved, refused } = this.found();
    const most = refused[0]?.by;
    const why = most === undefined ? '' : ` What ruled most out: ${most.toLowerCase()}.`;
    return proved
      ? `None of ${combinations.toLocaleString('en-GB')} choices meets all of it: that is proved.${why}`
      : `None was found among ${combinations.toLocaleString('en-GB')} choices before it was stopped.${why} Ask for less at once, or free fewer places.`;
  });

  protected choose(at: number): void {
    this.chosen.set(at);
  }

  protected letGo({ demands }: WayOut): string {
    return demands.map(({ says }) => say(says, this.preferences.units())).join('; ');
  }

  protected comesTo({ set }: WayOut): string {
    return comesTo(set, this.preferences.units());
  }
}
