import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { Wrong } from '../kit/useSending';
import { WrongText } from '../kit/WrongText';
import './signin.css';

/** A form at the door: its fields, what was wrong with none of them, and the button that sends it. */
export function DoorForm({
  action,
  busy,
  wrong,
  fields,
  onSend,
  children,
}: {
  action: string;
  busy: boolean;
  wrong: Wrong | null;
  /** Fields that say themselves what was wrong with them. */
  fields: string[];
  onSend: () => void;
  children: ReactNode;
}) {
  return (
    <form
      className="sign-in-fields"
      onSubmit={(e) => {
        e.preventDefault();
        onSend();
      }}
    >
      {children}
      <WrongText wrong={wrong} fields={fields} />
      <Button type="submit" variant="contained" disabled={busy}>
        {action}
      </Button>
    </form>
  );
}
