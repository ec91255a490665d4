import { loadCore, theCore } from '../core/load';
import type { SequenceDocument } from '../core/types';
import { at, getJson, postJson, ServerRefused } from './http';
import { fetchApprovals } from './approvals';
import { play } from './time';
import { takeOther, tellPlace, type Other } from './presence';
import { comeBack } from './comingBack';
import { Following, type EditMade } from './following';
import { useHistory } from './history';
import { Outbox, useOutbox } from './outbox';
import { shelve, shelved } from './shelf';
import type { Role } from './desks';
import { applyForeign, opened, previewing, reapply, whenEdited } from './document';
import { say } from './said';
import { useSequence } from './state';

const set = useSequence.setState;
const get = useSequence.getState;

/** How long until a broken line is tried again. */
const RETRY_MS = 1500;

/** The sequence that is open: what it sends, what it takes, and the line that tells of news. */
interface Open {
  outbox: Outbox;
  following: Following;
  socket: WebSocket | null;
}

let now: Open | null = null;

/** Opens a sequence, with the edits an earlier page could not send laid on top. */
export async function openSequence(id: string): Promise<void> {
  const waiting = shelved(id, () =>
    say(
      'Edits that waited in this browser could not be read and were put aside. What was saved is here.',
      true,
    ),
  );
  const reload = () => load(id, outbox);
  const revision = () => get().revision;
  const outbox: Outbox = new Outbox(
    {
      send: (e, on) => postJson<EditMade>(`/api/sequences/${id}/edits`, { ...e, revision: on }),
      has: (e) => taken(id, e),
    },
    {
      revision,
      reload,
      reached: (to) => following.reached(to),
      say: (text) => say(text, true),
      keep: (pending) => shelve(id, pending),
    },
    waiting,
  );
  const following: Following = new Following({
    revision,
    reload,
    setRevision: (to) => set({ revision: to }),
    after: (from) => getJson<EditMade[]>(`/api/sequences/${id}/edits?after=${from}`),
    apply: (change) => applyForeign(change),
    isMine: (e) => outbox.isMine(e),
    say,
  });
  const open: Open = { outbox, following, socket: null };
  now = open;
  await reload();
  if (now !== open) return; // left meanwhile
  comeBack(id);
  whenEdited((e) => outbox.put(e));
  listen(open, id);
  if (useOutbox.getState().pending.length) void outbox.send();
}

/** Opens a sequence as it was at a revision, to look at: nothing is changed there, and nothing comes. */
export async function openMoment(id: string, moment: number): Promise<void> {
  const [document] = await Promise.all([
    getJson<SequenceDocument>(`/api/sequences/${id}/history/${moment}`),
    loadCore(),
  ]);
  theCore().open(document);
  set({ role: 'reviewer', mayEdit: false, mayReview: false, moment });
  opened(id, moment);
}

/** Opens a document that is not to be changed and that nothing comes to, to draw it. */
export async function openToDraw(id: string, document: SequenceDocument): Promise<void> {
  await loadCore();
  theCore().open(document);
  set({ role: 'reviewer', mayEdit: false, mayReview: false });
  opened(id, 0);
}

/** Leaves the sequence: what waits to be sent stays on the shelf for the next time it is opened. */
export function closeSequence(): void {
  whenEdited(() => {});
  now?.outbox.leave();
  now?.following.leave();
  const line = now?.socket;
  now = null;
  line?.close();
  play(false);
  useOutbox.setState(useOutbox.getInitialState());
  useHistory.setState(useHistory.getInitialState());
  set({ ...useSequence.getInitialState(), version: get().version + 1 });
}

/** Takes the server's document and lays the waiting edits on it, saying which do not fit any more. */
async function load(id: string, outbox: Outbox): Promise<void> {
  const [{ revision, role, document }] = await Promise.all([
    getJson<{ revision: number; role: Role; document: SequenceDocument }>(`/api/sequences/${id}`),
    loadCore(),
  ]);
  if (now?.outbox !== outbox) return; // left meanwhile
  const mayEdit = role === 'artist' || role === 'lead';
  set({ role, mayEdit, mayReview: mayEdit || role === 'reviewer' });
  theCore().open(document);
  opened(id, revision);
  await outbox.layOn(reapply);
}

/** Whether the server has an edit in its journal. */
async function taken(id: string, edit: string): Promise<boolean> {
  try {
    await getJson(`/api/sequences/${id}/edits/${edit}`);
    return true;
  } catch (e) {
    if (e instanceof ServerRefused && e.status === 404) return false;
    throw e;
  }
}

const CHECK_MS = 60_000;

/** Now and then, while nothing is under way, holds the document against the server's. */
async function check(): Promise<void> {
  const open = now;
  const { id, revision, playing } = get();
  const still = () =>
    now === open && !open?.outbox.busy && !useOutbox.getState().pending.length && !previewing();
  if (!open || !still() || playing || document.hidden) return;
  const theirs = await getJson<{ revision: number; digest: string }>(`/api/sequences/${id}/digest`);
  if (!still()) return;
  if (theirs.revision > get().revision) return open.following.catchUp();
  if (theirs.revision !== get().revision || get().revision !== revision) return;
  if (theirs.digest === theCore().digest()) return;
  await load(id, open.outbox);
  say('This page showed something else than the server has. It shows the server’s now.', true);
}

setInterval(() => void check().catch(() => {}), CHECK_MS);

function listen(open: Open, id: string): void {
  open.socket?.close();
  const { outbox, following } = open;
  const ws = new WebSocket(at(`/api/live?sequence=${id}`).replace(/^http/, 'ws'));
  open.socket = ws;
  ws.onopen = () => {
    set({ live: true });
    void following.catchUp().catch(() => {});
    void fetchApprovals().catch(() => {});
    tellPlace(ws);
  };
  ws.onmessage = (m) => {
    const said = JSON.parse(String(m.data)) as
      EditMade | { render: { id: string } } | { approvals: true } | { here: Other };
    if ('render' in said) {
      set({ renderTold: said.render });
      return;
    }
    if ('approvals' in said) {
      void fetchApprovals().catch(() => {}); // asked again when the line comes back
      return;
    }
    if ('here' in said) {
      takeOther(said.here);
      return;
    }
    if (outbox.isMine(said.id)) return; // its acknowledgement tells us
    if (said.revision === get().revision + 1) following.take(said);
    else if (!outbox.busy) void following.catchUp().catch(() => {});
  };
  ws.onclose = () => {
    if (open.socket !== ws) return;
    set({ live: false });
    setTimeout(() => void listenAgain(open, ws, id), RETRY_MS);
  };
}

/** Listens again after the line broke, unless it was cut because one may not look any more. */
async function listenAgain(open: Open, was: WebSocket, id: string): Promise<void> {
  const still = () => now === open && open.socket === was;
  try {
    await getJson(`/api/sequences/${id}/digest`);
  } catch (e) {
    if (e instanceof ServerRefused && [401, 403, 404].includes(e.status)) {
      if (!still()) return;
      const gone = e.status === 404 ? 'You may not look at this sequence any more.' : e.message;
      say(`${gone} What is here is not brought up to date.`, true);
      set({ role: 'guest', mayEdit: false, mayReview: false });
      return;
    }
  }
  if (still()) listen(open, id);
}
