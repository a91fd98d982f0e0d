import type { DescribedId } from '../dictionary/dictionary';
import { say } from '../quantity/sentence';
import { whyUnread } from '../readings/entryLine';
import type { Understood } from '../readings/reading';

/** Why a reading was not understood; empty where it was. */
export const whyNot = (is: Understood, kind: DescribedId = 'crank'): string =>
  is.sort === 'unread' ? say(whyUnread(is.text, kind).reason, 'inch') : '';
