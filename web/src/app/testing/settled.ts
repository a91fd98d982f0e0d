/**
 * A timer that goes off within this, ms, is part of what the page is doing now: a word that settles, a list that is
 * drawn on.
 */
const SOON = 1000;
/**
 * Turns without any such timer after which nothing more comes by itself: promises that wait for one another take a few.
 */
const QUIET_TURNS = 3;

type Work = (...given: unknown[]) => void;
type Start = (work: Work, ms?: number, ...given: unknown[]) => unknown;

const { setTimeout: later, clearTimeout: noLater, setInterval: often, clearInterval: noMore } = globalThis;
const due = new Set<unknown>();

/** The first turn of an interval is what RxJS makes of a delay; one that goes on for ever is waited for once. */
const counted =
  (start: Start): Start =>
  (work, ms = 0, ...given) => {
    const timer = start(
      (...said: unknown[]) => {
        due.delete(timer);
        work(...said);
      },
      ms,
      ...given,
    );
    if (ms < SOON) due.add(timer);
    return timer;
  };
const uncounted = (stop: (timer?: number) => void) => (timer?: number) => {
  due.delete(timer);
  stop(timer);
};

/** Counts the timers that are set from now to the end of the spec, by whichever library. */
export function countTimers(): void {
  due.clear();
  Object.assign(globalThis, {
    setTimeout: counted(later as Start),
    setInterval: counted(often as Start),
    clearTimeout: uncounted(noLater),
    clearInterval: uncounted(noMore),
  });
}
// Jasmine's own clock takes the place of the browser's timers only, so they are put back.
afterEach(() =>
  Object.assign(globalThis, { setTimeout: later, setInterval: often, clearTimeout: noLater, clearInterval: noMore }),
);

/** Waits until the page does nothing more by itself: a state, however long the machine takes to come to it. */
export async function settled(): Promise<void> {
  for (let quiet = 0; quiet < QUIET_TURNS; quiet = due.size === 0 ? quiet + 1 : 0)
    await new Promise((resolve) => later(resolve));
}
