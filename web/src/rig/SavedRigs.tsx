import { closeWindow, openWindow } from '../session/windows';
import { Words } from '../kit/Words';
import Divider from '@mui/material/Divider';
import MenuItem from '@mui/material/MenuItem';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import type { Camera, SavedRig } from '../core/types';
import { core } from '../session/evaluated';
import { edit } from '../session/document';
import { attempt, say } from '../session/said';
import { useSequence } from '../session/state';
import { call, getJson, postJson, ServerRefused } from '../session/http';
import { Window } from '../kit/Window';
import { IconAction } from '../kit/IconAction';
import { Pill } from '../kit/Pill';
import './rig.css';

interface Saved {
  id: string;
  name: string;
  author: string;
  savedAt: string;
  rig: SavedRig;
}

const failed = (e: unknown) => say(e instanceof Error ? e.message : String(e), true);

function useSavedRigs(id: string) {
  return useQuery({
    queryKey: ['rigs', id],
    queryFn: () => getJson<Saved[]>(`/api/sequences/${id}/rigs`),
    staleTime: 0,
  });
}

/** Puts a saved rig on a camera: it stays where it is on this frame, and what moves keeps moving. */
function load(camera: Camera, saved: Saved): void {
  const l = attempt(() => core().loadRig(camera.id, saved.rig, useSequence.getState().frame));
  if (!l || !edit(`${saved.name} for camera ${camera.letter}`, ...l.commands)) return;
  if (l.missing.length)
    say(
      `“${saved.name}” is on camera ${camera.letter}, without ${l.missing.join(', ')}: not in this sequence.`,
    );
}

/** The rigs of the production, as entries of a menu. */
export function SavedRigEntries({ camera, onDone }: { camera: Camera; onDone: () => void }) {
  const id = useSequence((s) => s.id);
  const mayEdit = useSequence((s) => s.mayEdit);
  const client = useQueryClient();
  const query = useSavedRigs(id);
  const forget = async (s: Saved) => {
    try {
      await call('DELETE', `/api/sequences/${id}/rigs/${s.id}`);
      await client.invalidateQueries({ queryKey: ['rigs', id] });
      say(`The production has no rig “${s.name}” any more. Cameras that had it keep it.`);
    } catch (e) {
      failed(e);
    }
  };
  return (
    <>
      <Divider />
      <div className="menu-title">Rigs of the production</div>
      <MenuItem
        disabled={!mayEdit || camera.rig.length === 0}
        onClick={() => {
          onDone();
          openWindow({ kind: 'saveRig', id: camera.id });
        }}
      >
        Save this camera’s rig …
      </MenuItem>
      {query.isPending ? <p className="says padded">Fetching …</p> : null}
      {query.isError ? <p className="error padded">{query.error.message}</p> : null}
      {query.data?.length === 0 ? <p className="says padded">None is saved yet.</p> : null}
      {query.data?.map((s) => (
        <MenuItem
          key={s.id}
          disabled={camera.locked || !mayEdit}
          onClick={() => {
            onDone();
            load(camera, s);
          }}
        >
          <div className="grow">
            <strong>{s.name}</strong>
            <div className="muted" style={{ fontSize: 12 }}>
              Saved by {s.author}
            </div>
          </div>
          <IconAction
            size="small"
            aria-label={`Forget ${s.name}`}
            title="Take it off the production"
            onClick={(e) => {
              e.stopPropagation();
              // this button goes with its rig: the menu keeps the keyboard
              e.currentTarget.closest<HTMLElement>('[role=menu]')?.focus();
              void forget(s);
            }}
          >
            ×
          </IconAction>
        </MenuItem>
      ))}
    </>
  );
}

/** Names a camera's stack for the whole production. */
export function SaveRigDialog({ id: camera }: { id: string }) {
  const id = useSequence((s) => s.id);
  const c = useSequence((s) => s.entities[camera] as Camera | undefined);
  const client = useQueryClient();
  const [name, setName] = useState(c?.name ?? '');
  const [taken, setTaken] = useState('');
  if (!c) return null;
  const save = async (replace: boolean) => {
    try {
      await postJson(`/api/sequences/${id}/rigs`, { name, rig: core().savedRig(camera), replace });
      await client.invalidateQueries({ queryKey: ['rigs', id] });
      say(`“${name.trim()}” is saved: every sequence of the production finds it under Ready-made.`);
      closeWindow();
    } catch (e) {
      if (e instanceof ServerRefused && e.refusal.code === 'taken') setTaken(e.message);
      else failed(e);
    }
  };
  return (
    <Window
      title={`Save the rig of camera ${c.letter}`}
      buttons={
        <>
          <Pill wide onClick={closeWindow}>
            Cancel
          </Pill>
          {taken ? (
            <Pill wide onClick={() => void save(true)}>
              Replace it
            </Pill>
          ) : null}
          <Pill tone="coral" wide disabled={!name.trim()} onClick={() => void save(false)}>
            Save
          </Pill>
        </>
      }
    >
      <p className="says">
        All {c.rig.length} parts with their keys and cues. Another sequence finds the subjects again by their
        names.
      </p>
      <Words
        className="search"
        aria-label="Name of the rig"
        maxLength={80}
        autoFocus
        value={name}
        onChange={(e) => {
          setName(e.target.value);
          setTaken('');
        }}
        onKeyDown={(e) => e.key === 'Enter' && name.trim() && void save(false)}
      />
      {taken ? <p className="error">{taken}</p> : null}
    </Window>
  );
}
