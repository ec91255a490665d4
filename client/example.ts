// A night's work, as a pipeline writes it: the checks compile it against the client's types.
import { heard, KiteClient, type Heard, type Ran } from 'kite-client';

/** Runs a recipe as a job, renders the cut, and gives the film; null where the recipe failed. */
export async function night(token: string, script: string): Promise<Uint8Array | null> {
  const kite = new KiteClient({ token });
  const sw010 = await kite.sequence('SW010');
  await sw010.edit([{ kind: 'rename', id: 'pim', name: 'Pim' }], 'By a pipeline');
  const run = await sw010.ended(await sw010.begin(script, { name: 'Night', seed: 3 }), (now) => now.share);
  const came: Ran | null = run.came;
  if (!came || came.fault) return null;
  const render = await sw010.rendered(await sw010.render({ what: 'cut', percent: 25 }));
  return render.state === 'DONE' ? sw010.film(render) : null;
}

/** Reads what a watcher was told. */
export const told = (secret: string, headers: Record<string, string>, text: string): Heard =>
  heard(secret, headers, text);
