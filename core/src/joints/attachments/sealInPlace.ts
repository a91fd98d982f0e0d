import { seal } from '../../dictionary/kinds/seal.js';
import { ends } from '../../thumb/index.js';
import type { Joint } from '../check.js';
import { sameLook } from '../shapes/same.js';
import { sameSize } from '../shapes/sizes.js';

/** A seal in place of another: shaft and housing stay, and the way the shaft turns. */
export const sealInPlace: Joint = {
  id: 'sealInPlace',
  name: 'In place of the seal',
  kinds: ['seal'],
  inPlaceOf: 'seal',
  checks: [
    ...(
      [
        ['sealShaft', 'Shaft', seal.parameters.shaft, ends.sealShaft],
        ['sealOutside', 'Housing', seal.parameters.housing, ends.sealOutside],
        ['sealWidth', 'Width', seal.parameters.width, ends.sealWidth],
      ] as const
    ).map(([id, name, of, play]) => sameSize({ id, name, of, play })),
    sameLook({ id: 'sealForm', name: 'Form', of: seal.features.form, as: seal.features.form, asOf: 'replaced' }),
    sameLook({
      id: 'sealRotation',
      confirming: true,
      name: 'Direction of its helix',
      of: seal.features.rotation,
      as: seal.features.rotation,
      asOf: 'replaced',
      agree: ({ mine }) => (mine === 'none' ? ['A plain lip seals both ways.'] : undefined),
      otherwise: () => ['Its helix would pump the oil out.'],
    }),
  ],
};
