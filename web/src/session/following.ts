import { Refused } from '../core/answer';
import type { Delta } from '../core/types';

/** An edit as the server tells of it. */
export interface EditMade {
  revision: number;
  id: string;
  author: string;
  label: string;
  change: Delta;
}

/** Edits the server gives at a time. */
export const PAGE = 500;

/** So many edits behind, the whole document is read again: what waits here is laid on top. */
export const FAR_BEHIND = 2000;

/** What following asks of the page and the server. */
export interface Followed {
  revision(): number;
  setRevision(revision: number): void;
  /** At most {@link PAGE} edits after a revision, the oldest first. */
  after(revision: number): Promise<EditMade[]>;
  /** Applies what somebody else did; throws {@link Refused} where it does not fit. */
  apply(change: Delta): void;
  /** Whether the edit was made here: it is applied already. */
  isMine(id: string): boolean;
  reload(): Promise<void>;
  say(text: string): void;
}

/** Keeps a page's document at what the server has: takes what others do, and what was missed. */
export class Following {
  private catching: Promise<void> | null = null;
  private left = false;

  constructor(private readonly page: Followed) {}

  leave(): void {
    this.left = true;
  }

  /** Takes all that others did since this page's revision, once at a time. */
  catchUp(): Promise<void> {
    this.catching ??= this.caughtUp().finally(() => (this.catching = null));
    return this.catching;
  }

  private async caughtUp(): Promise<void> {
    for (let taken = 0; ; taken += PAGE) {
      const more = await this.page.after(this.page.revision());
      if (this.left) return;
      for (const e of more) if (!this.take(e)) return;
      if (more.length < PAGE) return;
      if (taken >= FAR_BEHIND) return this.page.reload();
    }
  }

  /** After an edit of ours became a revision: fetches what others did in between. */
  async reached(revision: number): Promise<void> {
    if (revision > this.page.revision() + 1) await this.catchUp();
    if (!this.left && revision > this.page.revision()) this.page.setRevision(revision);
  }

  /** Takes an edit that the server tells of; false when it is not the next one, or the document is read anew instead. */
  take(e: EditMade): boolean {
    if (e.revision <= this.page.revision()) return true;
    if (!this.page.isMine(e.id)) {
      try {
        this.page.apply(e.change);
      } catch (x) {
        if (!(x instanceof Refused)) throw x;
        void this.page.reload();
        return false;
      }
      this.page.say(`${e.author}: ${e.label}`);
    }
    this.page.setRevision(e.revision);
    return true;
  }
}
