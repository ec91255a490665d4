import { createContext, useContext, useEffect, useState, type RefObject } from 'react';

/** Tells rows of a list whether they are in sight, or soon will be: the others need not have everything in them. */
export class InSight {
  private readonly told = new Map<Element, (near: boolean) => void>();
  private readonly watch: IntersectionObserver;

  /** @param root what scrolls */
  constructor(root: Element) {
    this.watch = new IntersectionObserver(
      (seen) => {
        for (const s of seen) this.told.get(s.target)?.(s.isIntersecting);
      },
      { root, rootMargin: '300px' },
    );
  }

  of(row: Element, tell: (near: boolean) => void): () => void {
    this.told.set(row, tell);
    this.watch.observe(row);
    return () => {
      this.told.delete(row);
      this.watch.unobserve(row);
    };
  }

  end(): void {
    this.watch.disconnect();
  }
}

export const Sight = createContext<InSight | null>(null);

/** Whether a row is in sight or near it. */
export function useNear(row: RefObject<HTMLElement | null>): boolean {
  const sight = useContext(Sight);
  const [near, setNear] = useState(false);
  useEffect(() => (row.current && sight ? sight.of(row.current, setNear) : undefined), [sight, row]);
  return near;
}
