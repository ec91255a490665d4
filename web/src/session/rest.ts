/** Lets whatever else waits come first: what is clicked, and what is drawn. A timer of no time would wait for four ms. */
export const rest = (): Promise<void> =>
  new Promise((done) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      done();
    };
    port2.postMessage(null);
  });
