import { answer } from '../core/load';
import type { Command } from '../core/types';
import { edit, preview } from './document';
import { attempt, say } from './said';

/** Commands the core proposes, or undefined after saying why it cannot. */
export function proposed(text: string): Command[] | undefined {
  return attempt(() => answer<{ commands: Command[] }>(text).commands);
}

/** Makes what the core proposes an edit. */
export function editProposed(label: string, text: string): boolean {
  const commands = proposed(text);
  if (!commands) return false;
  if (commands.length === 0) {
    say('There is nothing to change.');
    return false;
  }
  return edit(label, ...commands);
}

/** Shows what the core proposes while a handle is dragged. */
export function previewProposed(label: string, text: string): void {
  const commands = proposed(text);
  if (commands?.length) preview(label, ...commands);
}
