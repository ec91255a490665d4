import { useEffect } from 'react';
import { useSequence } from '../session/store';
import { Bare } from '../kit/Bare';

const READING_MS = 4500;

/** The last thing the application said, for as long as it takes to read; errors stay until closed. */
export function Said() {
  const message = useSequence((s) => s.message);
  useEffect(() => {
    if (!message || message.bad) return;
    const t = setTimeout(() => useSequence.setState({ message: null }), READING_MS);
    return () => clearTimeout(t);
  }, [message]);
  if (!message) return null;
  return (
    <div className={`said ${message.bad ? 'bad' : ''}`} role={message.bad ? 'alert' : 'status'}>
      {message.text}
      {message.bad ? (
        <Bare aria-label="Close" onClick={() => useSequence.setState({ message: null })}>
          ×
        </Bare>
      ) : null}
    </div>
  );
}
