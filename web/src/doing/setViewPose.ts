import type { Pose } from './earlierViews';

type Place = Omit<Pose, 'frame' | 'focalLength'>;
let ask: () => Place = () => ({ at: [0, 1.6, 3], pan: 0, tilt: 0, roll: 0 });

/** The free set view tells where it looks from. */
export function whenAskedForPose(answer: () => Place): void {
  ask = answer;
}

/** Where the free set view looks from, as a camera would. */
export const setViewPose = (): Place => ask();

type OnScreen = (x: number, y: number, z: number) => [number, number];
let screen: OnScreen = () => [NaN, NaN];

/** The first set view tells where it draws a world point, in pixels of the window. */
export function whenAskedOnScreen(answer: OnScreen): void {
  screen = answer;
}

export const inSetView: OnScreen = (x, y, z) => screen(x, y, z);
