import type { ReactNode } from 'react';
import './signin.css';

/** Where everybody arrives: under the kite, on one card. With something to send it is a form. */
export function Door({ onSend, children }: { onSend?: () => void; children: ReactNode }) {
  const inside = (
    <>
      <h1>
        <img src="kite.svg" alt="" />
        Jolly Kite
      </h1>
      {children}
    </>
  );
  return (
    <main className="sign-in">
      {onSend ? (
        <form
          className="sign-in-form"
          onSubmit={(e) => {
            e.preventDefault();
            onSend();
          }}
        >
          {inside}
        </form>
      ) : (
        <div className="sign-in-form">{inside}</div>
      )}
    </main>
  );
}
