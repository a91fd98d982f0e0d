import {
  identify,
  indexCatalogue,
  partFromPattern,
  partFromSpecimen,
  patternLabel,
  swap,
  type Catalogue,
  type CatalogueIndex,
  type KindId,
  type LineUp,
  type Part,
  type Specimen,
  type Swap,
  type Understood,
} from '@which-bore/core';
import { expose } from 'comlink';

/** The donor of a swap, as the worker is told of it. */
export type Donor = { readonly pattern: string } | { readonly specimen: Specimen; readonly as: string | undefined };

let catalogue: Catalogue | undefined;
let indexes = new Map<KindId, CatalogueIndex>();

const label = (id: string): string => {
  const pattern = catalogue?.patterns.find((each) => each.id === id);
  return pattern
    ? patternLabel(
        pattern,
        catalogue?.families.find((family) => family.id === pattern.family),
      )
    : id;
};

function patternPart(id: string): Part | undefined {
  const pattern = catalogue?.patterns.find((each) => each.id === id);
  return pattern && partFromPattern(pattern, label(id));
}

/** The heavy sums, off the page's thread: the same core as on the server. */
const bench = {
  load(loaded: Catalogue): void {
    catalogue = loaded;
    indexes = new Map();
  },

  identify(kind: KindId, readings: readonly Understood[], most: number): LineUp {
    const index = indexes.get(kind) ?? indexCatalogue(kind, catalogue?.patterns ?? []);
    indexes.set(kind, index);
    return identify(index, readings, most);
  },

  /** The donor into every pattern of the kind, by recipient id; empty where the kinds do not meet. */
  swapAll(donor: Donor, recipients: readonly string[]): Record<string, Swap> {
    const shells = (catalogue?.patterns ?? []).filter((pattern) => pattern.kind === 'mainShell').map((pattern) => partFromPattern(pattern, label(pattern.id)));
    const part =
      'pattern' in donor
        ? patternPart(donor.pattern)
        : partFromSpecimen(
            donor.specimen,
            catalogue?.patterns.find((each) => each.id === donor.as),
          );
    if (part?.kind !== 'crank') return {};
    return Object.fromEntries(
      recipients.flatMap((id): [string, Swap][] => {
        const recipient = patternPart(id);
        return recipient ? [[id, swap(part, recipient, shells)]] : [];
      }),
    );
  },
};

export type BenchWorker = typeof bench;

expose(bench);
