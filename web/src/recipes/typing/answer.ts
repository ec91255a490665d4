/** What is asked of the worker that knows the words and their types. */
export type Ask =
  | { what: 'completions'; text: string; at: number }
  | { what: 'described'; text: string; at: number; name: string }
  | { what: 'hover'; text: string; at: number }
  | { what: 'faults'; text: string }
  | { what: 'stripped'; text: string };

export interface Completion {
  name: string;
  kind: string;
  last?: boolean;
}

export interface Hover {
  from: number;
  to: number;
  type: string;
  says: string;
}

export interface Fault {
  from: number;
  to: number;
  text: string;
  wrong: boolean;
}

export type Reply =
  { from: number; all: Completion[] } | string | Hover | null | Fault[] | { code: string } | { fault: Fault };
