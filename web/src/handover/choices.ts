import { create } from 'zustand';
import { USUAL, type How as PreviewHow } from '../filming/ask';
import { PREVIEW, type How } from '../doing/renders';

/** What was last chosen for films and renders: it stays so from desk to desk. */
interface Choices {
  way: 'preview' | 'render';
  preview: PreviewHow;
  render: How;
}

export const useChoices = create<Choices>(() => ({ way: 'preview', preview: USUAL, render: PREVIEW }));

export const choose = (by: Partial<Choices>): void => useChoices.setState(by);
