import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** The first things that somebody does here, in this order. */
export const STEPS = ['look', 'walk', 'lens', 'key', 'play'] as const;
export type Step = (typeof STEPS)[number];

interface FirstSteps {
  done: Step[];
}

/** Which of the first steps were taken, kept in the browser: nobody is shown them twice. */
export const useFirstSteps = create<FirstSteps>()(
  persist((): FirstSteps => ({ done: [] }), { name: 'jolly-kite.first-steps', version: 1 }),
);

export function took(step: Step): void {
  if (!useFirstSteps.getState().done.includes(step))
    useFirstSteps.setState((s) => ({ done: [...s.done, step] }));
}

export const leaveThem = () => useFirstSteps.setState({ done: [...STEPS] });
export const beginAgain = () => useFirstSteps.setState({ done: [] });
