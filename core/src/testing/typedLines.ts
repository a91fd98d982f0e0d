import { INSTRUMENTS } from '../quantity/instrument';
import { normaliseMark } from '../marks/markText';
import type { Understood } from '../readings/reading';

/** What a line should be understood as: readings in their short form; `open` where something is left to be asked. */
interface Wanted {
  readonly readings: readonly string[];
  readonly open: boolean;
}

/** The readings written beside a typed line: `bore=4.03in; material:iron; ask`. */
export function wanted(written: string): Wanted {
  const all = written.split('; ');
  const isOpen = (each: string) => each === 'ask' || each === 'unread';
  const marks = (each: string) =>
    each.replace(
      /^mark (\S+)/,
      (_, characters: string) => `mark ${characters === '-' ? '-' : normaliseMark(characters)}`,
    );
  return {
    readings: all
      .filter((each) => !isOpen(each))
      .map(marks)
      .sort(),
    open: all.some(isOpen),
  };
}

const plain = (id: string): string => id.slice(id.indexOf('.') + 1);
const counted = (places: readonly number[] | undefined): string => (places ? `@${[...new Set(places)].join(',')}` : '');

/**
 * A reading in a few characters, without its kind: `mainJournal.diameter@3=51.94mm mic`, `bore~0.03in` a step,
 * `material:forged` a look and `material!forged` its contrary, `mark 41?7 cast web`, `gone pad`, `claim year 1962`.
 */
export function shortForm(is: Understood): string {
  switch (is.sort) {
    case 'size': {
      const unit = is.unit === 'ratio' ? '' : is.unit;
      const by = is.instrumentAssumed
        ? ''
        : ` ${(INSTRUMENTS[is.instrument].words[0] ?? '').split(' ')[0]?.slice(0, 5) ?? ''}`;
      const at = counted(is.positions);
      return `${plain(is.parameter)}${at}=${is.values.join('/')}${unit}${by.replace('calip', 'cal')}`;
    }
    case 'step':
      return `${plain(is.parameter)}~${is.offset}${is.offset === 0 ? '' : is.unit}`;
    case 'look':
      return `${plain(is.feature)}${is.not ? '!' : ':'}${is.option}`;
    case 'mark': {
      const where = [is.making, is.place && plain(is.place)].filter(Boolean).join(' ');
      const what = is.gone ? 'gone' : `mark ${is.characters === '' ? '-' : normaliseMark(is.characters)}`;
      return `${what} ${where}`.trim();
    }
    case 'face':
      return `face ${plain(is.face)} ${is.pattern}`;
    case 'claim':
      return `claim ${is.about} ${is.value}`;
    case 'unread':
      return `unread ${is.text}`;
  }
}
