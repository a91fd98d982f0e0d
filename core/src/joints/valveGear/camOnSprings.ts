import { cam } from '../../dictionary/kinds/cam.js';
import { head } from '../../dictionary/kinds/head.js';
import { valveSpring } from '../../dictionary/kinds/valveSpring.js';
import { minus, scaled } from '../../quantity/interval.js';
import type { Parameter } from '../../dictionary/definition.js';
import { limitOf, valveGear } from '../../thumb/index.js';
import { lookOf, type Assembly } from '../assembly.js';
import type { Joint, JointCheck } from '../check.js';
import { missing, work } from '../outcome.js';
import { specified, within } from '../shapes/within.js';
import { withoutLobes, type Duty } from './duty.js';

/** How far the valve opens for a millimetre of lobe; undefined while it is not known what stands between. */
function rockerOf(assembly: Assembly): number | undefined {
  const above = lookOf(assembly, head.features.camBearings);
  if (above === undefined) return undefined;
  return above === '0' ? limitOf(valveGear.rocker, assembly.rules) : 1;
}

/** The spring over the lobes of one duty. */
const coilBind = (id: string, duty: Duty, lift: Parameter): JointCheck =>
  within({
    id,
    name: `Coil bind at full ${duty} lift`,
    of: { height: head.parameters['spring.installedHeight'], bind: valveSpring.parameters.coilBind, lift },
    also: [head.features.camBearings.id, valveSpring.parameters.bindRoom.id, cam.features.serves.id],
    unless: (assembly) =>
      withoutLobes(assembly, duty) ??
      (rockerOf(assembly) === undefined ? missing([head.features.camBearings], 'count') : undefined),
    found: ({ height, bind, lift: lobe }, assembly) =>
      minus(minus(height, scaled(lobe, rockerOf(assembly) ?? 1)), bind),
    required: (assembly) => ({
      ...specified(assembly, valveSpring.parameters.bindRoom, valveGear.coilBind),
      atLeast: true,
    }),
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
  });

/** A spring must not close its coils at full lift, with all tolerances against it. */
export const camOnSprings: Joint = {
  id: 'camOnSprings',
  name: 'Lift and springs',
  kinds: ['head', 'cam', 'valveSpring'],
  checks: [
    coilBind('coilBind', 'exhaust', cam.parameters['lift.exhaust']),
    coilBind('coilBindIntake', 'intake', cam.parameters['lift.intake']),
  ],
};
