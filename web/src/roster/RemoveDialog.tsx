import { useMemo } from 'react';
import type { Command, Stood } from '../core/types';
import { core } from '../session/evaluated';
import { edit } from '../session/document';
import { newId } from '../session/ids';
import { useSequence } from '../session/state';
import { Window } from '../kit/Window';
import { closeWindow } from '../session/windows';
import { usersOf } from '../doing/create';
import { Pill } from '../kit/Pill';

const MOST_SHOWN = 8;

/** Asked once when what shall go is used: a free mark takes its place, or whoever uses it lets go. */
export function RemoveDialog({ ids }: { ids: string[] }) {
  'use no memo';
  const entities = useSequence((s) => s.entities);
  const users = usersOf(ids);
  const names = ids.map((id) => `“${entities[id]?.name}”`).join(', ');
  // this frame's places, of what is looked at
  const points = useMemo(() => {
    return new Map(ids.map((id) => [id, core().lookedAt(id)]));
  }, [ids]);
  const standing = ids.filter((id) => points.get(id)?.length);
  const letGo = () => {
    if (edit(`Remove ${names}`, { kind: 'letGo', ids, frame: useSequence.getState().frame })) closeWindow();
  };
  const substitute = () => {
    const frame = useSequence.getState().frame;
    const commands = ids.map((id): Command => {
      const all = points.get(id) ?? [];
      if (!all.length) return { kind: 'letGo', ids: [id], frame };
      const marks = all.map(({ where, x, y, z }): Stood => {
        const point = where.anchor ? ` (${where.anchor})` : '';
        const name = `Where ${entities[id]?.name} was${point}`.slice(0, 120);
        const channels = { x, y, z };
        return {
          mark: {
            kind: 'mark',
            id: newId('mark'),
            name,
            rides: null,
            anchor: null,
            layer: null,
            shown: true,
            channels,
          },
          where,
        };
      });
      return { kind: 'substitute', id, marks, frame };
    });
    if (edit(`Put a mark in the place of ${names}`, ...commands)) closeWindow();
  };
  return (
    <Window
      title={`Remove ${ids.length === 1 ? names : `${ids.length} things`}`}
      buttons={
        <>
          <Pill wide onClick={closeWindow}>
            Keep it
          </Pill>
          {standing.length ? (
            <Pill wide onClick={substitute}>
              Put a mark in its place
            </Pill>
          ) : null}
          <Pill tone="coral" wide autoFocus onClick={letGo}>
            Remove, and let go
          </Pill>
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
