import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { GAUGE_PROTOCOLS, MANNERS } from '@which-bore/core';
import { Gauge } from '../data/gauge';

/** Which gauge talks, and its last figure; a press has it send another, and the small one beside opens or closes it. */
@Component({
  selector: 'wb-gauge-lamp',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(keydown.escape)': 'open.set(false)' },
  template: `
    @if (gauge.state(); as state) {
      <button
        type="button"
        class="lamp"
        [class.bad]="state.problem"
        (click)="gauge.ask()"
        title="F9 asks it for its figure"
      >
        <span class="bulb" aria-hidden="true"></span>
        <span aria-live="polite"
          >{{ state.name }}: <b class="figures">{{ state.problem ?? state.last ?? 'ready' }}</b></span
        >
      </button>
      <button type="button" class="choice" (click)="gauge.close()" aria-label="Close the gauge">×</button>
    } @else {
      <button type="button" class="choice" [attr.aria-expanded]="open()" (click)="open.set(!open())">Gauge</button>
    }
    @if (open() && !gauge.state()) {
      <div class="choose" role="dialog" aria-label="Open a gauge">
        <label
          >It writes
          <select #protocol>
            @for (each of protocols; track each.id) {
              <option [value]="each.id">{{ each.name }}</option>
            }
          </select></label
        >
        @if (gauge.hasSerial) {
          <button type="button" (click)="serial(protocol.value)">On the serial port</button>
        }
        <label>Simulated, with so much under it, mm<input #truth value="78.02" inputmode="decimal" /></label>
        <label
          >And what goes wrong, in turn
          <input #manners value="ok" [title]="'Of: ' + known" />
        </label>
        <button type="button" (click)="simulated(protocol.value, truth.value, manners.value)">Simulated gauge</button>
        @if (gauge.refused()) {
          <p role="alert">{{ gauge.refused() }}</p>
        }
        <p class="quiet">One that types its figures as a keyboard does needs nothing here.</p>
      </div>
    }
  `,
  styleUrl: './gaugeLamp.less',
})
export class GaugeLamp {
  protected readonly gauge = inject(Gauge);
  protected readonly open = signal(false);
  protected readonly protocols = GAUGE_PROTOCOLS;
  protected readonly known = MANNERS.join(', ');

  protected async serial(protocol: string): Promise<void> {
    await this.gauge.openSerial(protocol);
    if (this.gauge.state()) this.open.set(false);
  }

  protected async simulated(protocol: string, truth: string, manners: string): Promise<void> {
    await this.gauge.openSimulated(protocol, {
      truth: truth.trim().replace(',', '.'),
      manners: manners.replace(/\s/g, ''),
    });
    if (this.gauge.state()) this.open.set(false);
  }
}
