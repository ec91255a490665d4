import { getJson } from '../session/http';
import { useSequence } from '../session/state';
import { openDraft } from './draft';
import { keptPath, type Whole } from './kept';
import { dropTry } from './running';

/** Opens one; the newest version where none is said. */
export async function openKept(recipe: string, version?: number): Promise<void> {
  const { id } = useSequence.getState();
  const asked = version ? `?version=${version}` : '';
  const w = await getJson<Whole>(`${keptPath(id)}/${recipe}${asked}`);
  dropTry();
  openDraft({ id: w.id, version: w.version, name: w.name, text: w.script, notes: w.notes, shared: w.shared });
}
