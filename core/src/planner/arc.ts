import { SAYS, type Constraint } from './constraint.js';
import { allOf, optionsOf, type OptionSet } from './optionSet.js';

/** A pair of variables that something is about, with what goes with each option of the one, a bit each. */
export class Arc {
  /** By the class of the option where there are classes, else by the option. */
  private readonly rows: (OptionSet | undefined)[] = [];
  /** What of the other variable is possible at all. Nothing is judged with what is ruled out from the start. */
  among: OptionSet | undefined;
  private groups: readonly { readonly one: number; readonly all: OptionSet }[] | undefined;

  constructor(
    readonly constraint: Constraint,
    readonly from: number,
    readonly to: number,
    private readonly size: number,
  ) {}

  row(option: number): OptionSet {
    const isFirst = this.constraint.vars[0] === this.from;
    const key = this.constraint.classes?.[isFirst ? 0 : 1]?.[option] ?? option;
    const known = this.rows[key];
    if (known) return known;
    const row = new Uint32Array((this.size + 31) >>> 5);
    for (const { one, all } of this.alike(isFirst ? 1 : 0)) {
      if (this.constraint.judge(isFirst ? [option, one] : [one, option]) === SAYS.refuses) continue;
      for (let word = 0; word < row.length; word++) row[word] = (row[word] ?? 0) | (all[word] ?? 0);
    }
    this.rows[key] = row;
    return row;
  }

  /** The options of the other variable that are judged alike, with one that speaks for them. */
  private alike(place: 0 | 1): NonNullable<typeof this.groups> {
    if (this.groups) return this.groups;
    const classes = this.constraint.classes?.[place];
    const byClass = new Map<number, { readonly one: number; readonly all: OptionSet }>();
    for (const other of optionsOf(this.among ?? allOf(this.size))) {
      const key = classes?.[other] ?? other;
      const group = byClass.get(key) ?? { one: other, all: new Uint32Array((this.size + 31) >>> 5) };
      group.all[other >>> 5] = (group.all[other >>> 5] ?? 0) | (1 << (other & 31));
      byClass.set(key, group);
    }
    return (this.groups = [...byClass.values()]);
  }
}
