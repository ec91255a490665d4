import { useEffect, useRef, useState } from 'react';
import LinearProgress from '@mui/material/LinearProgress';
import { IconAction } from '../kit/IconAction';
import * as Icon from '../kit/icons';
import { Pill } from '../kit/Pill';
import { Tip } from '../kit/Tip';
import { Words } from '../kit/Words';
import { useSequence } from '../session/state';
import { whenMade } from '../session/document';
import { say } from '../session/said';
import { closeRecipes, openRecipes } from '../session/view';
import { openKept } from './openKept';
import { TextNumber } from '../fields/TextNumber';
import { Console } from './Console';
import { openDraft, useDraft, write } from './draft';
import { Editor, type Held } from './Editor';
import { Form } from './Form';
import { Kept } from './Kept';
import { READY } from './ready';
import { recorded } from './record';
import * as running from './running';
import { useRunning } from './running';
import './recipes.css';

/** How long after the last letter a recipe is asked what it is about. */
const LATER_MS = 700;

/** How long after it was opened the window loads what a recipe needs: it is put up first. */
const PUT_UP_MS = 700;

/** Recipes: written, tried in the views, kept as one edit. */
export function RecipePanel() {
  const draft = useDraft();
  const state = useRunning((s) => s.state);
  const progress = useRunning((s) => s.progress);
  const fault = useRunning((s) => s.fault);
  const made = useRunning((s) => s.made);
  const seed = useRunning((s) => s.seed);
  const mayEdit = useSequence((s) => s.mayEdit);
  const [recording, setRecording] = useState(false);
  const held = useRef<Held | null>(null);
  const which = useSequence((s) => s.recipes);
  useEffect(() => {
    const later = setTimeout(running.begin, PUT_UP_MS);
    return () => clearTimeout(later);
  }, []);
  useEffect(
    () => () => {
      running.leave();
      closeRecipes(); // another sequence begins without them
    },
    [],
  );
  useEffect(() => {
    if (!which) return;
    const ready = READY.find((r) => r.id === which);
    if (ready) {
      running.dropTry();
      openDraft({ name: ready.name, text: ready.text });
    } else openKept(which).catch((e: unknown) => say(e instanceof Error ? e.message : String(e), true));
    openRecipes(); // it is open: the same may be asked for again
  }, [which]);
  useEffect(() => {
    const later = setTimeout(() => void running.askParameters(draft.text), LATER_MS);
    return () => clearTimeout(later);
  }, [draft.text]);
  useEffect(() => {
    if (fault) held.current?.fault(fault.line, fault.text);
  }, [fault]);
  useEffect(() => {
    if (!recording) return;
    return whenMade((commands) => held.current?.append(recorded(commands, useSequence.getState().entities)));
  }, [recording]);
  const busy = state === 'running';
  const tryIt = () => void running.tryOut(draft.text, draft.name);
  const keepIt = () => (state === 'tried' ? running.keep() : void running.runAgain(draft.text, draft.name));
  return (
    <section
      className="recipes"
      aria-label="Recipes"
      onKeyDown={(e) => {
        if (e.key !== 'Enter' || !(e.ctrlKey || e.metaKey)) return;
        e.preventDefault();
        if (e.shiftKey) keepIt();
        else tryIt();
      }}
    >
      <div className="panel-head">
        <Words
          aria-label="Name of the recipe"
          className="name grow"
          value={draft.name}
          onKeyDown={(e) => e.stopPropagation()}
          onChange={(e) => write({ name: e.target.value })}
        />
        <Kept />
        <Tip text="Close the recipes">
          <IconAction aria-label="Close the recipes" onClick={closeRecipes}>
            <Icon.Cross />
          </IconAction>
        </Tip>
      </div>
      <Editor
        key={draft.opened}
        text={draft.text}
        readOnly={false}
        onChange={(text) => write({ text })}
        onTry={tryIt}
        onKeep={keepIt}
        held={(h) => void (held.current = h)}
      />
      <Form />
      <div className="recipe-buttons" role="group" aria-label="Run the recipe">
        {busy ? (
          <Pill tone="coral" onClick={running.stop}>
            Stop
          </Pill>
        ) : (
          <>
            <Tip text="Shows in the views what it would do. Nothing is changed yet · Ctrl+Enter">
              <Pill tone="teal" disabled={!mayEdit} onClick={tryIt}>
                Try
              </Pill>
            </Tip>
            <Tip text="Tries the chosen lines alone">
              <Pill
                disabled={!mayEdit}
                onMouseDown={(e) => e.preventDefault()} // what is chosen stays so
                onClick={() => {
                  const lines = held.current?.chosen();
                  void running.tryOut(lines || draft.text, draft.name);
                }}
              >
                Try chosen lines
              </Pill>
            </Tip>
            {state === 'tried' ? (
              <>
                <Tip text="Makes it an edit: one undo takes it back · Ctrl+Shift+Enter">
                  <Pill tone="coral" onClick={running.keep}>
                    Keep
                  </Pill>
                </Tip>
                <Pill onClick={running.dropTry}>Drop</Pill>
                <span className="recipe-tried" data-testid="tried">
                  {made} {made === 1 ? 'change' : 'changes'}, not kept yet
                </span>
              </>
            ) : (
              <Tip text="Takes the last run back, where it is still the last edit, runs anew and keeps it · Ctrl+Shift+Enter">
                <Pill disabled={!mayEdit} onClick={() => void running.runAgain(draft.text, draft.name)}>
                  {state === 'kept' ? 'Run again' : 'Run and keep'}
                </Pill>
              </Tip>
            )}
          </>
        )}
        <Tip text="What you do by hand is written at the end of the recipe">
          <Pill on={recording} tone="coral" aria-pressed={recording} onClick={() => setRecording(!recording)}>
            Record
          </Pill>
        </Tip>
        <span className="recipe-seed" title="What chance begins with: the same seed makes the same">
          <TextNumber
            label="Seed"
            unit="factor"
            value={seed}
            onChange={(v) => running.seeded(Math.round(v))}
          />
        </span>
      </div>
      {busy ? (
        <LinearProgress
          aria-label="How far the recipe is"
          variant={progress === null ? 'indeterminate' : 'determinate'}
          value={(progress ?? 0) * 100}
        />
      ) : null}
      <Console readOnly={!mayEdit} />
    </section>
  );
}
