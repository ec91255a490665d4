import { theCore } from '../core/load';
import type { Command } from '../core/types';
import { evaluated } from '../sequence/evaluated';
import { edit, newId, useSequence } from '../sequence/store';
import { closeDialog, Window } from '../shell/Window';
import { usersOf } from './create';

const MOST_SHOWN = 8;

/** Asked once when what shall go is used: a free mark takes its place, or whoever uses it lets go. */
export function RemoveDialog({ ids }: { ids: string[] }) {
  const entities = useSequence((s) => s.entities);
  const users = usersOf(ids);
  const names = ids.map((id) => `“${entities[id]?.name}”`).join(', ');
  const standing = ids.filter((id) => theCore().slot(id) >= 0 && entities[id]?.kind !== 'camera');
  const letGo = () => {
    if (edit(`Remove ${names}`, { kind: 'letGo', ids, frame: useSequence.getState().frame })) closeDialog();
  };
  const substitute = () => {
    evaluated();
    const camera = Object.values(useSequence.getState().entities).find((e) => e.kind === 'camera')?.id ?? '';
    const commands = ids.map((id): Command => {
      if (!standing.includes(id)) return { kind: 'remove', ids: [id], letGo: true };
      const at = JSON.parse(theCore().sighting(camera, id, '')) as { x: number; y: number; z: number } | null;
      return {
        kind: 'substitute',
        id,
        mark: {
          kind: 'mark',
          id: newId('mark'),
          name: `Where ${entities[id]?.name} was`.slice(0, 120),
          rides: null,
          anchor: null,
          channels: { x: at?.x ?? 0, y: at?.y ?? 0, z: at?.z ?? 0 },
        },
      };
    });
    if (edit(`Put a mark in the place of ${names}`, ...commands)) closeDialog();
  };
  return (
    <Window
      title={`Remove ${ids.length === 1 ? names : `${ids.length} things`}`}
      buttons={
        <>
          <button className="pill wide" onClick={closeDialog}>
            Keep it
          </button>
          {standing.length ? (
            <button className="pill wide" onClick={substitute}>
              Put a mark in its place
            </button>
          ) : null}
          <button className="pill coral wide" autoFocus onClick={letGo}>
            Remove, and let go
          </button>
        </>
      }
    >
      <p>In use:</p>
      <ul className="uses">
        {users.slice(0, MOST_SHOWN).map((u) => (
          <li key={u}>{u}</li>
        ))}
        {users.length > MOST_SHOWN ? <li>{`and ${users.length - MOST_SHOWN} more`}</li> : null}
      </ul>
      <p className="says">
        A mark keeps every aim and focus where it is now. Letting go leaves them without it. Undo brings
        everything back.
      </p>
    </Window>
  );
}
