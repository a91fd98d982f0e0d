import { cam } from '../../dictionary/kinds/cam.js';
import { lookOf, type Assembly } from '../assembly.js';
import { said, type Outcome } from '../outcome.js';

/** What a valve, its lobe and its spring serve. */
export type Duty = 'intake' | 'exhaust';

/** The answer of a check that is about the lobes of one duty, where the cam serves the valves of the other only. */
export const withoutLobes = (assembly: Assembly, duty: Duty): Outcome | undefined =>
  lookOf(assembly, cam.features.serves) === (duty === 'intake' ? 'exhaust' : 'intake')
    ? said('fits', [`It has no ${duty} lobes.`], { arises: false })
    : undefined;
