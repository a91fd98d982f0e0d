import { NEVER, Observable, of, Subject, throwError } from 'rxjs';
import { inLanes } from './lanes';

describe('work in lanes', () => {
  it('gives each piece to whichever lane is free, and none twice', () => {
    const waiting: { piece: number; lane: string; done: Subject<string> }[] = [];
    const lane = (name: string) => (piece: number) => {
      const done = new Subject<string>();
      waiting.push({ piece, lane: name, done });
      return done;
    };
    const heard: string[] = [];
    let complete = false;
    inLanes([1, 2, 3, 4], [lane('here'), lane('server')]).subscribe({
      next: (said) => heard.push(said),
      complete: () => (complete = true),
    });
    const finish = (name: string) => {
      const at = waiting.findIndex(({ lane: of }) => of === name);
      const [one] = waiting.splice(at, 1);
      one?.done.next(`${one.piece} ${one.lane}`);
      one?.done.complete();
    };
    for (const name of ['server', 'server', 'server', 'here']) finish(name);
    expect(heard).toEqual(['2 server', '3 server', '4 server', '1 here']);
    expect(complete).toBeTrue();
  });

  it('leaves a lane that fails, and fails with the last one', () => {
    const heard: number[] = [];
    inLanes([1, 2, 3], [() => throwError(() => new Error('away')), (piece) => of(piece)]).subscribe((piece) =>
      heard.push(piece),
    );
    expect(heard.sort()).toEqual([1, 2, 3]);
    let why = '';
    inLanes([1], [() => throwError(() => new Error('away'))]).subscribe({
      error: (error: Error) => (why = error.message),
    });
    expect(why).toBe('away');
  });

  it('stops them all where nobody waits any more', () => {
    let stopped = 0;
    const lane = () => new Observable<number>(() => () => stopped++);
    inLanes([1, 2, 3], [lane, lane, () => NEVER])
      .subscribe()
      .unsubscribe();
    expect(stopped).toBe(2);
  });
});
