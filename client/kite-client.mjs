import { createHmac, randomUUID, timingSafeEqual } from 'node:crypto';

/** What the server did not take: a code, the field it is about, and one sentence. */
export class Refused extends Error {
  constructor(status, refusal) {
    super(refusal.text);
    this.status = status;
    this.code = refusal.code;
    this.field = refusal.field;
  }
}

/** How long after a look the next one is taken at what goes on, milliseconds: soon at first. */
const SOON_MS = 100,
  AGAIN_MS = 500;

const wait = (ms) => new Promise((done) => setTimeout(done, ms));

const ENDED = ['DONE', 'STOPPED', 'FAILED'];

/** How far the clocks of who tells and who hears may differ, seconds. */
const CLOCKS_S = 300;

/**
 * Reads what a watcher was told; throws where it does not come from who has the secret, or is old.
 *
 * @param secret of the watcher
 * @param headers of the request, in small letters
 * @param body its text, to the letter
 * @param now seconds since 1970
 */
export function heard(secret, headers, body, now = Date.now() / 1000) {
  const id = headers['webhook-id'] ?? '';
  const at = headers['webhook-timestamp'] ?? '';
  const given = headers['webhook-signature'] ?? '';
  const key = Buffer.from(secret.replace(/^whsec_/, ''), 'base64');
  const sum = createHmac('sha256', key).update(`${id}.${at}.${body}`).digest();
  const signed = given.split(' ').some((one) => {
    const theirs = Buffer.from(one.replace(/^v1,/, ''), 'base64');
    return one.startsWith('v1,') && theirs.length === sum.length && timingSafeEqual(theirs, sum);
  });
  if (!signed) throw new Error('What came is not signed with this secret.');
  if (!(Math.abs(now - Number(at)) <= CLOCKS_S)) throw new Error('What came was sent long ago.');
  return { id, ...JSON.parse(body) };
}

const runAsked = (script, { set = {}, seed = 1, frame, name, dry = false } = {}) => ({
  script,
  set,
  seed,
  frame,
  name,
  dry,
});

export class KiteClient {
  #address;
  #token;

  constructor({ address = 'http://127.0.0.1:8080/', token }) {
    this.#address = address.endsWith('/') ? address : `${address}/`;
    this.#token = token;
  }

  async #call(method, path, body, type = 'application/json') {
    let response;
    try {
      response = await fetch(new URL(path, this.#address), {
        method,
        headers: {
          Authorization: `Bearer ${this.#token}`,
          ...(body === undefined ? {} : { 'Content-Type': type }),
        },
        body: body === undefined || type !== 'application/json' ? body : JSON.stringify(body),
      });
    } catch (e) {
      throw new Error(`Jolly Kite does not answer at ${this.#address}. Is it running?`, { cause: e });
    }
    if (response.ok) return response;
    const said = await response.json().catch(() => null);
    const text =
      response.status === 401
        ? 'The token is not known, or was taken back. Make one under My account.'
        : `The server answered ${response.status}.`;
    throw new Refused(response.status, said?.refusal ?? { code: 'http', field: '', text });
  }

  async #json(method, path, body) {
    const r = await this.#call(method, path, body);
    return r.status === 204 ? undefined : r.json();
  }

  async #bytes(path) {
    return new Uint8Array(await (await this.#call('GET', path)).arrayBuffer());
  }

  productions() {
    return this.#json('GET', 'api/productions');
  }

  sequences() {
    return this.#json('GET', 'api/sequences');
  }

  /** A sequence by its code or id. */
  async sequence(codeOrId) {
    const all = await this.sequences();
    const found = all.filter((s) => s.code === codeOrId || s.id === codeOrId);
    if (found.length === 1) return new SequenceClient(found[0], this.#inside());
    if (found.length > 1)
      throw new Error(
        `There are ${found.length} sequences ${codeOrId}. Name one by its id: ${found.map((s) => s.id).join(', ')}.`,
      );
    const there = all.map((s) => s.code).join(', ');
    throw new Error(`There is no sequence ${codeOrId}. There is ${there || 'none'}.`);
  }

  /** Makes a sequence of a .kite.zip. */
  async import(production, bytes, code) {
    const asked = code ? `?code=${encodeURIComponent(code)}` : '';
    const path = `api/productions/${production}/sequences/file${asked}`;
    return (await this.#call('POST', path, bytes, 'application/octet-stream')).json();
  }

  #inside() {
    return {
      json: (...a) => this.#json(...a),
      bytes: (...a) => this.#bytes(...a),
    };
  }
}

export class SequenceClient {
  #of;

  constructor(shown, of) {
    this.id = shown.id;
    this.code = shown.code;
    this.title = shown.title;
    this.#of = of;
  }

  #path(rest = '') {
    return `api/sequences/${this.id}${rest}`;
  }

  /** The document and the revision it is at. */
  document() {
    return this.#of.json('GET', this.#path());
  }

  /**
   * Makes commands one edit, on the sequence as it is.
   *
   * @param commands by the page's own words: `{ kind: 'setChannel', id: 'camA', channel: 'focalLength', value: 35 }`
   */
  async edit(commands, label = 'Edit of a script') {
    const { revision } = await this.document();
    return this.#of.json('POST', this.#path('/edits'), {
      id: randomUUID(),
      revision,
      label,
      commands,
    });
  }

  /** Runs a recipe: what it makes is one edit, unless it is dry. */
  run(script, how) {
    return this.#of.json('POST', this.#path('/recipes'), runAsked(script, how));
  }

  /** Begins to run a recipe that may take longer than a request; gives how far it is. */
  begin(script, how) {
    return this.#of.json('POST', this.#path('/recipes/runs'), runAsked(script, how));
  }

  /** Waits until a run has ended. */
  async ended(run, told = () => {}) {
    for (let ms = SOON_MS; ; ms = Math.min(AGAIN_MS, ms * 2)) {
      const now = await this.#of.json('GET', this.#path(`/recipes/runs/${run.id}`));
      told(now);
      if (ENDED.includes(now.state)) return now;
      await wait(ms);
    }
  }

  /** Stops a run, soon. */
  stop(run) {
    return this.#of.json('POST', this.#path(`/recipes/runs/${run.id}/stop`), {});
  }

  /** What a recipe asks for. */
  async parameters(script) {
    return (await this.#of.json('POST', this.#path('/recipes'), { script, dry: true })).declared;
  }

  /** Everything that is pointed out before it leaves. */
  checks() {
    return this.#of.json('GET', this.#path('/checks'));
  }

  /** The sequence with its versions, models and images, as .kite.zip. */
  export() {
    return this.#of.bytes(this.#path('/file'));
  }

  /** A camera baked to a plain one: usda or glb. */
  async bake(camera, form = 'usda') {
    const { document } = await this.document();
    const found = document.entities.find(
      (e) => e.kind === 'camera' && (e.id === camera || e.letter === camera || e.name === camera),
    );
    if (!found) throw new Error(`There is no camera ${camera} in ${this.code}.`);
    return this.#of.bytes(this.#path(`/hand-over/cameras/${found.id}.${form}`));
  }

  /** Asks for a render; gives it as it is now. */
  render(asked) {
    return this.#of.json('POST', this.#path('/renders'), {
      frame: 0,
      percent: 25,
      samples: 16,
      ...asked,
    });
  }

  /** Waits until a render has ended. */
  async rendered(render, told = () => {}) {
    for (;;) {
      const now = await this.#of.json('GET', `api/renders/${render.id}`);
      told(now);
      if (ENDED.includes(now.state)) return now;
      await wait(AGAIN_MS);
    }
  }

  /** A finished picture of a render, from 1. */
  picture(render, number = 1) {
    return this.#of.bytes(`api/renders/${render.id}/frames/${number}.png`);
  }

  /** The film of a render. */
  film(render) {
    return this.#of.bytes(`api/renders/${render.id}/film.mp4`);
  }
}
