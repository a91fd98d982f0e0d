import { VIEW } from '../testing/demo';
import { settled } from '../testing/settled';
import { click, setUp, show, text } from '../testing/setUp';
import { ReferenceField } from './referenceField';

const choices = () => [...document.querySelectorAll('.cdk-overlay-container nz-option-item')].map(text);

async function opened(inputs: Readonly<Record<string, unknown>>) {
  const shown = await show(ReferenceField, { fieldId: 'family', of: 'family', value: '', ...inputs });
  await click(shown.fixture, shown.page.querySelector('nz-select-top-control, .ant-select-selector, nz-select'));
  await settled();
  const type = async (words: string) => {
    const field = shown.page.querySelector('input');
    if (!field) throw new Error('no field');
    field.value = words;
    field.dispatchEvent(new Event('input'));
    await shown.fixture.whenStable();
    await settled();
  };
  return { ...shown, type };
}

describe('a reference to another record', () => {
  afterEach(() => document.querySelectorAll('.cdk-overlay-container').forEach((each) => (each.innerHTML = '')));

  it('is chosen among the records of its type', async () => {
    setUp();
    await opened({});
    expect(choices().length).toBe(VIEW.catalogue.families.length);
  });

  it('is found by its id as well as by its name', async () => {
    setUp();
    const { type } = await opened({ of: 'pattern' });
    await type('sluice-crank-3375-forged');
    expect(choices()).toEqual([VIEW.label('sluice-crank-3375-forged')]);
    await type('forged small journal');
    expect(choices()).toContain(VIEW.label('sluice-crank-3375-forged'));
  });

  it('lists the one that is chosen first, whatever is typed', async () => {
    setUp();
    const { type } = await opened({ of: 'pattern', value: 'sluice-spring-heavy' });
    expect(choices()[0]).toBe(VIEW.label('sluice-spring-heavy'));
    await type('ambit crank');
    expect(choices()[0]).toBe(VIEW.label('sluice-spring-heavy'));
  });

  it('is taken over by a press', async () => {
    setUp();
    const { fixture, type } = await opened({ of: 'maker' });
    await type('vesk');
    await click(fixture, document.querySelector('.cdk-overlay-container nz-option-item'));
    expect(fixture.componentInstance.value()).toBe('vesk');
  });
});
