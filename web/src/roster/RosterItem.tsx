import { TreeItemGroupTransition, TreeItemIconContainer, TreeItemRoot } from '@mui/x-tree-view/TreeItem';
import { TreeItemIcon } from '@mui/x-tree-view/TreeItemIcon';
import { TreeItemProvider } from '@mui/x-tree-view/TreeItemProvider';
import { useTreeItemUtils } from '@mui/x-tree-view/hooks';
import { useTreeItem, type UseTreeItemParameters } from '@mui/x-tree-view/useTreeItem';
import {
  type KeyboardEvent,
  type MouseEvent,
  type ReactNode,
  useContext,
  useEffect,
  useRef,
  useState,
} from 'react';
import type { Entity } from '../core/types';
import { Editing } from '../kit/Editing';
import { IconAction } from '../kit/IconAction';
import * as Icon from '../kit/icons';
import { Sign } from '../kit/Sign';
import { Tip } from '../kit/Tip';
import { Words } from '../kit/Words';
import { approvedOn } from '../session/approvals';
import { core, evaluated } from '../session/evaluated';
import { edit } from '../session/document';
import { givePicked, select } from '../session/selection';
import { useSequence } from '../session/state';
import { isGroup, isMore } from './branches';
import { dragged, dropped } from './dropping';
import { useNear } from './near';
import { More, Order } from './order';
import { RowMenu } from './RowMenu';
import { type Switch, switchesOf } from './switches';
import './roster.css';

const ICONS: Record<Switch['icon'], () => React.ReactNode> = {
  rendered: Icon.Cut,
  'left out': Icon.Cut,
  shown: Icon.Eye,
  hidden: Icon.EyeShut,
  locked: Icon.Lock,
  free: Icon.Unlock,
};

type Cancellable = { defaultMuiPrevented?: boolean };

/** A row of the roster with what is below it: a heading, or a thing that can be chosen, named, dragged, hidden and locked. */
export function RosterItem({ id, itemId, label, children }: UseTreeItemParameters) {
  const item = useTreeItem({ id, itemId, label, children });
  const { interactions } = useTreeItemUtils({ itemId, children });
  const entity = useSequence((s) => s.entities[itemId] as Entity | undefined);
  const mayEdit = useSequence((s) => s.mayEdit);
  const looked = useSequence((s) => s.camera === itemId);
  const [naming, setNaming] = useState(false);
  const [menu, setMenu] = useState<{ left: number; top: number } | null>(null);
  const order = useContext(Order);
  const row = useRef<HTMLDivElement>(null);
  const near = useNear(row);
  const group = isGroup(itemId);

  const keys = (e: KeyboardEvent<HTMLElement> & Cancellable) => {
    if (e.target !== e.currentTarget) return;
    // letters, Space, Home and End are shortcuts of the page; there is a field to find things by name
    if (e.key.length === 1 && !e.ctrlKey && !e.metaKey) e.defaultMuiPrevented = true;
    if (e.key === 'Home' || e.key === 'End') e.defaultMuiPrevented = true;
    // of a long list the rows that are not made yet are chosen, too
    if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'a') {
      e.defaultMuiPrevented = true;
      e.preventDefault();
      select(...order());
    }
    if (e.key === 'F2' && mayEdit && entity) setNaming(true);
    if (e.key === 'Enter' && entity) {
      e.defaultMuiPrevented = true;
      e.preventDefault();
      choose(entity, order(), false, false);
    }
  };
  const click = (e: MouseEvent & Cancellable) => {
    e.defaultMuiPrevented = true;
    if (isMore(itemId)) return;
    if (!entity) interactions.handleExpansion(e);
    else if (!naming) choose(entity, order(), e.shiftKey, e.ctrlKey || e.metaKey);
  };
  const foldOrUnfold = (e: MouseEvent) => {
    e.stopPropagation(); // it chooses nothing
    interactions.handleExpansion(e);
  };
  return (
    <TreeItemProvider {...item.getContextProviderProps()}>
      <TreeItemRoot {...item.getRootProps({ onKeyDown: keys })} className="branch">
        <div
          {...item.getContentProps({ onClick: click })}
          ref={row}
          className={group ? 'group-head' : `row ${item.status.selected ? 'on' : ''}`}
          data-camera={entity?.kind === 'camera' ? (looked ? 'looked through' : 'another') : undefined}
          draggable={!naming && mayEdit && !group}
          onDragStart={(x) => dragged(x, itemId)}
          onDragOver={(x) =>
            (group || entity?.kind === 'piece' || entity?.kind === 'layer') && x.preventDefault()
          }
          onDrop={(x) => dropped(x, entity ?? null)}
          onContextMenu={(x) => {
            if (!entity) return;
            x.preventDefault();
            if (!useSequence.getState().selected.includes(itemId)) select(itemId);
            setMenu({ left: x.clientX, top: x.clientY });
          }}
        >
          {item.status.expandable ? (
            <TreeItemIconContainer
              {...item.getIconContainerProps({ onClick: foldOrUnfold })}
              className="fork"
              title={group ? undefined : item.status.expanded ? 'Fold' : 'Unfold'}
            >
              <TreeItemIcon status={item.status} />
            </TreeItemIconContainer>
          ) : null}
          {isMore(itemId) ? (
            <MoreRows near={near}>{label}</MoreRows>
          ) : !entity ? (
            <span>{label}</span>
          ) : naming ? (
            <Naming entity={entity} onDone={() => setNaming(false)} />
          ) : (
            <>
              {near ? <Sign entity={entity} /> : null}
              <span className="name" title={entity.name} onDoubleClick={() => setNaming(mayEdit)}>
                {entity.name}
              </span>
              {near ? <Told entity={entity} /> : null}
            </>
          )}
        </div>
        {menu && entity ? (
          <RowMenu at={menu} onClose={() => setMenu(null)} onRename={() => setNaming(true)} entity={entity} />
        ) : null}
        {children ? <TreeItemGroupTransition {...item.getGroupTransitionProps()} timeout={0} /> : null}
      </TreeItemRoot>
    </TreeItemProvider>
  );
}

/** Stands for rows that are not made yet; they come when it is in sight. */
function MoreRows({ near, children }: { near: boolean; children: ReactNode }) {
  const more = useContext(More);
  useEffect(() => {
    if (near) more();
  }, [near, more]);
  return <span className="muted">{children}</span>;
}

/** Chooses a row; what waits for a click in a view takes a row as well. */
function choose(e: Entity, order: string[], range: boolean, more: boolean): void {
  const { selected, picking } = useSequence.getState();
  if (picking && core().slot(e.id) >= 0) {
    const at = core().slot(e.id) * 16 + 12;
    const [px, py, pz] = evaluated().world.subarray(at, at + 3);
    givePicked({ id: e.id, point: [px, py, pz], normal: null });
  } else if (range && selected.length) {
    const [a, b] = [order.indexOf(selected[0]), order.indexOf(e.id)];
    const between = order.slice(Math.min(a, b), Math.max(a, b) + 1);
    select(selected[0], ...between.filter((i) => i !== selected[0]));
  } else if (more)
    select(...(selected.includes(e.id) ? selected.filter((i) => i !== e.id) : [...selected, e.id]));
  else select(e.id);
}

function Naming({ entity: e, onDone }: { entity: Entity; onDone: () => void }) {
  return (
    <Words
      autoFocus
      defaultValue={e.name}
      aria-label={`New name of ${e.name}`}
      onClick={(x) => x.stopPropagation()}
      onBlur={(x) => {
        onDone();
        if (x.target.value.trim() && x.target.value !== e.name)
          edit(`Rename ${e.name}`, { kind: 'rename', id: e.id, name: x.target.value });
      }}
      onKeyDown={(x) => {
        x.stopPropagation();
        if (x.key === 'Escape') x.currentTarget.value = e.name;
        // the keyboard goes back to the row, and with that the name is given
        if (x.key === 'Enter' || x.key === 'Escape')
          x.currentTarget.closest<HTMLElement>('[role="treeitem"]')?.focus();
      }}
    />
  );
}

/** Whether a thing is approved, on a layer, hidden or locked. */
function Told({ entity: e }: { entity: Entity }) {
  const layer = useSequence((s) => ('layer' in e && e.layer ? s.entities[e.layer] : undefined));
  const approval = useSequence((s) => s.approvals[e.id]);
  return (
    <>
      {approval ? (
        <Tip text={approvedOn(approval)}>
          <span className="approved-tick" role="img" aria-label={approvedOn(approval)}>
            ✓
          </span>
        </Tip>
      ) : null}
      {layer ? (
        <Tip text={`On the layer ${layer.name}`}>
          <span className="layer-dot" style={{ background: layer.kind === 'layer' ? layer.colour : '' }} />
        </Tip>
      ) : null}
      <Editing>
        <span className="switches">
          {switchesOf(e).map((s) => {
            const Drawing = ICONS[s.icon];
            return (
              <Tip key={s.says} text={s.tip}>
                <IconAction
                  size="small"
                  lit={s.lit}
                  tabIndex={-1} // by keyboard they are in the row's menu
                  aria-label={s.name}
                  onClick={(x) => {
                    x.stopPropagation();
                    s.turn();
                  }}
                >
                  <Drawing />
                </IconAction>
              </Tip>
            );
          })}
        </span>
      </Editing>
    </>
  );
}
