import { create } from 'zustand';
import type { Command } from '../core/types';
import { Refused } from '../core/answer';
import { ServerRefused } from './http';

/** An edit of this page that the server has not acknowledged. */
export interface PendingEdit {
  /** The same however often it is sent: the server takes it once. */
  id: string;
  label: string;
  commands: Command[];
}

/** How far the page's edits are from being stored. */
export type Saving = 'saved' | 'saving' | 'waiting';

/** What waits to be stored, the oldest first, and how that goes. */
export const useOutbox = create<{ pending: PendingEdit[]; saving: Saving }>(() => ({
  pending: [],
  saving: 'saved',
}));

/** Resolves once every edit is stored, so that what the server works with is what is seen. */
export function allStored(): Promise<void> {
  return new Promise((done) => {
    if (!get().pending.length) return done();
    const leave = useOutbox.subscribe((s) => {
      if (s.pending.length) return;
      leave();
      done();
    });
  });
}

/** What an outbox asks of the server. Silence and refusals are thrown as `http` throws them. */
export interface Post {
  send(edit: PendingEdit, revision: number): Promise<{ revision: number }>;
  /** Whether the server has an edit in its journal. */
  has(edit: string): Promise<boolean>;
}

/** What an outbox asks of the page. */
export interface Holder {
  revision(): number;
  /** An edit of ours has become a revision. */
  reached(revision: number): Promise<void>;
  /** Reads the document anew; what waits is laid on it again by {@link Outbox.layOn}. */
  reload(): Promise<void>;
  say(text: string): void;
  /** Keeps what waits where it outlives the page. */
  keep(pending: PendingEdit[]): void;
}

const RETRY_MS = 1500;
const get = useOutbox.getState;

/** Brings the edits of one open sequence to the server, each once and in order, for as long as it takes. */
export class Outbox {
  private readonly mine = new Set<string>();
  private sending = false;
  private left = false;

  /**
   * @param waiting what an earlier page could not send
   * @param pause waits so many milliseconds
   */
  constructor(
    private readonly post: Post,
    private readonly page: Holder,
    waiting: PendingEdit[],
    private readonly pause: (ms: number) => Promise<void> = (ms) => new Promise((r) => setTimeout(r, ms)),
  ) {
    for (const e of waiting) this.mine.add(e.id);
    useOutbox.setState({ pending: waiting, saving: 'saved' });
  }

  /** Whether an edit that the server tells of was made here. */
  isMine(id: string): boolean {
    return this.mine.has(id);
  }

  /** Whether something is on its way. */
  get busy(): boolean {
    return this.sending;
  }

  put(edit: PendingEdit): void {
    this.mine.add(edit.id);
    useOutbox.setState((s) => ({ pending: [...s.pending, edit], saving: 'saving' }));
    this.page.keep(get().pending);
    void this.send();
  }

  /** The sequence is left: what waits stays kept for the next time it is opened. */
  leave(): void {
    this.left = true;
  }

  /** Sends what waits until nothing does. */
  async send(): Promise<void> {
    if (this.sending) return;
    this.sending = true;
    try {
      while (!this.left && get().pending.length) await this.sendFirst(get().pending[0]);
      if (!this.left) useOutbox.setState({ saving: 'saved' });
    } finally {
      this.sending = false;
    }
  }

  private async sendFirst(next: PendingEdit): Promise<void> {
    try {
      const made = await this.post.send(next, this.page.revision());
      if (this.left) return;
      this.drop(next.id);
      await this.page.reached(made.revision);
    } catch (e) {
      if (this.left) return;
      if (!(e instanceof ServerRefused) || e.status >= 500 || e.status === 401) {
        useOutbox.setState({ saving: 'waiting' });
        await this.pause(RETRY_MS);
        return;
      }
      if (e.status !== 409) {
        this.page.say(`“${next.label}” was not taken: ${e.message}`);
        this.drop(next.id);
      }
      await this.readAnew();
    }
  }

  /** Until it is done: what the page shows is not what the server has. */
  private async readAnew(): Promise<void> {
    while (!this.left) {
      try {
        return await this.page.reload();
      } catch (e) {
        if (e instanceof ServerRefused && e.status < 500 && e.status !== 401) throw e;
        useOutbox.setState({ saving: 'waiting' });
        await this.pause(RETRY_MS);
      }
    }
  }

  private drop(id: string): void {
    useOutbox.setState((s) => ({ pending: s.pending.filter((p) => p.id !== id) }));
    this.page.keep(get().pending);
  }

  /**
   * Lays what waits on a document that was just read. What the server has already is in it; what does not fit any more is
   * said and given up.
   */
  async layOn(apply: (edit: PendingEdit) => void): Promise<void> {
    for (const e of [...get().pending]) {
      if (await this.post.has(e.id)) {
        this.drop(e.id);
        continue;
      }
      try {
        apply(e);
      } catch (x) {
        if (!(x instanceof Refused)) throw x;
        this.page.say(`“${e.label}” could not be kept: ${x.message}`);
        this.drop(e.id);
      }
    }
  }
}
