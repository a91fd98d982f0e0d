import type { Routes } from '@angular/router';

/** One station, one lazily loaded folder. The address holds the station's whole state. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: 'bench' },
  { path: 'bench', title: 'Bench · Which Bore', loadComponent: async () => (await import('./bench/benchStation')).BenchStation },
  { path: 'bench/:specimen', title: 'Bench · Which Bore', loadComponent: async () => (await import('./bench/benchStation')).BenchStation },
  { path: 'swap', title: 'Swap · Which Bore', loadComponent: async () => (await import('./swap/swapStation')).SwapStation },
  { path: 'shelf', title: 'Shelf · Which Bore', loadComponent: async () => (await import('./shelf/shelfStation')).ShelfStation },
  { path: '**', redirectTo: 'bench' },
];
