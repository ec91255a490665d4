import { Tick } from '../kit/Tick';
import { useSequence } from '../session/state';

/** Whether shots are made with their handles: the production's, or their own. */
export function HandlesTick({ checked, onChange }: { checked: boolean; onChange: (on: boolean) => void }) {
  const usual = useSequence((s) => s.header.standards.beginning.handleFrames);
  const own = useSequence((s) => Object.values(s.entities).some((e) => e.kind === 'shot' && e.handles));
  if (!usual && !own) return null;
  return (
    <Tick checked={checked} onChange={(e) => onChange(e.target.checked)}>
      {`Shots with their handles: ${usual} frames more at each end${own ? ', or their own' : ''}`}
    </Tick>
  );
}
