import { useSequence } from './state';

/** What a lens window takes over from the window it was opened from. */
interface Moment {
  id: string;
  frame: number;
  /** Of the programme, and the shot it is seen in: of several that show the frame, this one. */
  reel: number | null;
  shot: string;
  camera: string;
  followCut: boolean;
}

const CHANNEL = 'jolly-kite';
const momentOf = (s: ReturnType<typeof useSequence.getState>): Moment => ({
  id: s.id,
  frame: s.frame,
  reel: s.reel,
  shot: s.shot,
  camera: s.camera,
  followCut: s.followCut,
});

/** Takes over another window's frame and camera, where it shows the same sequence. */
function takeOver(told: Moment): void {
  const s = useSequence.getState();
  if (told.id !== s.id) return;
  useSequence.setState({
    frame: told.frame,
    reel: told.reel,
    shot: told.shot,
    followCut: told.followCut,
    ...(s.entities[told.camera] ? { camera: told.camera } : {}),
  });
}

/** Tells the other windows of this browser the frame and camera whenever they change here. */
function together(onHello: (tell: () => void) => void): { channel: BroadcastChannel; leave: () => void } {
  const channel = new BroadcastChannel(CHANNEL);
  const tell = () => channel.postMessage(momentOf(useSequence.getState()));
  channel.onmessage = (m) => {
    const told = m.data as Moment | 'hello';
    if (told === 'hello') onHello(tell);
    else takeOver(told);
  };
  const unsubscribe = useSequence.subscribe((s, old) => {
    const moved = s.frame !== old.frame || s.reel !== old.reel || s.shot !== old.shot;
    if (moved || s.camera !== old.camera || s.followCut !== old.followCut) tell();
  });
  return {
    channel,
    leave: () => {
      unsubscribe();
      channel.close();
    },
  };
}

/** The main window: tells where it is, and goes where a lens window goes. Edits come through the server. */
export const tellOthers = (): (() => void) => together((tell) => tell()).leave;

/** A lens window: goes where the main window is, and takes it along when a key is pressed here. */
export function followMain(): () => void {
  const { channel, leave } = together(() => {});
  channel.postMessage('hello');
  return leave;
}
