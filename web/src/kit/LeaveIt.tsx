import { useState } from 'react';
import { Chip } from './Chip';
import { Words } from './Words';

/** Lets something that is pointed out stay as it is, with a word why; or points it out again. */
export function LeaveIt({ left, onLeave }: { left: boolean; onLeave: (why: string) => void }) {
  const [asking, setAsking] = useState(false);
  if (left) return <Chip onClick={() => onLeave('')}>Point it out</Chip>;
  if (!asking) return <Chip onClick={() => setAsking(true)}>Leave it</Chip>;
  return (
    <Words
      autoFocus
      className="why-it-stays"
      placeholder="Why it stays"
      aria-label="Why it stays"
      maxLength={120}
      onKeyDown={(e) => {
        const why = e.currentTarget.value.trim();
        if (e.key === 'Enter' && why) {
          setAsking(false);
          onLeave(why);
        }
        if (e.key === 'Escape') {
          e.stopPropagation();
          setAsking(false);
        }
      }}
    />
  );
}
