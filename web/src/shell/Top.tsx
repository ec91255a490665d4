import { openWindow } from '../session/windows';
import { layOver, openDesk, turnRecipes } from '../session/view';
import { IconAction } from '../kit/IconAction';
import { Segments } from '../kit/Segments';
import { chooseModel } from '../doing/bring';
import { HelpMenu } from '../help/HelpMenu';
import { useHistory } from '../session/history';
import { useOutbox } from '../session/outbox';
import { desksFor } from '../session/desks';
import { redo, undo } from '../session/document';
import { useSequence } from '../session/state';
import { useWithKeys } from '../shortcuts/words';
import { fold } from '../session/arrangement';
import * as Icon from '../kit/icons';
import { Others } from './Others';
import { useArrangement } from './useArrangement';
import { Tip } from '../kit/Tip';

/** The head of the window: the sequence, the desks, and what belongs to no desk. */
export function Top() {
  const withKeys = useWithKeys();
  const id = useSequence((s) => s.id);
  const header = useSequence((s) => s.header);
  const desk = useSequence((s) => s.desk);
  const role = useSequence((s) => s.role);
  const moment = useSequence((s) => s.moment);
  const mayEdit = useSequence((s) => s.mayEdit);
  const over = useSequence((s) => s.over);
  const recipes = useSequence((s) => s.recipes !== null);
  const comparing = useSequence((s) => s.compared !== null);
  const out = useOutbox();
  const { sideFolded } = useArrangement().arrangement;
  const done = useHistory();
  const saving =
    out.pending.length === 0
      ? 'All saved'
      : out.saving === 'waiting'
        ? `Server away · ${out.pending.length} kept here`
        : 'Saving …';
  return (
    <header className="top">
      <Tip text="Other sequences">
        <a className="title" href="#" aria-label={`${header.code} ${header.title}: other sequences`}>
          <img src="kite.svg" alt="" />
          {header.code}{' '}
          <span className="muted" style={{ fontWeight: 500 }}>
            {header.title}
          </span>
        </a>
      </Tip>
      <nav className="desks" aria-label="Desks">
        <Segments
          name="Desk"
          large
          value={desk}
          of={desksFor(role).map((d) => ({ value: d.id, shows: d.name, tip: d.hint }))}
          onChoose={openDesk}
        />
      </nav>
      {moment !== null ? (
        <a className="tag moment" href={`#${id}`} data-testid="moment">
          {`As it was at edit ${moment} · Back to now`}
        </a>
      ) : mayEdit ? null : (
        <Tip text="You may look, play and compare here. An artist makes the changes.">
          <span className="tag" data-testid="looking">
            Looking only
          </span>
        </Tip>
      )}
      <Others />
      <span
        className={`saving ${out.pending.length && out.saving === 'waiting' ? 'waiting' : ''}`}
        role="status"
        data-testid="saving"
      >
        {saving}
      </span>
      <span className="top-icons">
        <Tip
          text={done.undo.length ? withKeys(`Undo: ${done.undo.at(-1)!.label}`, 'undo') : 'Nothing to undo'}
        >
          <IconAction aria-label="Undo" disabled={!done.undo.length} onClick={undo}>
            <Icon.Undo />
          </IconAction>
        </Tip>
        <Tip
          text={done.redo.length ? withKeys(`Redo: ${done.redo.at(-1)!.label}`, 'redo') : 'Nothing to redo'}
        >
          <IconAction aria-label="Redo" disabled={!done.redo.length} onClick={redo}>
            <Icon.Redo />
          </IconAction>
        </Tip>
        <Tip text={withKeys("Every camera's view of this frame, live", 'sheet')}>
          <IconAction
            lit={over === 'sheet'}
            aria-label="Contact sheet"
            aria-pressed={over === 'sheet'}
            onClick={() => layOver('sheet')}
          >
            <Icon.Sheet />
          </IconAction>
        </Tip>
        <Tip
          text={withKeys(
            'Every shot of the cut in a list: what it shows, how long, what its camera does',
            'shots',
          )}
        >
          <IconAction
            lit={over === 'shots'}
            aria-label="Shot list"
            aria-pressed={over === 'shots'}
            onClick={() => layOver('shots')}
          >
            <Icon.ShotList />
          </IconAction>
        </Tip>
        {role === 'guest' ? null : (
          <Tip text={withKeys('Recipes: build a scene and its cameras by script', 'recipes')}>
            <IconAction lit={recipes} aria-label="Recipes" aria-pressed={recipes} onClick={turnRecipes}>
              <Icon.Recipe />
            </IconAction>
          </Tip>
        )}
        {role === 'guest' ? null : <Shared compared={comparing} />}
        <Tip text="Bring in a model (or drop the file anywhere)">
          <IconAction aria-label="Bring in a model" disabled={!mayEdit} onClick={chooseModel}>
            <Icon.Bring />
          </IconAction>
        </Tip>
        <Tip text={withKeys('Find any action', 'commands')}>
          <IconAction aria-label="Find any action" onClick={() => openWindow({ kind: 'commands' })}>
            <Icon.Search />
          </IconAction>
        </Tip>
        <HelpMenu />
        {sideFolded ? null : (
          <Tip text={withKeys('Fold the panel on the right', 'side')}>
            <IconAction aria-label="Fold the panel on the right" onClick={() => fold(desk, 'side')}>
              <Icon.Unfold />
            </IconAction>
          </Tip>
        )}
      </span>
    </header>
  );
}

/** What belongs to the production, and is not for guests: versions and standards. */
function Shared({ compared }: { compared: boolean }) {
  return (
    <>
      <Tip text="Versions: keep this one, compare, go back">
        <IconAction lit={compared} aria-label="Versions" onClick={() => openWindow({ kind: 'versions' })}>
          <Icon.Versions />
        </IconAction>
      </Tip>
      <Tip text="History: what happened, by whom, and how it was then">
        <IconAction aria-label="History" onClick={() => openWindow({ kind: 'history', touching: '' })}>
          <Icon.History />
        </IconAction>
      </Tip>
      <Tip text="Standards: camera package, lens kits, names, units">
        <IconAction aria-label="Standards" onClick={() => openWindow({ kind: 'standards' })}>
          <Icon.Standards />
        </IconAction>
      </Tip>
    </>
  );
}
