import { useState } from 'react';
import { ServerRefused } from '../session/http';

/** What was wrong with what was sent: at a field, or as a whole. */
export interface Wrong {
  field: string;
  text: string;
}

/** Sends something once at a time and keeps what the server refused. */
export function useSending() {
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<Wrong | null>(null);
  const send = async (work: () => Promise<void>) => {
    if (busy) return;
    setBusy(true);
    setWrong(null);
    try {
      await work();
    } catch (e) {
      const field = e instanceof ServerRefused ? e.refusal.field : '';
      setWrong({ field, text: e instanceof Error ? e.message : String(e) });
    } finally {
      setBusy(false);
    }
  };
  /** How a text field shows what was wrong with it. */
  const at = (field: string) =>
    wrong?.field === field ? { error: true, helperText: wrong.text } : { helperText: ' ' };
  return { busy, wrong, send, at };
}
