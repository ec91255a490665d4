import type { Shot } from '../core/types';

/** How far the work on a shot is, as it is called. */
export const STATUSES: { value: Shot['status']; shows: string }[] = [
  { value: 'toDo', shows: 'To do' },
  { value: 'inWork', shows: 'In work' },
  { value: 'forReview', shows: 'For review' },
  { value: 'done', shows: 'Done' },
];
