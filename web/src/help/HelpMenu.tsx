import { openWindow } from '../session/windows';
import { Entries } from '../kit/Entries';
import { IconAction } from '../kit/IconAction';
import * as Icon from '../kit/icons';
import { Tip } from '../kit/Tip';
import { type Dialog } from '../session/state';
import { useWithKeys } from '../shortcuts/words';
import { beginAgain } from './firstSteps';

const show = (dialog: Dialog) => () => openWindow(dialog);

/** The guide, the keys, what is new, and the first steps once more. */
export function HelpMenu() {
  const withKeys = useWithKeys();
  return (
    <Entries
      of={[
        ['Guide', show({ kind: 'guide' })],
        [withKeys('Keys', 'keys'), show({ kind: 'keys' })],
        ['What is new', show({ kind: 'news' })],
        ['First steps again', beginAgain],
      ]}
      button={(given) => (
        <Tip text="Help: guide, keys, what is new">
          <IconAction aria-label="Help" {...given}>
            <Icon.Help />
          </IconAction>
        </Tip>
      )}
    />
  );
}
