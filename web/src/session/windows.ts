import { useSequence, type Dialog } from './state';

/** Opens a window over the desks, in place of the one that is open. */
export const openWindow = (dialog: Dialog): void => useSequence.setState({ dialog });

export const closeWindow = (): void => useSequence.setState({ dialog: null });
