import { TestBed } from '@angular/core/testing';
import { ServerEvents, type HeardEvent } from './serverEvents';

/** Stands in for the connection that the browser keeps. */
class FakeSource extends EventTarget {
  static readonly made: FakeSource[] = [];
  closed = false;

  constructor(readonly url: string) {
    super();
    FakeSource.made.push(this);
  }

  close(): void {
    this.closed = true;
  }

  open(): void {
    this.dispatchEvent(new Event('open'));
  }

  say(event: object): void {
    this.dispatchEvent(new MessageEvent('message', { data: JSON.stringify(event) }));
  }
}

describe('what the server says as it happens', () => {
  const real = globalThis.EventSource;
  const changed = { sort: 'specimen', id: 'a', version: 2 };
  beforeEach(() => {
    FakeSource.made.length = 0;
    globalThis.EventSource = FakeSource as unknown as typeof EventSource;
  });
  afterEach(() => {
    globalThis.EventSource = real;
  });

  const follow = () => {
    const heard: HeardEvent[] = [];
    const following = TestBed.inject(ServerEvents).events$.subscribe((event) => heard.push(event));
    const [source] = FakeSource.made;
    if (!source) throw new Error('nothing is followed');
    return { heard, following, source };
  };

  it('is heard by all that follow, over one connection', () => {
    const { heard, source } = follow();
    const other: HeardEvent[] = [];
    TestBed.inject(ServerEvents).events$.subscribe((event) => other.push(event));
    source.say(changed);
    expect(FakeSource.made.map(({ url }) => url)).toEqual(['/api/events']);
    expect(heard).toEqual([changed] as unknown as HeardEvent[]);
    expect(other).toEqual(heard);
  });

  it('was perhaps missed where the connection is made anew, and not at its first', () => {
    const { heard, source } = follow();
    source.open();
    expect(heard).toEqual([]);
    source.open();
    expect(heard).toEqual(['again']);
  });

  it('was missed where the server itself lost its thread to the database', () => {
    const { heard, source } = follow();
    source.open();
    source.dispatchEvent(new Event('again'));
    expect(heard).toEqual(['again']);
  });

  it('is followed no longer when nobody listens, and anew when somebody does again', () => {
    const { following, source } = follow();
    following.unsubscribe();
    expect(source.closed).toBeTrue();
    source.say(changed);
    TestBed.inject(ServerEvents).events$.subscribe();
    expect(FakeSource.made.length).toBe(2);
  });
});
