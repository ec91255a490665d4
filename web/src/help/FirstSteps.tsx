import Popper from '@mui/material/Popper';
import { styled } from '@mui/material/styles';
import { useEffect, useState } from 'react';
import { Pill } from '../kit/Pill';
import { whenMade } from '../session/document';
import { useSequence } from '../session/state';
import { keysSaid } from '../shortcuts/words';
import { palette } from '../theme/tokens';
import { leaveThem, STEPS, took, useFirstSteps, type Step } from './firstSteps';

/** What each step points at, and what it says. */
const HINTS: Record<Step, { at: string; edits: boolean; says: () => string }> = {
  look: {
    at: 'aside [data-camera=another]',
    edits: false,
    says: () => 'Click another camera to look through it.',
  },
  walk: {
    at: '[data-testid=lens]',
    edits: true,
    says: () => 'Drag in the picture: the camera turns. With Shift it trucks; the wheel dollies.',
  },
  lens: {
    at: 'aside.right [data-channel=focalLength]',
    edits: true,
    says: () => 'Choose a longer or a shorter lens: type it, drag its name, or click one of the kit.',
  },
  key: {
    at: 'aside.right [data-key=focalLength]',
    edits: true,
    says: () =>
      'This small kite puts a key on this frame: go to another frame, change the number, and it moves.',
  },
  play: {
    at: '[data-play]',
    edits: false,
    says: () => `See it move: press ${keysSaid('play') || 'Play'}.`,
  },
};

const Bubble = styled('div')({
  maxWidth: 250,
  padding: '9px 12px',
  margin: 8,
  borderRadius: 14,
  background: palette.paper,
  color: palette.deep,
  fontSize: 12.5,
  fontWeight: 600,
  lineHeight: 1.4,
  boxShadow: '0 8px 30px #0009',
  '& p': { margin: '0 0 6px' },
  '& footer': { display: 'flex', alignItems: 'center', gap: 8, fontWeight: 500 },
  '& button': { pointerEvents: 'auto' },
});

/** The first steps, one after the other, each beside what it is about and gone when it is done. */
export function FirstSteps() {
  const done = useFirstSteps((s) => s.done);
  const mayEdit = useSequence((s) => s.mayEdit);
  const hides = useSequence(
    (s) => s.dialog !== null || s.picking !== null || s.over !== null || s.moment !== null,
  );
  const left = STEPS.filter((s) => !done.includes(s) && (mayEdit || !HINTS[s].edits));
  useTaking();
  const step = left[0];
  const target = useTarget(step && !hides ? HINTS[step].at : '');
  if (!step || !target || hides) return null;
  return (
    <Popper open anchorEl={target} placement="auto" sx={{ zIndex: 900, pointerEvents: 'none' }}>
      <Bubble role="note" data-testid={`step-${step}`}>
        <p>{HINTS[step].says()}</p>
        <footer>
          <span>{`${STEPS.length - left.length + 1} of ${STEPS.length}`}</span>
          <span className="grow" />
          <Pill small onClick={() => took(step)}>
            Next
          </Pill>
          <Pill small onClick={leaveThem}>
            No hints
          </Pill>
        </footer>
      </Bubble>
    </Popper>
  );
}

/** How often the page is looked at for what a hint points at, while one is to be shown. */
const LOOK_MS = 500;

/** The first thing on the page that a hint can point at; it may come and go with desks and selection. */
function useTarget(at: string): Element | null {
  const [target, setTarget] = useState<Element | null>(null);
  useEffect(() => {
    const look = () => {
      const e = at ? document.querySelector(at) : null;
      setTarget(e && e.getClientRects().length ? e : null);
    };
    look();
    if (!at) return;
    const timer = setInterval(look, LOOK_MS);
    return () => clearInterval(timer);
  }, [at]);
  return target;
}

/** Notices a step that was taken, whichever way. */
function useTaking(): void {
  useEffect(() => {
    const looks = useSequence.subscribe((s, before) => {
      if (s.id !== before.id) return;
      if (s.playing && !before.playing) took('play');
      if (s.camera !== before.camera) took('look');
    });
    const edits = whenMade((commands) => {
      for (const c of commands) {
        if (c.kind === 'walk' || c.kind === 'orbit') took('walk');
        if (c.kind === 'setValue' && c.channel === 'focalLength') took('lens');
        if (c.kind === 'insertKey' || ('key' in c && c.key === true)) took('key');
      }
    });
    return () => {
      looks();
      edits();
    };
  }, []);
}
