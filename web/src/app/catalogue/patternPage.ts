import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import {
  COMPANION_SAYS,
  disputedIds,
  KINDS,
  markPlaceOf,
  partFromPattern,
  readBearing,
  sayShare,
  sayYears,
  slotOf,
  supersessionOf,
  SWAP_RESULT_SAYS,
  type FittedIn,
  type Mark,
  type PartNumber,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { recordPage } from './recordPage';
import { CompareLink } from '../ui/compareLink';
import { PartDrawing } from '../ui/drawing/partDrawing';
import { RecordLink } from '../ui/recordLink';
import { InTurn } from '../ui/turns';
import { sourceWords, ValueTable } from './valueTable';

/** One design of a part: drawn, measured, marked, numbered, where it was fitted, and who says all that. */
@Component({
  selector: 'wb-pattern-page',
  imports: [CompareLink, InTurn, NzButtonModule, PartDrawing, RecordLink, RouterLink, ValueTable],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './patternPage.html',
  styleUrl: './page.less',
})
export class PatternPage {
  readonly id = input.required<string>();
  private readonly page = recordPage('pattern', this.id);
  protected readonly catalogue = this.page.catalogue;
  protected readonly leftOut = this.page.leftOut;

  protected readonly pattern = computed(() => this.catalogue()?.pattern(this.id()));
  protected readonly view = computed(() => {
    const [catalogue, pattern] = [this.catalogue(), this.pattern()];
    if (!catalogue || !pattern) return undefined;
    return {
      kind: KINDS[pattern.kind],
      faces: Object.keys(KINDS[pattern.kind].interfaces).length > 0,
      part: partFromPattern(pattern, catalogue.label(pattern.id)),
      family: pattern.family === undefined ? undefined : catalogue.familyLabel(pattern.family),
      years: pattern.years && sayYears(pattern.years),
      source: pattern.source && sourceWords(pattern.source),
      disputes: disputedIds(pattern).length,
      fitted: catalogue.fittedIn(pattern.id),
      named: catalogue.companionsOf(pattern.id),
      swaps: catalogue.swapsOf(pattern.id),
      bearing: pattern.kind === 'rollingBearing' ? bearingOf(pattern.numbers) : undefined,
    };
  });

  protected readonly companionSays = COMPANION_SAYS;
  protected readonly kindNames = KINDS;
  protected readonly resultSays = SWAP_RESULT_SAYS;

  protected markWords(mark: Mark): string {
    const where = mark.place === undefined ? '' : `, ${markPlaceOf(mark.place).name}`;
    return `${mark.making}${where}${mark.note === undefined ? '' : `; ${mark.note}`}`;
  }

  /** The numbers that replaced this one, one after the other, each with the patterns that carry it. */
  protected replacements(number: PartNumber) {
    const catalogue = this.catalogue();
    if (!catalogue) return [];
    return supersessionOf(catalogue, number).way.map((each) => ({
      number: each,
      patterns: catalogue.withNumber(each).map(({ pattern }) => pattern.id),
    }));
  }

  protected fitmentWords({ variant, fitment }: FittedIn): string {
    const from = fitment.from ?? variant.years?.from;
    const to = fitment.to ?? variant.years?.to;
    return [
      slotOf(fitment.slot)?.name ?? fitment.slot,
      from === undefined ? '' : sayYears(to === undefined ? { from } : { from, to }),
      fitment.serialFrom === undefined && fitment.serialTo === undefined
        ? ''
        : `serials ${fitment.serialFrom ?? ''}–${fitment.serialTo ?? ''}`,
      fitment.share === undefined ? '' : `${sayShare(fitment.share)} (${Math.round(fitment.share * 100)} %)`,
      fitment.note ?? '',
    ]
      .filter(Boolean)
      .join(', ');
  }
}

/** What the designation of a bearing says; undefined where none of its numbers is one. */
function bearingOf(numbers: readonly PartNumber[]) {
  for (const { number } of numbers) {
    try {
      return readBearing(number).says;
    } catch {
      // Not every number of a bearing is a designation.
    }
  }
  return undefined;
}
