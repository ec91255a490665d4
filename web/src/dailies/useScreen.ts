import { useEffect, useRef, type RefObject } from 'react';
import { Screen } from './screen';

/** A screen in a box, behind all else that is in it and as large; `changed` is told when it is of another size. */
export function useScreen(box: RefObject<HTMLElement | null>, changed: () => void): RefObject<Screen | null> {
  const screen = useRef<Screen>(null);
  const told = useRef(changed);
  useEffect(() => {
    const around = box.current!;
    const canvas = document.createElement('canvas');
    around.prepend(canvas);
    screen.current = new Screen(canvas);
    const fitted = new ResizeObserver(() => {
      const { width, height } = around.getBoundingClientRect();
      canvas.width = Math.max(1, Math.round(width * devicePixelRatio));
      canvas.height = Math.max(1, Math.round(height * devicePixelRatio));
      told.current();
    });
    fitted.observe(around);
    around.focus();
    return () => {
      fitted.disconnect();
      screen.current?.dispose();
      canvas.remove();
    };
  }, [box]);
  return screen;
}
