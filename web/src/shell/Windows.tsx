import { Suspense } from 'react';
import { GuideWindow, NewsWindow } from '../help/texts';
import { fetched } from '../kit/fetched';
import { useKept } from '../recipes/kept';
import { useSequence, type Dialog } from '../session/state';
import { openRecipes } from '../session/view';
import { actions } from './actions';

const StandardsDialog = fetched(async () => (await import('../standards/StandardsDialog')).StandardsDialog);
const ModelDialog = fetched(async () => (await import('../importing/ModelDialog')).ModelDialog);
const TrackDialog = fetched(async () => (await import('../importing/TrackDialog')).TrackDialog);
const StageWindow = fetched(async () => (await import('../importing/StageWindow')).StageWindow);
const CutWindow = fetched(async () => (await import('../importing/CutWindow')).CutWindow);
const CopiesDialog = fetched(async () => (await import('../roster/CopiesDialog')).CopiesDialog);
const RemoveDialog = fetched(async () => (await import('../roster/RemoveDialog')).RemoveDialog);
const LetteringDialog = fetched(async () => (await import('../importing/LetteringDialog')).LetteringDialog);
const RenumberWindow = fetched(async () => (await import('../shots/RenumberWindow')).RenumberWindow);
const VersionsDialog = fetched(async () => (await import('../versions/VersionsDialog')).VersionsDialog);
const CopyInWindow = fetched(async () => (await import('../importing/CopyInWindow')).CopyInWindow);
const SetsWindow = fetched(async () => (await import('../sets/SetsWindow')).SetsWindow);
const HistoryWindow = fetched(async () => (await import('../history/HistoryWindow')).HistoryWindow);
const SaveRigDialog = fetched(async () => (await import('../rig/SavedRigs')).SaveRigDialog);
const BakeDialog = fetched(async () => (await import('../rig/BakeDialog')).BakeDialog);
const CommandBox = fetched(async () => (await import('./CommandBox')).CommandBox);
const KeysWindow = fetched(async () => (await import('../shortcuts/KeysWindow')).KeysWindow);

/** The window over the desks, if one is open. */
export function Windows() {
  const dialog = useSequence((s) => s.dialog);
  return <Suspense>{dialog ? <One of={dialog} /> : null}</Suspense>;
}

/** Every action, with the recipes that are kept in the production. */
function Commands() {
  'use no memo';
  const kept = useKept();
  const recipes = (kept.data ?? []).map((r) => ({
    name: `Recipe: ${r.name}, kept by ${r.owner}`,
    run: () => openRecipes(r.id),
  }));
  return <CommandBox actions={[...actions(), ...recipes]} />;
}

function One({ of: d }: { of: Dialog }) {
  switch (d.kind) {
    case 'commands':
      return <Commands />;
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
    case 'stage':
      return <StageWindow {...d} />;
    case 'cutFile':
      return <CutWindow file={d.file} />;
    case 'copies':
      return <CopiesDialog ids={d.ids} />;
    case 'remove':
      return <RemoveDialog ids={d.ids} />;
    case 'lettering':
      return <LetteringDialog id={d.id} />;
    case 'renumber':
      return <RenumberWindow />;
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
