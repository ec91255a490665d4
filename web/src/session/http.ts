import { Refused, type Refusal } from '../core/answer';

/** The server said nothing at all. */
export class Unreachable extends Error {
  constructor() {
    super('The server cannot be reached. Your edits are kept here and sent when it answers again.');
  }
}

/** A refusal of the server with its HTTP status. */
export class ServerRefused extends Refused {
  constructor(
    readonly status: number,
    refusal: Refusal,
  ) {
    super(refusal);
  }
}

function csrf(): string {
  return decodeURIComponent(/(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1] ?? '');
}

/** Where something of the server lies, below whatever path a proxy puts the page. */
export const at = (path: string): string => new URL(path.replace(/^\//, ''), document.baseURI).href;

/** Calls the server; a refusal becomes {@link ServerRefused}, silence {@link Unreachable}. */
export async function call(
  method: string,
  path: string,
  body?: BodyInit,
  type?: string,
  signal?: AbortSignal,
): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(at(path), {
      method,
      body,
      signal,
      headers: { 'X-XSRF-TOKEN': csrf(), ...(type ? { 'Content-Type': type } : {}) },
    });
  } catch {
    throw new Unreachable();
  }
  if (response.ok) return response;
  const said = (await response.json().catch(() => null)) as { refusal?: Refusal } | null;
  const text =
    response.status === 401
      ? 'You are not signed in any more. Sign in again; your edits are kept.'
      : `The server answered ${response.status}.`;
  throw new ServerRefused(response.status, said?.refusal ?? { code: 'http', entity: '', field: '', text });
}

export async function getJson<T>(path: string): Promise<T> {
  return (await (await call('GET', path)).json()) as T;
}

export const postJson = <T>(path: string, body?: unknown): Promise<T> => sent<T>('POST', path, body);

export const putJson = <T>(path: string, body?: unknown): Promise<T> => sent<T>('PUT', path, body);

async function sent<T>(method: string, path: string, body: unknown): Promise<T> {
  const r = await call(
    method,
    path,
    body === undefined ? undefined : JSON.stringify(body),
    'application/json',
  );
  return (r.status === 204 ? undefined : await r.json()) as T;
}
