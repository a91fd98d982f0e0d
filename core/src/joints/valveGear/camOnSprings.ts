import { cam } from '../../dictionary/kinds/cam.js';
import { head } from '../../dictionary/kinds/head.js';
import { valveSpring } from '../../dictionary/kinds/valveSpring.js';
import { minus, scaled } from '../../quantity/interval.js';
import { limitOf, valveGear } from '../../thumb/index.js';
import { lookOf, type Assembly } from '../assembly.js';
import type { Joint } from '../check.js';
import { missing, work } from '../outcome.js';
import { noLess, within } from '../shapes/within.js';

/** How far the valve opens for a millimetre of lobe; undefined while it is not known what stands between. */
function rockerOf(assembly: Assembly): number | undefined {
  const above = lookOf(assembly, head.features.camBearings);
  if (above === undefined) return undefined;
  return above === '0' ? limitOf(valveGear.rocker, assembly.rules) : 1;
}

/** A spring must not close its coils at full lift, with all tolerances against it. */
export const camOnSprings: Joint = {
  id: 'camOnSprings',
  name: 'Lift and springs',
  kinds: ['head', 'cam', 'valveSpring'],
  checks: [
    within({
      id: 'coilBind',
      name: 'Coil bind at full lift',
      of: {
        height: head.parameters['spring.installedHeight'],
        bind: valveSpring.parameters.coilBind,
        lift: cam.parameters['lift.exhaust'],
      },
      also: [head.features.camBearings.id],
      unless: (assembly) =>
        rockerOf(assembly) === undefined ? missing([head.features.camBearings], 'count') : undefined,
      found: ({ height, bind, lift }, assembly) => minus(minus(height, scaled(lift, rockerOf(assembly) ?? 1)), bind),
      required: noLess(valveGear.coilBind),
      subject: 'The room left between the coils',
      tooLittle: 'the spring binds and the valve gear breaks',
      tooMuch: 'there is more than enough',
      mend: (assembly, { found }) =>
        found.low > -limitOf(valveGear.coilBindMended, assembly.rules)
          ? [
              work({
                steps: ['takeAlong'],
                name: 'Springs for the cam',
                says: ['Take the springs that belong to this cam, with their retainers.'],
              }),
            ]
          : [],
    }),
  ],
};
