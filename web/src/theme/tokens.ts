/**
 * An evening sky over a harbour: the colours of everything that is drawn, said once. The page's styles read them as custom
 * properties (`--coral`), lanes and views by name.
 */
export const palette = {
  /** The ground of the page. */
  ink: '#0f1a2b',
  /** A hollow in a panel: a lane, a chart. */
  deep: '#131f34',
  panel: '#1b2a42',
  /** What lies on a panel, or is under the pointer. */
  raised: '#263856',
  /** A button at rest. */
  button: '#223353',
  line: '#34486b',
  /** A line that is read: an axis, what has no colour of its own. */
  slate: '#8fa3bf',
  paper: '#f6efe0',
  /** Words that come second. */
  soft: '#b9c3d3',
  /** Cameras. */
  coral: '#f0785a',
  /** Subjects and attention. */
  teal: '#37b6a8',
  /** Paths and motion. */
  marigold: '#f2b441',
  /** Focus and depth. */
  lilac: '#b48af0',
  /** What is wrong, said. */
  wrong: '#ffd2c4',
  onWrong: '#4a1206',
  /** Words on an accent. */
  onAccent: '#14110f',
  /** The views' own ground, neutral so that colour can be judged. */
  viewGround: '#4b525d',
} as const;

export const mono = "'IBM Plex Mono', monospace";

/** The custom properties that styles read: `--ink`, `--on-accent` and so on. */
export const properties: Record<string, string> = {
  ...Object.fromEntries(
    Object.entries(palette).map(([name, value]) => [
      `--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}`,
      value,
    ]),
  ),
  '--mono': mono,
};
