import { create } from 'zustand';
import { USUAL, type How as PreviewHow } from '../filming/ask';
import { PREVIEW, type How } from '../doing/renders';
import { USUAL as PACKAGE, type How as PackageHow } from './packages';
import { useSequence } from '../session/state';

/** What was last chosen for films, renders and packages of the open sequence: it stays so from desk to desk. */
interface Choices {
  way: 'preview' | 'render' | 'package';
  preview: PreviewHow;
  render: How;
  pack: PackageHow;
}

const first: Choices = { way: 'preview', preview: USUAL, render: PREVIEW, pack: PACKAGE };

export const useChoices = create<Choices>(() => first);

export const choose = (by: Partial<Choices>): void => useChoices.setState(by);

// chosen lights, marks and packages are of one sequence
useSequence.subscribe((now, before) => {
  if (now.id !== before.id) choose(first);
});
