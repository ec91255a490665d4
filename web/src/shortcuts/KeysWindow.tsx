import InputBase from '@mui/material/InputBase';
import { styled } from '@mui/material/styles';
import { useEffect, useState } from 'react';
import { IconAction } from '../kit/IconAction';
import { Pill } from '../kit/Pill';
import * as Icon from '../kit/icons';
import { Tip } from '../kit/Tip';
import { Window } from '../kit/Window';
import { closeWindow } from '../session/windows';
import { palette } from '../theme/tokens';
import { GROUPS, SHORTCUTS, type Shortcut } from './list';
import { chooseKeys, usualAgain, useOwnKeys } from './own';
import { keysOf } from './press';
import { pressed, said } from './words';

const Row = styled('div')({
  display: 'flex',
  alignItems: 'center',
  gap: 8,
  minHeight: 30,
  padding: '1px 6px',
  borderRadius: 8,
  '&:hover': { background: palette.raised },
});

const Group = styled('h3')({ margin: '12px 6px 2px', fontSize: 12.5, color: palette.soft });

const Find = styled(InputBase)({
  width: '100%',
  padding: '4px 10px',
  borderRadius: 10,
  background: palette.deep,
});

/** All the keys, by what they are for; each can be changed, and given back as it usually is. */
export function KeysWindow() {
  'use no memo';
  const own = useOwnKeys((s) => s.keys);
  const [find, setFind] = useState('');
  const [asked, setAsked] = useState<Shortcut | null>(null);
  /** What was asked last: the keyboard goes back to it. */
  const [last, setLast] = useState('');
  const wanted = SHORTCUTS.filter((s) =>
    `${s.name} ${keysOf(s, own).map(said).join(' ')}`.toLowerCase().includes(find.toLowerCase()),
  );
  return (
    <Window
      title="Keys"
      wide
      buttons={
        <>
          <Pill wide disabled={!Object.keys(own).length} onClick={() => usualAgain()}>
            All as usual
          </Pill>
          <Pill wide tone="coral" onClick={closeWindow}>
            Close
          </Pill>
        </>
      }
    >
      <Find
        placeholder="Find by what it does, or by key"
        inputProps={{ 'aria-label': 'Find a key' }}
        value={find}
        onChange={(e) => setFind(e.target.value)}
        autoFocus
      />
      {GROUPS.map((g) => {
        const rows = wanted.filter((s) => s.group === g);
        return rows.length ? (
          <section key={g} aria-label={g}>
            <Group>{g}</Group>
            {rows.map((s) =>
              asked?.id === s.id ? (
                <Asking
                  key={s.id}
                  of={s}
                  onDone={() => {
                    setLast(s.id);
                    setAsked(null);
                  }}
                />
              ) : (
                <Row key={s.id} data-shortcut={s.id}>
                  <span className="grow">{s.name}</span>
                  {own[s.id] ? (
                    <Tip text={`Usually ${s.keys.map(said).join(' or ') || 'no key'}: give it back`}>
                      <IconAction
                        size="small"
                        aria-label={`The usual key for: ${s.name}`}
                        onClick={() => usualAgain(s.id)}
                      >
                        <Icon.Undo />
                      </IconAction>
                    </Tip>
                  ) : null}
                  {s.fixed ? (
                    <Tip text="This key stays as it is">
                      <span className="mono muted">{keysSaidOf(s, own)}</span>
                    </Tip>
                  ) : (
                    <Pill
                      autoFocus={last === s.id}
                      aria-label={`${keysSaidOf(s, own) || 'none'}: key for ${s.name}`}
                      onClick={() => setAsked(s)}
                    >
                      <span className="mono">{keysSaidOf(s, own) || 'none'}</span>
                    </Pill>
                  )}
                </Row>
              ),
            )}
          </section>
        ) : null;
      })}
      {wanted.length ? null : <p className="empty">Nothing by that name, and no such key.</p>}
      <p className="says">
        Shift+drag and Ctrl+drag in the lens view, arrows in lanes and rulers, and Enter and Escape in fields
        stay as the guide says.
      </p>
    </Window>
  );
}

function keysSaidOf(s: Shortcut, own: ReturnType<typeof useOwnKeys.getState>['keys']): string {
  const keys = keysOf(s, own).map(said);
  return keys.length > 3 ? `${keys[0]} … ${keys.at(-1)}` : keys.join(' or ');
}

/** Waits for the key that a shortcut shall have. What has it already loses it, when that is wished. */
function Asking({ of, onDone }: { of: Shortcut; onDone: () => void }) {
  const [taken, setTaken] = useState<{ key: string; by: Shortcut } | null>(null);
  useEffect(() => {
    if (taken) return;
    const take = (e: KeyboardEvent) => {
      const key = pressed(e);
      if (!key) return;
      e.preventDefault();
      e.stopPropagation();
      if (e.key === 'Escape') return onDone();
      const by = takenBy(key, of);
      if (by) return setTaken({ key, by });
      chooseKeys(of.id, [key]);
      onDone();
    };
    window.addEventListener('keydown', take, true);
    return () => window.removeEventListener('keydown', take, true);
  }, [taken, of, onDone]);
  if (!taken)
    return (
      <Row role="status" data-testid="press-a-key">
        <span className="grow">{of.name}</span>
        <strong>Press the key it shall have; Escape leaves it</strong>
        <Pill
          autoFocus
          onClick={() => {
            chooseKeys(of.id, []);
            onDone();
          }}
        >
          None
        </Pill>
      </Row>
    );
  const { key, by } = taken;
  return (
    <Row role="alert">
      <span className="grow">
        {by.fixed
          ? `${said(key)} stays with “${by.name}”. Choose another.`
          : `${said(key)} is the key of “${by.name}”.`}
      </span>
      {by.fixed ? null : (
        <Pill
          tone="coral"
          onClick={() => {
            chooseKeys(
              by.id,
              keysOf(by).filter((k) => k.toLowerCase() !== key.toLowerCase()),
            );
            chooseKeys(of.id, [key]);
            onDone();
          }}
        >
          Take it
        </Pill>
      )}
      <Pill autoFocus onClick={() => setTaken(null)}>
        Another key
      </Pill>
      <Pill onClick={onDone}>Leave it</Pill>
    </Row>
  );
}

/** What has a key already, where both would mean something at once. */
const takenBy = (key: string, of: Shortcut): Shortcut | undefined =>
  SHORTCUTS.find(
    (s) =>
      s.id !== of.id &&
      s.within === of.within &&
      keysOf(s).some((k) => k.toLowerCase() === key.toLowerCase()),
  );
