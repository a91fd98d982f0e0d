import {
  drawerOf,
  refusalOf,
  Workshop,
  type Answers,
  type QuestionName,
  type Refusal,
  type Requests,
  type Shop,
} from '@which-bore/core';
import { CatalogueStock } from './catalogueStock';
import type { NotYet, WorkshopState } from './workshopState';

const RETRY_MS = 3000;
/** After so many changed records the copy that is kept is written anew. */
const MANY_CHANGES = 200;

/**
 * A workshop over the catalogue as this browser has it: loaded, kept up with the server, and asked. Runs in a worker.
 */
export class WorkshopHere {
  private workshop: Workshop | undefined;
  private state: WorkshopState = { tag: '', current: false, busy: false };
  private tell: (state: WorkshopState) => void = () => undefined;
  private circumstances: { readonly shop: Shop; readonly today: string } | undefined;
  private following: Promise<void> = Promise.resolve();
  private waiting = false;
  private changed = 0;

  constructor(
    private readonly stock = new CatalogueStock(),
    private readonly later: (work: () => void, ms: number) => void = (work, ms) => void setTimeout(work, ms),
  ) {}

  /** Answers as soon as its code has come. */
  isThere(): true {
    return true;
  }

  /** Begins: with the copy of the last visit if there is one, then with what the server has. */
  async open(tell: (state: WorkshopState) => void, shop: Shop, today: string): Promise<void> {
    this.tell = tell;
    this.circumstances = { shop, today };
    this.say({ busy: true });
    const kept = await this.stock.kept();
    if (kept) this.hold(kept.tag, new Workshop(kept.catalogue));
    this.say({ busy: false });
    this.refresh();
  }

  /** The shop's own instruments and rules, and the day. */
  setShop(shop: Shop, today: string): void {
    this.circumstances = { shop, today };
    this.workshop?.setCircumstances({ drawer: drawerOf(shop, today), rules: shop.rules });
  }

  /** Looks what the server has by now. */
  refresh(): void {
    // What is asked for while one look is under way is answered by the next; more than one need not wait.
    if (this.waiting) return;
    this.waiting = true;
    this.following = this.following.then(async () => {
      this.waiting = false;
      await this.follow();
    });
  }

  /**
   * Answers a question.
   * @param patient whether it may take as long as it takes; otherwise *not yet* is said where much is to be laid out
   * first
   */
  ask<N extends QuestionName>(name: N, request: Requests[N], patient: boolean): Answers[N] | Refusal | NotYet {
    const { workshop } = this;
    if (!workshop) return { notYet: true };
    if (!workshop.isPrepared(name, request) && !patient) {
      this.say({ busy: true });
      this.later(() => {
        workshop.prepare(name, request);
        this.say({ busy: false });
      }, 0);
      return { notYet: true };
    }
    try {
      return workshop.ask(name, request);
    } catch (error) {
      const refusal = refusalOf(error);
      if (!refusal) throw error;
      return refusal;
    }
  }

  private async follow(): Promise<void> {
    try {
      if (this.workshop) {
        const { tag, whole, changed = [] } = await this.stock.changesSince(this.state.tag);
        if (!whole) {
          this.workshop.change(changed);
          this.changed += changed.length;
          if (this.changed > MANY_CHANGES) {
            this.changed = 0;
            this.stock.keepChanged({ tag, catalogue: this.workshop.catalogue.catalogue });
          }
          this.say({ tag, current: true });
          return;
        }
      }
      this.say({ busy: true, current: false });
      const { tag, catalogue } = await this.stock.whole();
      this.hold(tag, new Workshop(catalogue));
      this.say({ current: true, busy: false });
    } catch {
      // The server is away: what is here goes on, and it is asked again.
      this.say({ busy: false });
      this.later(() => this.refresh(), RETRY_MS);
    }
  }

  private hold(tag: string, workshop: Workshop): void {
    this.workshop = workshop;
    this.changed = 0;
    if (this.circumstances) this.setShop(this.circumstances.shop, this.circumstances.today);
    this.say({ tag });
  }

  private say(change: Partial<WorkshopState>): void {
    this.state = { ...this.state, ...change };
    this.tell(this.state);
  }
}
