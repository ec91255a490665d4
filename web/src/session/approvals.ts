import { getJson, postJson, call } from './http';
import { say } from './said';
import { useSequence } from './state';

/** That a camera or a shot is approved: nobody edits it until it is reopened. */
export interface Approval {
  entity: string;
  by: string;
  /** ISO 8601. */
  at: string;
  note: string;
}

const get = useSequence.getState;
const path = () => `/api/sequences/${get().id}/approvals`;

/** Asks what is approved in the sequence that is open. */
export async function fetchApprovals(): Promise<void> {
  const { id } = get();
  const all = await getJson<Approval[]>(path());
  if (get().id === id) useSequence.setState({ approvals: Object.fromEntries(all.map((a) => [a.entity, a])) });
}

const told = (work: Promise<unknown>) =>
  void work.then(fetchApprovals).catch((e: unknown) => say(e instanceof Error ? e.message : String(e), true));

export const approve = (entity: string, note = '') => told(postJson(`${path()}/${entity}`, { note }));

export const reopen = (entity: string) => told(call('DELETE', `${path()}/${entity}`));

/** Whether one may approve and reopen here. */
export const mayApprove = (role: string) => role === 'lead' || role === 'reviewer';

export const approvedOn = (a: Approval) =>
  `Approved by ${a.by} on ${new Date(a.at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}`;
