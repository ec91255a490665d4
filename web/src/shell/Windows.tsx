import { lazy, Suspense } from 'react';
import { GuideWindow, NewsWindow } from '../help/texts';
import { useSequence, type Dialog } from '../session/store';
import { actions } from './actions';

const StandardsDialog = lazy(async () => ({
  default: (await import('../standards/StandardsDialog')).StandardsDialog,
}));
const ModelDialog = lazy(async () => ({ default: (await import('../importing/ModelDialog')).ModelDialog }));
const TrackDialog = lazy(async () => ({ default: (await import('../importing/TrackDialog')).TrackDialog }));
const CopiesDialog = lazy(async () => ({ default: (await import('../roster/CopiesDialog')).CopiesDialog }));
const RemoveDialog = lazy(async () => ({ default: (await import('../roster/RemoveDialog')).RemoveDialog }));
const LetteringDialog = lazy(async () => ({
  default: (await import('../importing/LetteringDialog')).LetteringDialog,
}));
const VersionsDialog = lazy(async () => ({
  default: (await import('../versions/VersionsDialog')).VersionsDialog,
}));
const CopyInWindow = lazy(async () => ({
  default: (await import('../importing/CopyInWindow')).CopyInWindow,
}));
const SetsWindow = lazy(async () => ({ default: (await import('../sets/SetsWindow')).SetsWindow }));
const HistoryWindow = lazy(async () => ({
  default: (await import('../history/HistoryWindow')).HistoryWindow,
}));
const SaveRigDialog = lazy(async () => ({ default: (await import('../rig/SavedRigs')).SaveRigDialog }));
const BakeDialog = lazy(async () => ({ default: (await import('../rig/BakeDialog')).BakeDialog }));
const CommandBox = lazy(async () => ({ default: (await import('./CommandBox')).CommandBox }));
const KeysWindow = lazy(async () => ({ default: (await import('../shortcuts/KeysWindow')).KeysWindow }));

/** The window over the desks, if one is open. Each is fetched when it is first opened. */
export function Windows() {
  const dialog = useSequence((s) => s.dialog);
  return <Suspense>{dialog ? <One of={dialog} /> : null}</Suspense>;
}

function One({ of: d }: { of: Dialog }) {
  switch (d.kind) {
    case 'commands':
      return <CommandBox actions={actions()} />;
    case 'keys':
      return <KeysWindow />;
    case 'guide':
      return <GuideWindow />;
    case 'news':
      return <NewsWindow />;
    case 'standards':
      return <StandardsDialog />;
    case 'model':
      return <ModelDialog files={d.files} />;
    case 'track':
      return <TrackDialog file={d.file} />;
    case 'copies':
      return <CopiesDialog ids={d.ids} />;
    case 'remove':
      return <RemoveDialog ids={d.ids} />;
    case 'lettering':
      return <LetteringDialog id={d.id} />;
    case 'versions':
      return <VersionsDialog />;
    case 'copyIn':
      return <CopyInWindow file={d.file} />;
    case 'sets':
      return <SetsWindow />;
    case 'history':
      return <HistoryWindow touching={d.touching} />;
    case 'saveRig':
      return <SaveRigDialog id={d.id} />;
    case 'bake':
      return <BakeDialog id={d.id} />;
  }
}
