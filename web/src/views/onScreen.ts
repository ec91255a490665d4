/** After this long nothing waits for the screen any more: a page that nobody sees is not put on it. */
const PATIENCE_MS = 1000;

/** Until what is drawn next is on the screen. */
export const onScreen = (): Promise<void> =>
  new Promise((done) => {
    setTimeout(done, PATIENCE_MS);
    requestAnimationFrame(() => setTimeout(done));
  });
