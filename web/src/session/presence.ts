import { useSequence, type SequenceState } from './state';

/** Where somebody else is in the sequence that is open. */
export interface Other {
  /** Names their page. */
  page: string;
  name: string;
  /** Letter of the camera they look through, or ''. */
  camera: string;
  frame: number;
  left: boolean;
}

/** A place is told at most so often, and again so often while nothing changes. */
const APART_MS = 400,
  AGAIN_MS = 5000;

/** Who was not heard of for so long is gone. */
const GONE_MS = 15_000;

const heard = new Map<string, number>();

/** Takes what the server says of somebody. */
export function takeOther(other: Other): void {
  const others = { ...useSequence.getState().others };
  if (other.left) {
    heard.delete(other.page);
    delete others[other.page];
  } else {
    heard.set(other.page, Date.now());
    others[other.page] = other;
  }
  useSequence.setState({ others });
}

function forgetTheGone(): void {
  const since = Date.now() - GONE_MS;
  const { others } = useSequence.getState();
  const there = Object.values(others).filter((o) => (heard.get(o.page) ?? 0) >= since);
  if (there.length < Object.keys(others).length)
    useSequence.setState({ others: Object.fromEntries(there.map((o) => [o.page, o])) });
}

const placeOf = (s: SequenceState): string => {
  const camera = s.entities[s.camera];
  return JSON.stringify({
    camera: camera?.kind === 'camera' ? camera.letter : '',
    frame: Math.round(s.frame),
  });
};

/** Tells the server where one is, for as long as the line is open. */
export function tellPlace(line: WebSocket): void {
  let said = '';
  let at = 0;
  const tell = (again: boolean) => {
    if (line.readyState !== WebSocket.OPEN) return;
    const now = placeOf(useSequence.getState());
    if (now === said && !again) return;
    if (Date.now() - at < APART_MS) return; // the clock below comes again
    at = Date.now();
    said = now;
    line.send(now);
  };
  const often = setInterval(() => {
    tell(Date.now() - at >= AGAIN_MS);
    forgetTheGone();
  }, APART_MS);
  line.addEventListener('close', () => clearInterval(often));
}

/** Looks through the camera somebody else looks through, on their frame. */
export function joinOther(other: Other): void {
  const { entities, header } = useSequence.getState();
  const camera = Object.values(entities).find((e) => e.kind === 'camera' && e.letter === other.camera);
  useSequence.setState({
    frame: Math.max(header.firstFrame, Math.min(header.lastFrame, other.frame)),
    ...(camera ? { camera: camera.id, followCut: false } : {}),
  });
}
