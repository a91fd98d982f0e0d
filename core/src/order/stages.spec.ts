import type { Job } from '../job/job';
import { stagesOf } from './stages';

const ID = '00000000-0000-4000-8000-000000000001';
const AT = '2026-11-02T08:00:00.000Z';
const BARE: Job = { id: ID, name: 'Pump', readings: [] };
const NOTHING = { unmeasured: [], parts: 0, hasBuild: false, against: [], needs: [], steps: [], assembly: [] };
type Given = Parameters<typeof stagesOf>[0];

const need = (more: Partial<Given['needs'][number]>): Given['needs'][number] => ({
  id: 'gasket',
  group: 'anew',
  name: 'Gasket',
  at: [],
  quantity: 1,
  by: 'piece',
  because: [],
  open: [],
  numbers: [],
  shelf: [],
  reserved: 0,
  ordered: 0,
  received: 0,
  left: 0,
  ...more,
});
const missing = (given: Partial<Given>, id: string): readonly string[] =>
  stagesOf({ job: BARE, ...NOTHING, ...given }).find((stage) => stage.id === id)?.missing ?? ['no such stage'];

describe('the stages of a job', () => {
  it('stand in the order of the work, a fresh job with everything missing', () => {
    const stages = stagesOf({ job: BARE, ...NOTHING });
    expect(stages.map(({ id }) => id)).toEqual([
      'takenIn',
      'apart',
      'measured',
      'decided',
      'machined',
      'here',
      'assembled',
      'handedOver',
    ]);
    expect(stages.filter(({ id }) => id !== 'assembled').every((stage) => stage.missing.length > 0)).toBeTrue();
  });

  it('are through when nothing is missing', () => {
    const job: Job = {
      ...BARE,
      customer: 'Growers',
      machine: 'Pump',
      asked: 'Overhaul',
      decisions: [{ id: ID, at: AT, what: 'Bore it.' }],
      hours: [{ id: ID, at: AT, hours: 2, on: 'all of it' }],
      runIn: 'Two hours, light.',
      handedOver: '2026-11-30',
    };
    const stages = stagesOf({ job, ...NOTHING, parts: 3, hasBuild: true });
    expect(stages.flatMap((stage) => stage.missing)).toEqual([]);
  });

  it('wait for what is ordered, and not for what nobody has spoken of', () => {
    const here = (more: Partial<Given['needs'][number]>) => missing({ hasBuild: true, needs: [need(more)] }, 'here');
    expect(here({ left: 2 })).toEqual(['2 pieces of Gasket']);
    expect(here({ ordered: 1 })).toEqual(['Gasket, ordered']);
    expect(here({ received: 1 })).toEqual([]);
    expect(here({ left: 1, group: 'unaccounted' })).toEqual([]);
  });

  it('name a few of many, and say how many more', () => {
    const sheets = ['a', 'b', 'c', 'd', 'e', 'f'];
    expect(missing({ parts: 1, unmeasured: sheets }, 'measured')).toEqual(['a', 'b', 'c', 'd', 'and 2 more sheets']);
    expect(missing({ parts: 1, unmeasured: sheets.slice(0, 4) }, 'measured')).toEqual(['a', 'b', 'c', 'd']);
  });

  it('are held up by what does not go together, and by work that is out', () => {
    expect(missing({ hasBuild: true, against: ['Rods in the case: does not fit'] }, 'decided')).toContain(
      'Rods in the case: does not fit',
    );
    const step = { name: 'Bore oversize', part: 'Case', state: 'out' } as Given['steps'][number];
    expect(missing({ hasBuild: true, steps: [step] }, 'machined')).toEqual(['bore oversize: Case, at the shop']);
    expect(missing({ hasBuild: true, steps: [{ ...step, state: 'back' }] }, 'machined')).toEqual([]);
  });
});
