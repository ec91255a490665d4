export type Desk = 'set' | 'frame' | 'move' | 'cut' | 'handover';
export const DESKS: { id: Desk; name: string; hint: string }[] = [
  { id: 'set', name: 'Set', hint: 'Bring in pieces and block the set' },
  { id: 'frame', name: 'Frame', hint: 'Find the frame, choose the lens' },
  { id: 'move', name: 'Move', hint: 'Build the rig and animate' },
  { id: 'cut', name: 'Cut', hint: 'Choose which camera is live' },
  { id: 'handover', name: 'Hand over', hint: 'Render, and pass on files' },
];

/** What one may do in a sequence. */
export type Role = 'guest' | 'reviewer' | 'artist' | 'lead';

/** The desks that somebody is shown: nothing is handed over to a guest. */
export const desksFor = (role: Role) => DESKS.filter((d) => d.id !== 'handover' || role !== 'guest');
