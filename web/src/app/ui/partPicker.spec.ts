import { specimen, VIEW } from '../testing/demo';
import { settled } from '../testing/settled';
import { click, setUp, show, text } from '../testing/setUp';
import { PartPicker } from './partPicker';

/** The groups of choices that hang open over the page, each with its choices. */
function offered(): Readonly<Record<string, readonly string[]>> {
  const groups: Record<string, string[]> = {};
  let name = '';
  for (const each of document.querySelectorAll(
    '.cdk-overlay-container nz-option-item-group, .cdk-overlay-container nz-option-item',
  )) {
    if (each.tagName === 'NZ-OPTION-ITEM-GROUP') groups[(name = text(each))] = [];
    else groups[name]?.push(text(each));
  }
  return groups;
}

type Shown = Awaited<ReturnType<typeof show<PartPicker>>>;

async function opened(inputs: Readonly<Record<string, unknown>> = {}): Promise<Shown> {
  const shown = await show(PartPicker, { fieldId: 'donor', ...inputs });
  await click(shown.fixture, shown.page.querySelector('nz-select-top-control, .ant-select-selector, nz-select'));
  await settled();
  return shown;
}

async function typed({ fixture, page }: Shown, words: string): Promise<void> {
  const field = page.querySelector('input');
  if (!field) throw new Error('no field');
  field.value = words;
  field.dispatchEvent(new Event('input'));
  await fixture.whenStable();
  await settled();
}

describe('the picker of parts', () => {
  afterEach(() => document.querySelectorAll('.cdk-overlay-container').forEach((each) => (each.innerHTML = '')));

  it('offers the shelf before the catalogue, and engines only where they may be chosen', async () => {
    setUp(specimen('forged', 'Winch crank'));
    await opened();
    expect(Object.keys(offered())).toEqual(['On the shelf', 'From the catalogue, new']);
    expect(offered()['On the shelf']).toEqual(['Winch crank crank']);
  });

  it('offers engines as well', async () => {
    setUp();
    await opened({ engines: true });
    // The list is long, and only what shows of it is drawn.
    expect(Object.keys(offered())[0]).toBe('Engines');
    expect(offered().Engines).toContain(VIEW.variantLabel('ambit-1200'));
  });

  it('is narrowed by words in any order, of the name or of the kind', async () => {
    setUp();
    const shown = await opened();
    await typed(shown, 'forged crank 3.375');
    const [names = []] = Object.values(offered());
    expect(names.length).toBeGreaterThan(0);
    expect(
      names.every((name) => name.includes('3.375') && name.includes('forged') && name.includes('crank')),
    ).toBeTrue();
    await typed(shown, 'no such thing');
    expect(offered()).toEqual({});
  });

  it('offers the kinds that are asked for only', async () => {
    setUp(specimen('forged', 'Winch crank'));
    const shown = await opened({ kinds: ['pin'] });
    expect(Object.keys(offered())).toEqual(['From the catalogue, new']);
    await typed(shown, '42');
    const [names = []] = Object.values(offered());
    expect(names.every((name) => VIEW.ofKind('pin').some(({ id }) => VIEW.label(id) === name))).toBeTrue();
  });

  it('shows the name of what is chosen, however far down the list it stands', async () => {
    setUp();
    const { page } = await show(PartPicker, { fieldId: 'donor', value: 'pattern:sluice-spring-heavy' });
    expect(text(page)).toContain(VIEW.label('sluice-spring-heavy'));
  });

  it('tells what was chosen, and does not tell the same again', async () => {
    setUp();
    const shown = await opened({ kinds: ['crank'], value: 'pattern:ambit-crank-3' });
    const told: string[] = [];
    shown.fixture.componentInstance.chosen.subscribe((each) => told.push(each));
    const choice = (name: string) =>
      [...document.querySelectorAll('.cdk-overlay-container nz-option-item')].find((each) => text(each) === name);
    await typed(shown, 'ambit');
    await click(shown.fixture, choice(VIEW.label('ambit-crank-5-late')));
    expect(told).toEqual(['pattern:ambit-crank-5-late']);
  });
});
