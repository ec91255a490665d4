import type { Pose } from '../frame/history';

type Place = Omit<Pose, 'frame' | 'focalLength'>;
let ask: () => Place = () => ({ at: [0, 1.6, 3], pan: 0, tilt: 0, roll: 0 });

/** The free set view tells where it looks from. */
export function whenAskedForPose(answer: () => Place): void {
  ask = answer;
}

/** Where the free set view looks from, as a camera would. */
export const setViewPose = (): Place => ask();
