import { create } from 'zustand';
import { USUAL, type How as PreviewHow } from '../filming/ask';
import { PREVIEW, type How } from '../doing/renders';
import { useSequence } from '../session/state';

/** What was last chosen for films and renders of the open sequence: it stays so from desk to desk. */
interface Choices {
  way: 'preview' | 'render';
  preview: PreviewHow;
  render: How;
}

const first: Choices = { way: 'preview', preview: USUAL, render: PREVIEW };

export const useChoices = create<Choices>(() => first);

export const choose = (by: Partial<Choices>): void => useChoices.setState(by);

// chosen lights are of one sequence
useSequence.subscribe((now, before) => {
  if (now.id !== before.id) choose(first);
});
