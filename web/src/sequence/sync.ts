import { answer, Refused, theCore } from '../core/load';
import { at, getJson, postJson, ServerRefused } from '../shell/http';
import { fetchApprovals } from './approvals';
import { play } from './playing';
import { takeOther, tellPlace, type Other } from './presence';
import { comeBack } from './comingBack';
import {
  applyForeign,
  opened,
  previewing,
  reapply,
  say,
  useSequence,
  whenEdited,
  type PendingEdit,
  type Role,
} from './store';

interface EditMade {
  revision: number;
  id: string;
  author: string;
  label: string;
  change: unknown;
}

const set = useSequence.setState;
const get = useSequence.getState;
const RETRY_MS = 1500;

/** Ids of this page's edits, so that they are not applied again when they come back. */
const mine = new Set<string>();
let sending = false;
let socket: WebSocket | null = null;

const shelf = (id: string) => `jolly-kite.unsaved.${id}`;

function shelve(): void {
  const { id, pending } = get();
  if (pending.length) localStorage.setItem(shelf(id), JSON.stringify(pending));
  else localStorage.removeItem(shelf(id));
}

/** What an earlier page could not send. What cannot be read is put aside, not thrown away, and said. */
function shelved(id: string): PendingEdit[] {
  const text = localStorage.getItem(shelf(id));
  if (!text) return [];
  try {
    const kept = JSON.parse(text) as unknown;
    if (Array.isArray(kept) && kept.every(isPending)) return kept;
  } catch {
    // said below
  }
  localStorage.setItem(`${shelf(id)}.unreadable`, text);
  localStorage.removeItem(shelf(id));
  say(
    'Edits that waited in this browser could not be read and were put aside. What was saved is here.',
    true,
  );
  return [];
}

const isPending = (e: unknown): e is PendingEdit =>
  typeof e === 'object' &&
  e !== null &&
  ['id', 'label', 'commands'].every((k) => typeof (e as Record<string, unknown>)[k] === 'string');

/** Opens a sequence, with the edits an earlier page could not send laid on top. */
export async function openSequence(id: string): Promise<void> {
  set({ pending: shelved(id) });
  await load(id);
  comeBack(id);
  whenEdited((e) => {
    mine.add(e.id);
    shelve();
    set({ saving: 'saving' });
    void send();
  });
  listen(id);
  if (get().pending.length) void send();
}

/** Opens a sequence as it was at a revision, to look at: nothing is changed there, and nothing comes. */
export async function openMoment(id: string, moment: number): Promise<void> {
  const document = await getJson<unknown>(`/api/sequences/${id}/history/${moment}`);
  answer(theCore().open(JSON.stringify(document)));
  set({ role: 'reviewer', mayEdit: false, moment });
  opened(id, moment);
}

/** Leaves the sequence: what waits to be sent stays on the shelf for the next time it is opened. */
export function closeSequence(): void {
  whenEdited(() => {});
  const left = socket;
  socket = null;
  left?.close();
  play(false);
  set({ ...useSequence.getInitialState(), version: get().version + 1 });
}

/** Takes the server's document and lays the waiting edits on it, saying which do not fit any more. */
async function load(id: string): Promise<void> {
  const { revision, role, document } = await getJson<{ revision: number; role: Role; document: unknown }>(
    `/api/sequences/${id}`,
  );
  set({ role, mayEdit: role === 'artist' || role === 'lead' });
  answer(theCore().open(JSON.stringify(document)));
  opened(id, revision);
  const fits: PendingEdit[] = [];
  for (const e of get().pending) {
    mine.add(e.id);
    if (await taken(id, e.id)) continue; // stored before, only the answer was lost: the document has it
    try {
      reapply(e);
      fits.push(e);
    } catch (x) {
      if (!(x instanceof Refused)) throw x;
      say(`“${e.label}” could not be kept: ${x.message}`, true);
    }
  }
  set({ pending: fits });
  shelve();
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

async function send(): Promise<void> {
  if (sending) return;
  sending = true;
  try {
    const { id } = get();
    while (get().id === id && get().pending.length) {
      const next = get().pending[0];
      try {
        const made = await postJson<EditMade>(`/api/sequences/${id}/edits`, {
          ...next,
          revision: get().revision,
        });
        if (get().id !== id) return;
        dropPending(next.id);
        await reached(made.revision);
      } catch (e) {
        if (get().id !== id) return; // left meanwhile: it waits on the shelf
        if (e instanceof ServerRefused && e.status === 409) await load(get().id);
        else if (e instanceof ServerRefused && e.status >= 400 && e.status < 500 && e.status !== 401) {
          say(`“${next.label}” was not taken: ${e.message}`, true);
          dropPending(next.id);
          await load(get().id);
        } else {
          set({ saving: 'waiting' });
          await new Promise((r) => setTimeout(r, RETRY_MS));
        }
      }
    }
    set({ saving: 'saved' });
  } finally {
    sending = false;
  }
}

function dropPending(id: string): void {
  set((s) => ({ pending: s.pending.filter((p) => p.id !== id) }));
  shelve();
}

/** After our edit became a revision: fetches what others did in between. */
async function reached(revision: number): Promise<void> {
  if (revision > get().revision + 1) await catchUp();
  if (revision > get().revision) set({ revision });
}

/** Edits the server gives at a time. */
const PAGE = 500;

/** So many edits behind, the whole document is read again: what waits here is laid on top. */
const FAR_BEHIND = 2000;

let catching: Promise<void> | null = null;

/** Takes all that others did since this page's revision, once at a time. */
function catchUp(): Promise<void> {
  catching ??= caughtUp().finally(() => (catching = null));
  return catching;
}

async function caughtUp(): Promise<void> {
  const { id } = get();
  for (let taken = 0; ; taken += PAGE) {
    const more = await getJson<EditMade[]>(`/api/sequences/${id}/edits?after=${get().revision}`);
    if (get().id !== id) return;
    for (const e of more) if (!take(e)) return;
    if (more.length < PAGE) return;
    if (taken >= FAR_BEHIND) return load(id);
  }
}

/** Takes one edit; false when the document is read anew instead. */
function take(e: EditMade): boolean {
  if (e.revision <= get().revision) return true;
  if (!mine.has(e.id)) {
    try {
      applyForeign(JSON.stringify(e.change));
    } catch (x) {
      if (!(x instanceof Refused)) throw x;
      void load(get().id);
      return false;
    }
    say(`${e.author}: ${e.label}`);
  }
  set({ revision: e.revision });
  return true;
}

const CHECK_MS = 60_000;

/** Now and then, while nothing is under way, holds the document against the server's. */
async function check(): Promise<void> {
  const { id, revision, pending, playing } = get();
  if (!id || get().moment !== null || sending || pending.length || playing || previewing() || document.hidden)
    return;
  const theirs = await getJson<{ revision: number; digest: string }>(`/api/sequences/${id}/digest`);
  const now = get();
  if (now.id !== id || sending || now.pending.length || previewing()) return;
  if (theirs.revision > now.revision) return catchUp();
  if (theirs.revision !== now.revision || now.revision !== revision) return;
  if (theirs.digest === theCore().digest()) return;
  await load(id);
  say('This page showed something else than the server has. It shows the server’s now.', true);
}

setInterval(() => void check().catch(() => {}), CHECK_MS);

function listen(id: string): void {
  socket?.close();
  const ws = new WebSocket(at(`/api/live?sequence=${id}`).replace(/^http/, 'ws'));
  socket = ws;
  ws.onopen = () => {
    void catchUp().catch(() => {});
    void fetchApprovals().catch(() => {});
    tellPlace(ws);
  };
  ws.onmessage = (m) => {
    const said = JSON.parse(String(m.data)) as
      EditMade | { renders: true } | { approvals: true } | { here: Other };
    if ('renders' in said) {
      set((s) => ({ rendersMoved: s.rendersMoved + 1 }));
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
    const e = said;
    if (mine.has(e.id)) return; // its acknowledgement tells us
    if (e.revision === get().revision + 1) take(e);
    else if (!sending) void catchUp().catch(() => {});
  };
  ws.onclose = () => {
    if (socket === ws) setTimeout(() => void listenAgain(ws, id), RETRY_MS);
  };
}

/** Listens again after the line broke, unless it was cut because one may not look any more. */
async function listenAgain(was: WebSocket, id: string): Promise<void> {
  try {
    await getJson(`/api/sequences/${id}/digest`);
  } catch (e) {
    if (e instanceof ServerRefused && [401, 403, 404].includes(e.status)) {
      if (socket !== was) return;
      const gone = e.status === 404 ? 'You may not look at this sequence any more.' : e.message;
      say(`${gone} What is here is not brought up to date.`, true);
      set({ role: 'guest', mayEdit: false });
      return;
    }
  }
  if (socket === was) listen(id);
}
