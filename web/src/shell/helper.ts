import { heardFrame, loudness, mixed } from '../session/hearing';
import { useHistory } from '../session/history';
import { useOutbox } from '../session/outbox';
import { LensRow } from '../core/types';
import { core, evaluated } from '../session/evaluated';
import { modelsComing } from '../views/models';
import { imagesComing } from '../views/plates';
import { stage } from '../views/stage';
import { inSetView } from '../doing/setViewPose';
import { useSequence } from '../session/state';
import { goTo, goToReel } from '../session/time';
import { lensCamera } from '../session/view';

/** What tests may read of the page: its own evaluated camera, to hold against the server's bake. */
export interface Helper {
  camera(id?: string): { world: number[]; lens: number[] };
  project(x: number, y: number, z: number): number[];
  place(id: string): number[];
  value(id: string, channel: string): number;
  state(): {
    frame: number;
    reel: number | null;
    shot: string;
    playing: boolean;
    revision: number;
    /** Grows with whatever is evaluated and drawn anew. */
    version: number;
    pending: number;
    /** Models and images that are on their way. */
    coming: number;
    /** Pieces that are drawn at once with others like them. */
    drawnAtOnce: number;
    dropped: number;
    /** The loudest sample that is heard: at this moment, and within the last 0.7 s. */
    loudness: number;
    loudnessLately: number;
    /** The frame of the programme that is heard at this moment; not a number where nothing is played. */
    heard: number;
    undoSteps: number;
    camera: string;
    selected: string[];
    chosenKeys: Record<string, number[]>;
  };
  handleOnScreen(part: string): number[];
  inSetView(x: number, y: number, z: number): number[];
  goTo(frame: number): void;
  /** What this window plays of a stretch of the programme, sample by sample. */
  mixed(first: number, end: number, pace: number): Promise<number[]>;
  goToReel(frame: number): void;
  /** What is shown, as the core writes it. */
  document(): string;
}

/** Puts the helper where a test finds it. */
export function theHelper(): void {
  const helper: Helper = {
    camera(id = lensCamera(useSequence.getState())) {
      const slot = core().slot(id);
      const { world, lens } = evaluated();
      return {
        world: [...world.subarray(slot * 16, slot * 16 + 16)],
        lens: [...lens.subarray(slot * LensRow.SIZE, slot * LensRow.SIZE + LensRow.SIZE)],
      };
    },
    project(x, y, z) {
      const out = new Float64Array(3);
      core().project(lensCamera(useSequence.getState()), x, y, z, out);
      return [...out];
    },
    place(id) {
      const slot = core().slot(id);
      return [...evaluated().world.subarray(slot * 16 + 12, slot * 16 + 15)];
    },
    value(id, channel) {
      return core()
        .channels(id, useSequence.getState().frame)
        .find((c) => c.address === channel)!.value;
    },
    state() {
      const s = useSequence.getState();
      return {
        frame: s.frame,
        reel: s.reel,
        shot: s.shot,
        playing: s.playing,
        revision: s.revision,
        version: s.version,
        pending: useOutbox.getState().pending.length,
        coming: modelsComing() + imagesComing(),
        drawnAtOnce: stage.crowds.count,
        dropped: s.dropped,
        loudness: loudness().now,
        loudnessLately: loudness().lately,
        heard: heardFrame(),
        undoSteps: useHistory.getState().undo.length,
        camera: lensCamera(s),
        selected: s.selected,
        chosenKeys: s.chosenKeys,
      };
    },
    handleOnScreen(part) {
      const s = useSequence.getState();
      const handles = core().rigHandles(s.camera, s.frame);
      return inSetView(...handles.find((h) => h.part === part)!.at);
    },
    inSetView,
    goTo,
    goToReel,
    mixed: async (first, end, pace) => [...(await mixed(first, end, pace))],
    document: () => JSON.stringify(core().document()),
  };
  (globalThis as unknown as { jollyKite: Helper }).jollyKite = helper;
}
