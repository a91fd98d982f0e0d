import Ajv from 'ajv';
import addFormats from 'ajv-formats';
import type { Build } from '../../build/build';
import { QUESTIONS, type Requests } from '../../contract';
import { DataError } from '../../formats';
import { JobFileSchema, type Job } from '../../job/job';
import type { Specimen } from '../../readings/reading';
import { BUILDS, CATALOGUE, JOBS, SPECIMENS } from '../../testing/demo';
import { Workshop } from '../workshop';

const workshop = new Workshop(CATALOGUE);

function demoJob(begins: string): { readonly job: Job; readonly build?: Build; readonly specimens: Specimen[] } {
  const job = JOBS.find(({ name }) => name.startsWith(begins));
  if (!job) throw new RangeError(`The demo has no job ${begins}.`);
  const build = BUILDS.find(({ id }) => id === job.build);
  const named = new Set(build?.places.flatMap(({ specimen }) => specimen ?? []));
  return {
    job,
    ...(build ? { build } : {}),
    specimens: SPECIMENS.filter((each) => each.job === job.id || named.has(each.id)),
  };
}
const PUMP = demoJob('Pump of the lower terrace');
const WINCH = demoJob('Sawmill winch');
const FAN = demoJob('Frost fan');
const SHELF = SPECIMENS.filter(({ job }) => job === undefined);

describe('the jobs of the demo', () => {
  it('are of the open format: two far along, one fresh', () => {
    const ajv = new Ajv({ allErrors: true, discriminator: true, strict: false });
    addFormats(ajv);
    const accepts = ajv.compile(JobFileSchema);
    expect(accepts({ format: 'which-bore-jobs', version: 1, jobs: JOBS })).toBeTrue();
    expect(accepts({ format: 'which-bore-jobs', version: 1, jobs: [{ ...PUMP.job, ordres: [] }] })).toBeFalse();
    expect([PUMP, WINCH, FAN].map(({ build }) => build !== undefined)).toEqual([true, true, false]);
  });

  it('need what their builds say: oversize pistons ordered, a shell that is not settled, a kit whole', () => {
    const pump = workshop.ask('orderList', PUMP, 'metric');
    expect(pump.engine).toBe('Tarrow Lumen 147');
    const piston = pump.needs.find(({ slot }) => slot === 'piston');
    expect([piston?.step, piston?.quantity, piston?.ordered, piston?.left]).toEqual([0.5, 4, 4, 0]);
    const third = pump.needs.find(({ slot, at }) => slot === 'mainShell' && at.includes(3));
    expect(third?.pattern).toBeUndefined();
    expect(JSON.stringify(third?.open)).toContain('Nothing is averaged');
    expect(pump.needs.find(({ kind }) => kind === 'headGasket')?.received).toBe(1);
    const winch = workshop.ask('orderList', WINCH, 'metric');
    expect(
      winch.needs.some(({ group, pattern }) => group === 'companion' && pattern === 'skerry-rod-drilled-42'),
    ).toBeTrue();
    expect(winch.needs.find(({ slot }) => slot === 'piston')?.numbers.map(({ living }) => living)).toEqual(['HV-8422']);
  });

  it('know the shelf: parts of the pattern in the size, those put aside counted', () => {
    const specimen = SHELF.find((each) => workshop.takenFor(each) === 'skerry-pin-40');
    const ask = (reserved: string[]) =>
      workshop.ask('orderList', { ...WINCH, shelf: [...SHELF], reserved }).needs.find(({ slot }) => slot === 'pin');
    if (!specimen) throw new RangeError('The demo has no such pin.');
    expect(ask([])?.shelf).toEqual([specimen.id]);
    expect([ask([])?.reserved, ask([])?.left]).toEqual([0, 4]);
    expect([ask([specimen.id])?.reserved, ask([specimen.id])?.left]).toEqual([1, 3]);
  });

  it('stand at their stages', () => {
    const through = (job: Requests['jobStages']) =>
      workshop.ask('jobStages', job).stages.flatMap(({ id, missing }) => (missing.length === 0 ? [id] : []));
    expect(through(PUMP)).toEqual(['takenIn', 'apart', 'decided']);
    expect(through(FAN)).toContain('apart');
    expect(through(FAN)).not.toContain('decided');
  });

  it('are put together by their notes', () => {
    const { steps } = workshop.ask('assemblyNotes', PUMP, 'metric');
    const mains = steps.find(({ id }) => id === 'mains');
    expect(mains?.notes.filter(({ open }) => open).map(({ at }) => at)).toEqual([3]);
    expect(mains?.notes[0]?.says as unknown as string).toContain('It leaves');
    expect(steps.find(({ id }) => id === 'clean')?.signed.map(({ who }) => who)).toEqual(['Ansgar']);
    expect(workshop.ask('assemblyNotes', FAN).steps).toEqual([]);
  });

  it('are planned with as many of a pool as there are cylinders', () => {
    const { places } = workshop.ask('buildBegin', { specimens: PUMP.specimens });
    expect(places.filter(({ slot }) => slot === 'piston').map(({ at }) => at)).toEqual([1, 2, 3, 4]);
  });

  it('take shells for ground journals as soon as grinding is planned', () => {
    const build: Build = {
      ...(PUMP.build as Build),
      places: (PUMP.build?.places ?? []).map((place) =>
        place.slot === 'crank'
          ? { ...place, work: [{ operation: 'regrindMains', by: { value: 0.25, unit: 'mm' } }] }
          : place,
      ),
    };
    const mains = workshop.ask('orderList', { ...PUMP, build }).needs.filter(({ slot }) => slot === 'mainShell');
    expect(mains.map(({ step }) => step)).toEqual([-0.25]);
  });
});

describe('who wants a part', () => {
  const asked = (specimen: Specimen, jobs = [PUMP, WINCH, FAN]) =>
    workshop.ask('wantedBy', { specimen, jobs: jobs.map((each) => ({ ...each })) }, 'metric');
  const pin = SHELF.find((each) => workshop.takenFor(each) === 'skerry-pin-40') as Specimen;

  it('is told by engines on record and by jobs that need just this', () => {
    const { taken, variants, jobs } = asked(pin);
    expect(taken).toContain('40');
    expect(variants.length).toBeGreaterThan(0);
    expect(jobs.map(({ name, verdict }) => [name, verdict])).toEqual([[WINCH.job.name, 'fits']]);
  });

  it('is told of jobs that could take it instead, with what the joints say', () => {
    const crank = SHELF.find(({ name }) => name === 'Winch crank without a mark') as Specimen;
    const found = asked(crank).jobs.find(({ job }) => job === WINCH.job.id);
    // It has a crank of its own lying there, so none is needed.
    expect(found).toBeUndefined();
    const spring = SHELF.find(({ kind }) => kind === 'valveSpring') as Specimen;
    for (const { verdict, says } of asked(spring).jobs) {
      expect(verdict).not.toBe('doesNotFit');
      expect(says.length).toBeGreaterThan(5);
    }
  });

  it('is nobody where the job is handed over, or has no build', () => {
    expect(asked(pin, [{ ...WINCH, job: { ...WINCH.job, handedOver: '2026-11-29' } }]).jobs).toEqual([]);
    expect(asked(pin, [FAN]).jobs).toEqual([]);
  });
});

describe('what cannot be asked', () => {
  it('is refused with where and why', () => {
    expect(() => workshop.ask('jobStages', { jobId: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11' })).toThrowError(DataError);
    expect(() => workshop.ask('jobStages', {})).toThrowError(DataError, /No job was named/);
    expect(() => workshop.ask('wantedBy', { specimenId: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11' })).toThrowError(
      DataError,
    );
    const build = { ...(PUMP.build as Build), variant: 'no-such-engine' };
    expect(() => workshop.ask('orderList', { build })).toThrowError(DataError, /not in the catalogue/);
  });

  it('is a job of five hundred parts, which is answered', () => {
    const [piston] = PUMP.specimens.filter(({ kind }) => kind === 'piston');
    if (!piston) throw new RangeError('It has no piston.');
    const many = Array.from({ length: 500 }, (_, at) => ({
      ...piston,
      id: `5f1d0000-0000-4000-8000-${String(at).padStart(12, '0')}`,
      name: `Piston ${at + 1}`,
    }));
    const request = { ...PUMP, specimens: [...PUMP.specimens, ...many] };
    const ajv = new Ajv({ discriminator: true, strict: false });
    addFormats(ajv);
    expect(ajv.compile(QUESTIONS.orderList.request)(request)).toBeTrue();
    expect(workshop.ask('orderList', request).needs.find(({ slot }) => slot === 'piston')?.quantity).toBe(4);
  });
});
