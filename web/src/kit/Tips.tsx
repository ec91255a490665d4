import Tooltip from '@mui/material/Tooltip';
import { useEffect, useId, useState } from 'react';
import { TIP } from './Tip';

/** How long one points at something before its tooltip comes, and how long a finger rests on it, milliseconds. */
const POINTED_MS = 400,
  HELD_MS = 700;

/** So soon after one was shown the next comes at once, milliseconds. */
const NEXT_MS = 800;

const about = (e: Event): HTMLElement | null =>
  e.target instanceof Element ? e.target.closest<HTMLElement>(`[${TIP}]`) : null;

/**
 * The tooltip of the page: of the hundreds of things that have one, one is pointed at. What it is about is described by it for
 * readers of the screen as long as it shows.
 */
export function Tips() {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const id = useId();
  useEffect(() => {
    let over: HTMLElement | null = null;
    let timer = 0;
    let left = -Infinity;
    let shown = false;
    const hide = () => {
      clearTimeout(timer);
      if (shown) left = performance.now();
      shown = false;
      setOpen(false);
    };
    const come = (to: HTMLElement | null, after: number) => {
      if (to === over) return;
      over = to;
      hide();
      if (!to) return;
      timer = window.setTimeout(
        () => {
          shown = true;
          setText(to.getAttribute(TIP) ?? '');
          setAt(to);
          setOpen(true);
        },
        performance.now() - left < NEXT_MS ? 0 : after,
      );
    };
    const pointed = (e: PointerEvent) => {
      if (!e.buttons || e.pointerType === 'touch')
        come(about(e), e.pointerType === 'touch' ? HELD_MS : POINTED_MS);
    };
    const pressed = (e: PointerEvent) => e.pointerType !== 'touch' && hide();
    const lifted = (e: PointerEvent) => e.pointerType === 'touch' && come(null, 0);
    const outside = (e: PointerEvent) => e.relatedTarget === null && come(null, 0);
    const focused = (e: FocusEvent) => {
      if ((e.target as Element).matches(':focus-visible')) come(about(e), POINTED_MS);
    };
    const blurred = () => come(null, 0);
    const escaped = (e: KeyboardEvent) => e.key === 'Escape' && hide();
    const listening = new AbortController();
    const { signal } = listening;
    document.addEventListener('pointerover', pointed, { signal });
    document.addEventListener('pointerout', outside, { signal });
    document.addEventListener('pointerdown', pressed, { signal, capture: true });
    document.addEventListener('pointerup', lifted, { signal, capture: true });
    document.addEventListener('focusin', focused, { signal });
    document.addEventListener('focusout', blurred, { signal });
    document.addEventListener('keydown', escaped, { signal, capture: true });
    return () => {
      listening.abort();
      clearTimeout(timer);
    };
  }, []);
  useEffect(() => {
    if (!at || !open) return;
    // what it says may change while it shows, and what it is about may go
    const watching = new MutationObserver(() =>
      at.isConnected ? setText(at.getAttribute(TIP) ?? '') : setOpen(false),
    );
    watching.observe(document.body, {
      subtree: true,
      childList: true,
      attributes: true,
      attributeFilter: [TIP],
    });
    const control = at.firstElementChild;
    const had = control?.getAttribute('aria-describedby');
    control?.setAttribute('aria-describedby', had ? `${had} ${id}` : id);
    return () => {
      watching.disconnect();
      if (had) control?.setAttribute('aria-describedby', had);
      else control?.removeAttribute('aria-describedby');
    };
  }, [at, open, id]);
  return (
    <Tooltip
      id={id}
      title={text}
      open={open}
      arrow
      disableInteractive
      slotProps={{ popper: { anchorEl: at } }}
    >
      <span hidden />
    </Tooltip>
  );
}
