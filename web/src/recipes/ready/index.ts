const sources = import.meta.glob<string>('./*.recipe.ts', {
  query: '?raw',
  import: 'default',
  eager: true,
});

/** A recipe that ships. */
export interface ReadyRecipe {
  /** What its file is called, without its ending. */
  id: string;
  name: string;
  text: string;
}

const NAMES: Record<string, string> = {
  conversation: 'A conversation from two positions',
  orbit: 'Round somebody at one size',
  'along-a-path': 'Cameras along a path',
  grid: 'A grid of stand-ins',
  turntable: 'Turntable',
  'check-the-kit': 'Check every camera against the kit',
  'retime-all': 'Retime all shots',
  'lens-test': 'A lens test of one subject',
  crowd: 'A crowd of instances',
  'handheld-study': 'A handheld study',
  sw040: 'SW040, The lantern: a sequence from nothing',
};

/** The recipes that ship, in the order in which they are offered. */
export const READY: ReadyRecipe[] = Object.entries(NAMES).map(([id, name]) => ({
  id,
  name,
  text: sources[`./${id}.recipe.ts`],
}));
