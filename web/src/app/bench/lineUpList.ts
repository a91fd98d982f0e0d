import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { sayProbability, sayStatus, sayYears, type Candidate, type CatalogueLookup, type LineUp, type Pull, type Status } from '@which-bore/core';
import { Said } from '../ui/said';

/** Weight at which a bar reaches its end, in decibans. */
const FULL = 30;

const STATUS_WORDS: Readonly<Record<Status, string>> = {
  settled: 'Settled',
  probable: 'Probable',
  open: 'Open',
  nothingFits: 'Nothing here fits',
  noEvidence: 'Nothing read yet',
};

/** The candidates with their probability, and what pulls for and against each. */
@Component({
  selector: 'wb-line-up',
  imports: [Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './lineUpList.html',
  styleUrl: './lineUpList.less',
})
export class LineUpList {
  readonly lineUp = input.required<LineUp>();
  readonly catalogue = input.required<CatalogueLookup>();
  /** Pattern id of the candidate laid open. */
  readonly chosen = input<string>();
  readonly choose = output<string>();

  protected readonly status = computed(() => STATUS_WORDS[this.lineUp().status]);
  protected readonly says = computed(() => sayStatus(this.lineUp(), (id) => this.catalogue().label(id)));
  protected readonly probability = sayProbability;

  /** Candidates, with *none of these* at the place its probability gives it. */
  protected readonly rows = computed(() => {
    const { candidates, none } = this.lineUp();
    const rows: (Candidate | 'none')[] = [...candidates];
    const at = candidates.findIndex((candidate) => candidate.probability < none);
    rows.splice(at < 0 ? rows.length : at, 0, 'none');
    return rows;
  });

  protected name(id: string): string {
    return this.catalogue().pattern(id)?.name ?? id;
  }

  /** Family and years, as far as the catalogue has them. */
  protected under(id: string): string {
    const pattern = this.catalogue().pattern(id);
    const family = pattern?.family === undefined ? [] : [this.catalogue().familyLabel(pattern.family)];
    return [...family, ...(pattern?.years ? [sayYears(pattern.years)] : [])].join(', ');
  }

  protected width(pull: Pull): number {
    return (50 * Math.min(FULL, Math.abs(pull.decibans))) / FULL;
  }

  protected weight(pull: Pull): string {
    const rounded = Math.round(pull.decibans);
    return rounded > 0 ? `+${rounded}` : rounded < 0 ? `−${-rounded}` : '0';
  }
}
