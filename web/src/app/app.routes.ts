import type { Routes, UrlMatcher } from '@angular/router';

/**
 * `bench`, with or without a specimen. One route for both: when the first reading begins a specimen the address gains
 * its id, and the station must stay as it is, with whatever is being typed into it.
 */
const benchAddress: UrlMatcher = (segments) => {
  const [station, specimen, more] = segments;
  if (station?.path !== 'bench' || more) return null;
  return { consumed: segments, posParams: specimen ? { specimen } : {} };
};

/** One station, one lazily loaded folder. The address holds the station's whole state. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'bench' },
  { matcher: benchAddress, title: 'Bench · Which Bore', loadComponent: async () => (await import('./bench/benchStation')).BenchStation },
  { path: 'swap', title: 'Swap · Which Bore', loadComponent: async () => (await import('./swap/swapStation')).SwapStation },
  { path: 'shelf', title: 'Shelf · Which Bore', loadComponent: async () => (await import('./shelf/shelfStation')).ShelfStation },
  { path: '**', redirectTo: 'bench' },
];
