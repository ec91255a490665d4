import type { Command } from '../core/types';
import { edit, preview } from './document';
import { attempt, say } from './said';

/** Asks the core for commands; it refuses with a reason. */
export type Proposal = () => Command[];

/** Makes what the core proposes an edit. Gives false where it cannot, after saying why. */
export function editProposed(label: string, propose: Proposal): boolean {
  const commands = attempt(propose);
  if (!commands) return false;
  if (commands.length === 0) {
    say('There is nothing to change.');
    return false;
  }
  return edit(label, ...commands);
}

/** Shows what the core proposes while a handle is dragged. */
export function previewProposed(label: string, propose: Proposal): void {
  const commands = attempt(propose);
  if (commands?.length) preview(label, ...commands);
}
