import { useEffect, useRef, type ChangeEvent } from 'react';
import type { Command } from '../core/types';
import { commitPreview, preview } from '../session/document';

/**
 * For an input whose value runs while it is held, such as a colour: each step is shown, and
 * the last is made one edit when the browser says that the choice is made (its own `change`, which React's
 * `onChange` is not).
 */
export function useLiveEdit(does: string, commands: (text: string) => Command[]) {
  const ref = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const input = ref.current;
    input?.addEventListener('change', commitPreview);
    return () => input?.removeEventListener('change', commitPreview);
  }, []);
  return {
    ref,
    onChange: (e: ChangeEvent<HTMLInputElement>) => preview(does, ...commands(e.target.value)),
  };
}
