import type { Delta } from '../core/types';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { Refused } from '../core/answer';
import { ServerRefused, Unreachable } from './http';
import { Following, PAGE, type EditMade } from './following';
import { Outbox, useOutbox, type PendingEdit } from './outbox';

const edit = (id: string): PendingEdit => ({
  id,
  label: id,
  commands: [{ kind: 'remove', ids: [id], letGo: false }],
});
const refusal = (status: number, text: string) =>
  new ServerRefused(status, { code: 'x', entity: '', field: '', text });

/** A server with a journal, that loses answers, is away and refuses as a test says. */
/** What somebody else did in a revision. */
const turn = (revision: number): Delta => ({
  fields: [{ id: `o${revision}`, path: [], from: 0, to: 1 }],
  added: [],
  removed: [],
});

class FakeServer {
  journal: EditMade[] = [];
  /** What becomes of the next calls: the answer is lost, or the server is not there at all. */
  next: ('lost' | 'away' | 'ok')[] = [];
  /** Edits that somebody refuses, by id. */
  refuses = new Map<string, ServerRefused>();
  sent = 0;

  private arrives(): boolean {
    const how = this.next.shift() ?? 'ok';
    if (how === 'away') throw new Unreachable();
    return how === 'ok';
  }

  /** As the real one: an id that was taken gives its first answer again. */
  async send(e: PendingEdit, on: number): Promise<{ revision: number }> {
    this.sent++;
    const answered = this.arrives();
    const refused = this.refuses.get(e.id);
    if (refused) throw refused;
    let made = this.journal.find((m) => m.id === e.id);
    if (!made) {
      if (on > this.journal.length) throw refusal(409, 'ahead');
      made = this.others(1, 'me', e.id)[0];
    }
    if (!answered) throw new Unreachable();
    return made;
  }

  async has(id: string): Promise<boolean> {
    return this.journal.some((m) => m.id === id);
  }

  async after(revision: number): Promise<EditMade[]> {
    if (!this.arrives()) throw new Unreachable();
    return this.journal.slice(revision, revision + PAGE);
  }

  others(count: number, author = 'Oda', id?: string): EditMade[] {
    const more = Array.from({ length: count }, (_, i) => {
      const revision = this.journal.length + i + 1;
      return { revision, id: id ?? `o${revision}`, author, label: 'turn', change: turn(revision) };
    });
    this.journal.push(...more);
    return more;
  }
}

/** A page: what its document has come from, and what it was told. */
class FakePage {
  revision = 0;
  has: string[] = [];
  said: string[] = [];
  kept: PendingEdit[] = [];
  loads = 0;
  /** Edits that fit no more on a document that is read anew. */
  fitsNot = new Set<string>();
  outbox!: Outbox;
  following!: Following;

  constructor(
    readonly server: FakeServer,
    waiting: PendingEdit[] = [],
    readonly pauses: number[] = [],
  ) {
    const page = {
      revision: () => this.revision,
      setRevision: (r: number) => (this.revision = r),
      reload: () => this.reload(),
      reached: (r: number) => this.following.reached(r),
      say: (t: string) => void this.said.push(t),
      keep: (p: PendingEdit[]) => (this.kept = p),
    };
    this.outbox = new Outbox(server, page, waiting, async (ms) => void pauses.push(ms));
    this.following = new Following({
      ...page,
      after: (r) => server.after(r),
      apply: (c) => void this.has.push(c.fields[0].id),
      isMine: (id) => this.outbox.isMine(id),
    });
  }

  /** As somebody edits: seen at once, and on its way. */
  make(id: string): void {
    this.has.push(id);
    this.outbox.put(edit(id));
  }

  async reload(): Promise<void> {
    this.loads++;
    this.revision = this.server.journal.length;
    this.has = this.server.journal.map((m) => m.id);
    await this.outbox.layOn((e) => {
      if (this.fitsNot.has(e.id))
        throw new Refused({ code: 'gone', entity: '', field: '', text: 'Pim is gone.' });
      this.has.push(e.id);
    });
  }
}

const pending = () => useOutbox.getState().pending.map((e) => e.id);
const settled = async (p: FakePage) => {
  for (let i = 0; i < 20000 && (p.outbox.busy || pending().length); i++) await Promise.resolve();
};

describe('the outbox', () => {
  let server: FakeServer;
  beforeEach(() => (server = new FakeServer()));
  afterEach(() => useOutbox.setState(useOutbox.getInitialState()));

  it('brings edits in order, and says when all are stored', async () => {
    const p = new FakePage(server);
    for (const id of ['a', 'b', 'c']) p.make(id);
    expect(useOutbox.getState().saving).toBe('saving');
    expect(p.kept.map((e) => e.id)).toEqual(['a', 'b', 'c']);
    await settled(p);
    expect(server.journal.map((m) => m.id)).toEqual(['a', 'b', 'c']);
    expect([p.revision, p.kept, useOutbox.getState().saving]).toEqual([3, [], 'saved']);
  });

  it('sends again what was not answered, and it is taken once', async () => {
    const p = new FakePage(server);
    server.next = ['lost', 'lost'];
    p.make('a');
    p.make('b');
    await settled(p);
    expect(server.journal.map((m) => m.id)).toEqual(['a', 'b']);
    expect([p.revision, server.sent, p.pauses.length]).toEqual([2, 4, 2]);
  });

  it('keeps what is made while the server is away for an hour, and brings it all', async () => {
    const p = new FakePage(server);
    server.next = Array.from({ length: 2400 }, () => 'away');
    for (let i = 0; i < 40; i++) p.make(`e${i}`);
    await Promise.resolve();
    expect(p.kept.length).toBe(40);
    await settled(p);
    expect(p.pauses.reduce((a, b) => a + b, 0)).toBeGreaterThanOrEqual(3_600_000);
    expect(server.journal.map((m) => m.id)).toEqual(Array.from({ length: 40 }, (_, i) => `e${i}`));
    expect(pending()).toEqual([]);
  });

  it('lays an edit that met another on the document as it is, and sends it again', async () => {
    const p = new FakePage(server);
    server.refuses.set('a', refusal(409, 'Oda changed it'));
    server.others(2);
    p.make('a');
    while (p.loads === 0) await Promise.resolve();
    server.refuses.clear();
    await settled(p);
    expect(server.journal.map((m) => m.id)).toEqual(['o1', 'o2', 'a']);
    expect(p.has).toEqual(['o1', 'o2', 'a']);
  });

  it('says what fits no more, and goes on with the rest', async () => {
    const p = new FakePage(server);
    server.refuses.set('a', refusal(409, 'Oda removed it'));
    p.fitsNot.add('a');
    p.make('a');
    p.make('b');
    await settled(p);
    expect(p.said).toEqual(['“a” could not be kept: Pim is gone.']);
    expect(server.journal.map((m) => m.id)).toEqual(['b']);
    expect(p.has).toEqual(['b']);
  });

  it('gives up what the server refuses, saying why, and shows what the server has', async () => {
    const p = new FakePage(server);
    server.refuses.set('a', refusal(422, 'A focal length is above 0.'));
    p.make('a');
    p.make('b');
    await settled(p);
    expect(p.said).toEqual(['“a” was not taken: A focal length is above 0.']);
    expect(p.has).toEqual(['b']);
  });

  it('knows what an earlier page sent without hearing of it', async () => {
    server.others(1, 'me', 'a');
    const p = new FakePage(server, [edit('a'), edit('b')]);
    await p.reload();
    expect(pending()).toEqual(['b']);
    await p.outbox.send();
    expect(p.has).toEqual(['a', 'b']);
    expect(server.journal.map((m) => m.id)).toEqual(['a', 'b']);
  });

  it('keeps what waits when the sequence is left', async () => {
    const p = new FakePage(server);
    server.next = ['away'];
    p.make('a');
    p.outbox.leave();
    for (let i = 0; i < 50; i++) await Promise.resolve();
    expect(p.kept.map((e) => e.id)).toEqual(['a']);
    expect(p.outbox.busy).toBe(false);
  });
});

describe('following others', () => {
  afterEach(() => useOutbox.setState(useOutbox.getInitialState()));

  it('takes more than the server gives at a time', async () => {
    const server = new FakeServer();
    const p = new FakePage(server);
    server.others(1200);
    await p.following.catchUp();
    expect([p.revision, p.has.length, p.loads]).toEqual([1200, 1200, 0]);
  });

  it('takes what others did before an edit of its own became a revision', async () => {
    const server = new FakeServer();
    const p = new FakePage(server);
    server.others(700);
    p.make('a');
    await settled(p);
    expect(p.revision).toBe(701);
    expect(p.has.filter((x) => x === 'a')).toEqual(['a']);
    expect(p.has.length).toBe(701);
  });

  it('reads the document anew when it is far behind, and loses nothing that waits', async () => {
    const server = new FakeServer();
    const p = new FakePage(server);
    server.others(5000);
    server.next = ['away'];
    p.make('a');
    await settled(p);
    expect([p.revision >= 5000, p.loads]).toEqual([true, 1]);
    expect(server.journal.at(-1)!.id).toBe('a');
    expect(p.has.at(-1)).toBe('a');
  });

  it('takes an edit once, however often it is told', () => {
    const server = new FakeServer();
    const p = new FakePage(server);
    const [first] = server.others(1);
    expect(p.following.take(first)).toBe(true);
    expect(p.following.take(first)).toBe(true);
    expect([p.revision, p.has]).toEqual([1, ['o1']]);
    expect(p.said).toEqual(['Oda: turn']);
  });
});
