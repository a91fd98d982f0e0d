/** A whole choice that holds. */
export interface Leaf {
  /** The less the better; no less than what its options cost. */
  readonly score: number;
  /** Choices of one key are alike in what matters: of them the best is told. */
  readonly key: string;
}

/** A leaf, and what was chosen for it. */
export interface Chosen<L extends Leaf> {
  readonly selection: readonly number[];
  readonly leaf: L;
}

/** Scores that differ by less are the same. */
export const SAME = 1e-9;

const inOrder = (a: readonly number[], b: readonly number[]): number => {
  const at = a.findIndex((each, index) => each !== b[index]);
  return at < 0 ? 0 : (a[at] ?? 0) - (b[at] ?? 0);
};

/** The better of two: by score, equal ones by the order of their options. */
export const betterFirst = <L extends Leaf>(a: Chosen<L>, b: Chosen<L>): number =>
  Math.abs(a.leaf.score - b.leaf.score) > SAME ? a.leaf.score - b.leaf.score : inOrder(a.selection, b.selection);

/** The best of each key, and of these no more than wanted. */
export class Best<L extends Leaf> {
  private readonly byKey = new Map<string, Chosen<L>>();
  private list: readonly Chosen<L>[] = [];

  /** @param below what scores as much is not wanted */
  constructor(
    private readonly most: number,
    private readonly below = Infinity,
  ) {}

  get all(): readonly Chosen<L>[] {
    return this.list;
  }

  /** What scores more than this is not wanted any more. */
  get threshold(): number {
    return this.list.length < this.most ? this.below : (this.list.at(-1)?.leaf.score ?? this.below);
  }

  offer(chosen: Chosen<L>): void {
    if (chosen.leaf.score >= this.below) return;
    const before = this.byKey.get(chosen.leaf.key);
    if (before && betterFirst(before, chosen) <= 0) return;
    this.byKey.set(chosen.leaf.key, chosen);
    this.list = [...this.list.filter(({ leaf }) => leaf.key !== chosen.leaf.key), chosen]
      .sort(betterFirst)
      .slice(0, this.most);
    // What fell out of the list may not come back by a worse choice of its key.
    for (const key of this.byKey.keys()) if (!this.list.some(({ leaf }) => leaf.key === key)) this.byKey.delete(key);
  }
}
