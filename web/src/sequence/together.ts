import { useSequence } from './store';

/** What a lens window takes over from the window it was opened from. */
interface Moment {
  id: string;
  frame: number;
  camera: string;
  followCut: boolean;
}

const CHANNEL = 'jolly-kite';
const momentOf = (s: ReturnType<typeof useSequence.getState>): Moment => ({
  id: s.id,
  frame: s.frame,
  camera: s.camera,
  followCut: s.followCut,
});

/** Tells other windows of this browser the frame and camera; edits reach them through the server. */
export function tellOthers(): () => void {
  const channel = new BroadcastChannel(CHANNEL);
  const tell = () => channel.postMessage(momentOf(useSequence.getState()));
  channel.onmessage = (m) => m.data === 'hello' && tell();
  const leave = useSequence.subscribe((s, old) => {
    if (s.frame !== old.frame || s.camera !== old.camera || s.followCut !== old.followCut) tell();
  });
  return () => {
    leave();
    channel.close();
  };
}

/** Follows the frame and camera of the main window. */
export function followMain(): () => void {
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = (m) => {
    const told = m.data as Moment | 'hello';
    const s = useSequence.getState();
    if (told === 'hello' || told.id !== s.id) return;
    useSequence.setState({
      frame: told.frame,
      followCut: told.followCut,
      ...(s.entities[told.camera] ? { camera: told.camera } : {}),
    });
  };
  channel.postMessage('hello');
  return () => channel.close();
}
