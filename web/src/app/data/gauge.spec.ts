import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { GaugeFigure } from '@which-bore/core';
import { Gauge } from './gauge';

/** A line that does what each test has it do. */
class FakeSocket {
  static last: FakeSocket | undefined;
  static opens = true;
  onopen: (() => void) | undefined;
  onerror: (() => void) | undefined;
  onmessage: ((event: { readonly data: string }) => void) | undefined;
  onclose: (() => void) | undefined;
  readonly sent: string[] = [];
  closed = false;

  constructor(readonly url: string) {
    FakeSocket.last = this;
    queueMicrotask(() => (FakeSocket.opens ? this.onopen?.() : this.onerror?.()));
  }

  send(text: string): void {
    this.sent.push(text);
  }

  close(): void {
    this.closed = true;
  }
}

describe('the gauge that talks', () => {
  const real = globalThis.WebSocket;
  let gauge: Gauge;
  let figures: GaugeFigure[];
  const says = (data: string) => FakeSocket.last?.onmessage?.({ data });

  beforeEach(() => {
    globalThis.WebSocket = FakeSocket as never;
    FakeSocket.opens = true;
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    gauge = TestBed.inject(Gauge);
    figures = [];
    gauge.figures$.subscribe((figure) => figures.push(figure));
  });
  afterEach(() => {
    globalThis.WebSocket = real;
  });

  it('tells its figures as they come, however they are cut, and its last', async () => {
    await gauge.openSimulated('plain', { truth: '78.02' });
    expect(FakeSocket.last?.url).toContain('/simulated/gauge?protocol=plain&truth=78.02');
    expect(gauge.state()).toEqual({ name: 'Simulated gauge' });
    says('78.0');
    expect(figures).toEqual([]);
    says('21 mm\r\n78.022 mm\r\n');
    expect(figures.map(({ value }) => value)).toEqual([78.021, 78.022]);
    expect(gauge.state()?.last).toBe('78.022 mm');
  });

  it('keeps what is no figure to itself, and says why', async () => {
    await gauge.openSimulated('plain');
    says('78.021 78.022 mm\r\n');
    expect(figures).toEqual([]);
    expect(gauge.state()?.problem).toContain('two figures');
    says('78.021 mm\r\n');
    expect(gauge.state()?.problem).toBeUndefined();
  });

  it('is asked as its protocol has it, and not where only its own key sends', async () => {
    await gauge.openSimulated('channels');
    gauge.ask();
    expect(FakeSocket.last?.sent).toEqual(['R\n']);
    await gauge.openSimulated('bareInch');
    gauge.ask();
    expect(FakeSocket.last?.sent).toEqual([]);
  });

  it('is closed when another is opened, and says when its line is lost', async () => {
    await gauge.openSimulated('plain');
    const first = FakeSocket.last;
    await gauge.openSimulated('comma');
    expect(first?.closed).toBeTrue();
    FakeSocket.last?.onclose?.();
    expect(gauge.state()).toBeUndefined();
    expect(gauge.refused()).toContain('the line was lost');
  });

  it('says why it cannot be opened', async () => {
    FakeSocket.opens = false;
    await gauge.openSimulated('plain');
    expect(gauge.refused()).toContain('There is no simulated gauge on this server');
    FakeSocket.opens = true;
    await gauge.openSimulated('no such way');
    expect(gauge.refused()).toContain('Nobody knows that way of writing');
    expect(gauge.state()).toBeUndefined();
  });
});
