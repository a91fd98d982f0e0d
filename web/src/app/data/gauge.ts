import { DOCUMENT, inject, Injectable, signal } from '@angular/core';
import { GAUGE_PROTOCOLS, GaugeReader, TROUBLE_SAYS, type GaugeFigure, type GaugeProtocol } from '@which-bore/core';
import { Subject } from 'rxjs';

/** What lines come from, and where a request for a figure goes. */
interface Line {
  send(text: string): void;
  close(): void;
}

/** How the gauge that talks stands. */
interface GaugeState {
  readonly name: string;
  /** Its last figure, as it was sent. */
  readonly last?: string;
  /** Why its last line was no figure. */
  readonly problem?: string;
}

/** As much of the Web Serial interface as is needed (WICG, Web Serial API). */
interface SerialPortLike {
  open(options: { readonly baudRate: number }): Promise<void>;
  close(): Promise<void>;
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
}
interface SerialLike {
  requestPort(): Promise<SerialPortLike>;
}

/** What most gauges speak at. */
const BAUD = 9600;
/** How long a gauge has to open, ms. */
const OPENS_WITHIN = 5000;

/**
 * The gauge that talks: one on a serial port, where the browser has such, or the simulated one. What it sends goes to
 * whoever measures; nothing is kept here but the last of it.
 */
@Injectable({ providedIn: 'root' })
export class Gauge {
  private readonly view = inject(DOCUMENT).defaultView;
  private readonly told = new Subject<GaugeFigure>();
  private line: Line | undefined;
  private protocol: GaugeProtocol | undefined;

  /** Figures as they come. */
  readonly figures$ = this.told.asObservable();
  readonly state = signal<GaugeState | undefined>(undefined);
  /** Why the last one could not be opened. */
  readonly refused = signal('');

  get hasSerial(): boolean {
    return this.serial !== undefined;
  }

  private get serial(): SerialLike | undefined {
    return (this.view?.navigator as { readonly serial?: SerialLike } | undefined)?.serial;
  }

  /**
   * Opens the gauge that ships with the server, to try things out.
   *
   * @param more what lies under it, and what is wrong with it, as the address of the gauge takes it
   */
  async openSimulated(protocolId: string, more: Readonly<Record<string, string>> = {}): Promise<void> {
    const { location } = this.view ?? {};
    if (!location) return;
    const query = new URLSearchParams({ protocol: protocolId, ...more });
    const socket = new WebSocket(`${location.origin.replace(/^http/, 'ws')}/simulated/gauge?${query.toString()}`);
    await this.open('Simulated gauge', protocolId, async (take, lost) => {
      await new Promise<void>((resolve, reject) => {
        const late = setTimeout(() => reject(new Error('It did not answer.')), OPENS_WITHIN);
        socket.onopen = () => {
          clearTimeout(late);
          resolve();
        };
        socket.onerror = () => {
          clearTimeout(late);
          reject(new Error('There is no simulated gauge on this server.'));
        };
      });
      socket.onmessage = ({ data }) => take(String(data));
      socket.onclose = lost;
      return { send: (text) => socket.send(text), close: () => socket.close() };
    });
  }

  /** Opens a gauge on a serial port that the one at the screen chooses. */
  async openSerial(protocolId: string): Promise<void> {
    const { serial } = this;
    if (!serial) return;
    await this.open('Gauge on the serial port', protocolId, async (take, lost) => {
      const port = await serial.requestPort();
      await port.open({ baudRate: BAUD });
      const reader = port.readable?.pipeThrough(new TextDecoderStream() as never).getReader() as
        ReadableStreamDefaultReader<string> | undefined;
      const listen = async (): Promise<void> => {
        for (;;) {
          const read = await reader?.read();
          if (!read || read.done) return;
          take(read.value);
        }
      };
      void listen()
        .catch(() => undefined)
        .then(lost);
      return {
        send: (text) => {
          const writer = port.writable?.getWriter();
          void writer?.write(new TextEncoder().encode(text)).finally(() => writer.releaseLock());
        },
        close: () =>
          void reader
            ?.cancel()
            .then(() => port.close())
            .catch(() => undefined),
      };
    });
  }

  private async open(
    name: string,
    protocolId: string,
    begin: (take: (piece: string) => void, lost: () => void) => Promise<Line>,
  ): Promise<void> {
    this.close();
    this.refused.set('');
    const protocol = GAUGE_PROTOCOLS.find(({ id }) => id === protocolId);
    if (!protocol) {
      this.refused.set('Nobody knows that way of writing.');
      return;
    }
    const reader = new GaugeReader(protocol);
    try {
      const line = await begin(
        (piece) => this.take(name, reader, piece),
        () => {
          if (this.line !== line) return;
          this.line = undefined;
          this.state.set(undefined);
          this.refused.set(`${name}: the line was lost. Open it again.`);
        },
      );
      this.line = line;
      this.protocol = protocol;
      this.state.set({ name });
    } catch (error) {
      this.refused.set(`${name}: ${error instanceof Error ? error.message : 'it cannot be opened.'}`);
    }
  }

  private take(name: string, reader: GaugeReader, piece: string): void {
    for (const said of reader.read(piece)) {
      if ('trouble' in said) {
        this.state.set({ name, problem: `“${said.line}”: ${TROUBLE_SAYS[said.trouble]}.` });
        continue;
      }
      this.state.set({ name, last: `${said.text} ${said.unit}` });
      this.told.next(said);
    }
  }

  /** Has the gauge send its figure, where it can be asked. */
  ask(): void {
    const asks = this.protocol?.asks;
    if (asks !== undefined) this.line?.send(asks);
  }

  close(): void {
    const { line } = this;
    this.line = undefined;
    this.state.set(undefined);
    line?.close();
  }
}
