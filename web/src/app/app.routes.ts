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
  {
    matcher: benchAddress,
    title: 'Bench · Which Bore',
    loadComponent: async () => (await import('./bench/benchStation')).BenchStation,
  },
  {
    path: 'compare',
    title: 'Compare · Which Bore',
    loadComponent: async () => (await import('./compare/compareStation')).CompareStation,
  },
  {
    path: 'swap',
    title: 'Swap · Which Bore',
    loadComponent: async () => (await import('./swap/swapStation')).SwapStation,
  },
  {
    path: 'swap/grid',
    title: 'Many against many · Which Bore',
    loadComponent: async () => (await import('./swap/gridPage')).GridPage,
  },
  { path: 'plan', title: 'Plan · Which Bore', loadComponent: async () => (await import('./plan/buildList')).BuildList },
  {
    path: 'plan/compare',
    title: 'Builds side by side · Which Bore',
    loadComponent: async () => (await import('./plan/compareBuilds')).CompareBuilds,
  },
  {
    path: 'plan/:id/find',
    title: 'Find a set · Which Bore',
    loadComponent: async () => (await import('./plan/findSets')).FindSets,
  },
  {
    path: 'plan/:id',
    title: 'Plan · Which Bore',
    loadComponent: async () => (await import('./plan/planStation')).PlanStation,
  },
  { path: 'fit', title: 'Fit · Which Bore', loadComponent: async () => (await import('./fit/fitStation')).FitStation },
  {
    path: 'order',
    title: 'Order · Which Bore',
    loadComponent: async () => (await import('./order/orderStation')).OrderStation,
  },
  {
    path: 'card/:specimen',
    title: 'Bench card · Which Bore',
    loadComponent: async () => (await import('./bench/benchCard')).BenchCard,
  },
  { path: 'jobs', title: 'Jobs · Which Bore', loadComponent: async () => (await import('./jobs/jobList')).JobList },
  {
    path: 'jobs/:id',
    title: 'Job · Which Bore',
    loadComponent: async () => (await import('./jobs/jobStation')).JobStation,
  },
  {
    path: 'rules',
    title: 'House rules · Which Bore',
    loadComponent: async () => (await import('./rules/rulesStation')).RulesStation,
  },
  {
    path: 'practice',
    title: 'Practice · Which Bore',
    loadComponent: async () => (await import('./practice/practiceStation')).PracticeStation,
  },
  {
    path: 'shelf',
    title: 'Shelf · Which Bore',
    loadComponent: async () => (await import('./shelf/shelfStation')).ShelfStation,
  },
  { path: 'labels', title: 'Labels · Which Bore', loadComponent: async () => (await import('./shelf/labels')).Labels },
  {
    path: 'catalogue',
    title: 'Catalogue · Which Bore',
    loadComponent: async () => (await import('./catalogue/catalogueStation')).CatalogueStation,
    children: [
      {
        path: '',
        pathMatch: 'full',
        loadComponent: async () => (await import('./catalogue/overviewPage')).OverviewPage,
      },
      { path: 'family/:id', loadComponent: async () => (await import('./catalogue/familyPage')).FamilyPage },
      { path: 'variant/:id', loadComponent: async () => (await import('./catalogue/variantPage')).VariantPage },
      { path: 'pattern/:id', loadComponent: async () => (await import('./catalogue/patternPage')).PatternPage },
      { path: 'edit/:type/:id', loadComponent: async () => (await import('./catalogue/editPage')).EditPage },
      { path: 'new/:type', loadComponent: async () => (await import('./catalogue/editPage')).EditPage },
      { path: 'audit', loadComponent: async () => (await import('./catalogue/auditPage')).AuditPage },
      {
        path: 'calibration',
        loadComponent: async () => (await import('./catalogue/calibrationPage')).CalibrationPage,
      },
      { path: 'import', loadComponent: async () => (await import('./catalogue/importPage')).ImportPage },
      { path: 'import/:id', loadComponent: async () => (await import('./catalogue/importPage')).ImportPage },
      { path: 'changes', loadComponent: async () => (await import('./catalogue/changesPage')).ChangesPage },
    ],
  },
  // As it was called before: addresses that somebody kept still lead there.
  { path: 'drill', redirectTo: 'practice' },
  { path: '**', redirectTo: 'bench' },
];
