// What ./kite list, run, export, import, bake, check, render and hear do.
import { createServer } from 'node:http';
import { readFileSync, writeFileSync } from 'node:fs';
import { basename } from 'node:path';
import { parseArgs } from 'node:util';
import { heard, KiteClient } from './kite-client.mjs';

/** How it ends: well, something was found or failed, asked wrongly. */
const [WELL, FOUND, WRONG] = [0, 1, 2];

/** Characters of what is heard, at the most. */
const MOST_HEARD = 1_000_000;

const HELP = `./kite list                                  the sequences there are
./kite run RECIPE.ts --sequence CODE         runs a recipe: what it makes is one edit
           [--set name=value] [--seed N] [--dry]
./kite export --sequence CODE [--out FILE]   the sequence with its models, as .kite.zip
./kite import FILE --production CODE [--code CODE]
./kite bake --sequence CODE --camera A [--form usda|glb] [--out FILE]
./kite check --sequence CODE                 what is pointed out before it leaves; ends with 1 where something is wrong
./kite render --sequence CODE [--shot CODE] [--camera A --frame N] [--percent 25] [--samples 16] [--out FILE]
./kite hear --secret SECRET [--port 9100]    what a watcher at http://127.0.0.1:9100/ is told, as it comes

All take --json, --address ADDRESS and --token TOKEN (or KITE_TOKEN). Where the application runs on this machine
from this copy, no token is needed: one is made for the account --as NAME (pim in the demonstration).`;

const { positionals, values: v } = asked();
const [what, file] = positionals;

function asked() {
  try {
    return parseArgs({
      allowPositionals: true,
      options: {
        sequence: { type: 'string' },
        production: { type: 'string' },
        code: { type: 'string' },
        set: { type: 'string', multiple: true, default: [] },
        seed: { type: 'string', default: '1' },
        dry: { type: 'boolean', default: false },
        out: { type: 'string' },
        camera: { type: 'string' },
        frame: { type: 'string' },
        shot: { type: 'string' },
        form: { type: 'string', default: 'usda' },
        percent: { type: 'string', default: '25' },
        samples: { type: 'string', default: '16' },
        json: { type: 'boolean', default: false },
        address: {
          type: 'string',
          default: process.env.KITE_ADDRESS_OF_SERVER,
        },
        token: { type: 'string', default: process.env.KITE_TOKEN },
        as: { type: 'string' },
        secret: { type: 'string' },
        port: { type: 'string', default: '9100' },
      },
    });
  } catch (e) {
    console.error(`${e.message}\n\n${HELP}`);
    process.exit(WRONG);
  }
}

/** Tells what came of it: as JSON where that is asked for, else in words. */
function tell(json, words) {
  console.log(v.json ? JSON.stringify(json, null, 2) : words);
}

/** How far something is, where somebody looks. */
function progress(words) {
  if (!v.json && process.stderr.isTTY) process.stderr.write(`\r${words} `);
}

function needed(value, what) {
  if (value !== undefined) return value;
  console.error(`Say ${what}.\n\n${HELP}`);
  process.exit(WRONG);
}

const kite = new KiteClient({ address: v.address, token: v.token ?? '' });
const sequence = () => kite.sequence(needed(v.sequence, 'which --sequence'));

function written(bytes, name) {
  const out = v.out ?? name;
  writeFileSync(out, bytes);
  tell({ file: out, bytes: bytes.length }, `${out}  ${bytes.length} bytes`);
}

/** A value as it is typed: a number, yes or no, or text. */
function value(text) {
  if (text === 'true' || text === 'false') return text === 'true';
  return text.trim() !== '' && Number.isFinite(Number(text)) ? Number(text) : text;
}

const COMMANDS = {
  async list() {
    const all = await kite.sequences();
    tell(all, all.map((s) => `${s.code}  ${s.title}`).join('\n') || 'There is no sequence yet.');
  },

  async run() {
    const script = readFileSync(needed(file, 'which recipe: a file'), 'utf8');
    const set = Object.fromEntries(
      v.set.map((x) => [x.slice(0, x.indexOf('=')), value(x.slice(x.indexOf('=') + 1))]),
    );
    const name = basename(file).replace(/\.(recipe\.)?[jt]s$/, '');
    const of = await sequence();
    const run = await of.begin(script, {
      set,
      seed: Number(v.seed),
      name,
      dry: v.dry,
    });
    process.once('SIGINT', () => void of.stop(run));
    const now = await of.ended(run, (r) => progress(`${Math.round(r.share * 100)} %`));
    if (!now.came) {
      tell(now, now.message);
      return FOUND;
    }
    const ran = now.came;
    const words = ran.said.map((l) => (l.level === 'warns' ? `! ${l.text}` : l.text));
    if (ran.fault) words.push(`Line ${ran.fault.line}: ${ran.fault.text} Nothing was changed.`);
    else
      words.push(
        `${ran.changes} changes${v.dry ? ', not made' : ran.revision ? `, kept as edit ${ran.revision}` : ''}`,
      );
    if (ran.renders.length) words.push(`Begun to render: ${ran.renders.join(', ')}`);
    tell(ran, words.join('\n'));
    return ran.fault ? FOUND : WELL;
  },

  async export() {
    const of = await sequence();
    written(await of.export(), `${of.code}.kite.zip`);
  },

  async import() {
    const bytes = readFileSync(needed(file, 'which file'));
    const all = await kite.productions();
    const into = all.find((p) => p.code === v.production || p.id === v.production || p.name === v.production);
    if (!into) throw new Error(`Say --production: ${all.map((p) => p.code).join(', ')}.`);
    const made = await kite.import(into.id, bytes, v.code);
    tell(made, `${made.code} is there.`);
  },

  async bake() {
    const of = await sequence();
    const camera = needed(v.camera, 'which --camera');
    written(await of.bake(camera, v.form), `${of.code}_${camera}.${v.form}`);
  },

  async check() {
    const all = (await (await sequence()).checks()).filter((c) => !c.accepted);
    const words = all.map((c) => `${c.severity.padEnd(5)}  ${(c.shot ?? c.of).padEnd(12)}  ${c.text}`);
    tell(all, words.join('\n') || 'Nothing is pointed out.');
    return all.some((c) => c.severity === 'wrong') ? FOUND : WELL;
  },

  async render() {
    const of = await sequence();
    const { document } = await of.document();
    const asked = {
      what: 'cut',
      percent: Number(v.percent),
      samples: Number(v.samples),
    };
    if (v.frame !== undefined) {
      const camera = document.entities.find(
        (e) => e.kind === 'camera' && (e.letter === v.camera || e.id === v.camera),
      );
      if (!camera) throw new Error('Say --camera, by its letter.');
      Object.assign(asked, {
        what: 'frame',
        camera: camera.id,
        frame: Number(v.frame),
      });
    } else if (v.shot) {
      const shot = document.entities.find((e) => e.kind === 'shot' && e.name === v.shot);
      if (!shot) throw new Error(`There is no shot ${v.shot} in ${of.code}.`);
      Object.assign(asked, { what: 'shots', spans: [shot.id] });
    }
    const render = await of.render(asked);
    const now = await of.rendered(render, (r) =>
      progress(`${r.label} v${r.numbered}: ${r.done} of ${r.total}`),
    );
    if (now.state !== 'DONE') {
      tell(now, `${now.state}: ${now.message}`);
      return FOUND;
    }
    const name = `${now.label.replace(/[^A-Za-z0-9_-]+/g, '-')}_v${now.numbered}`;
    if (now.total > 1) written(await of.film(now), `${name}.mp4`);
    else written(await of.picture(now), `${name}.png`);
  },

  /** Stands in for a program of the studio's: says what it is told, and takes only what is signed. */
  hear() {
    const secret = needed(v.secret, 'which --secret: it is shown when a watcher is added');
    const server = createServer(async (rq, rs) => {
      let text = '';
      for await (const part of rq.setEncoding('utf8')) {
        text += part;
        if (text.length > MOST_HEARD) return void rs.writeHead(413).end();
      }
      try {
        const it = heard(secret, rq.headers, text);
        const where = it.data.sequence?.code ?? '';
        tell(it, `${it.timestamp}  ${it.type.padEnd(8)}  ${where}  ${it.data.by ?? ''}`);
        rs.writeHead(204).end();
      } catch (e) {
        console.error(e.message);
        rs.writeHead(401).end();
      }
    });
    return new Promise((_, failed) => {
      server.on('error', failed);
      server.listen(Number(v.port), '127.0.0.1', () =>
        console.error(`Listening at http://127.0.0.1:${v.port}/ until Ctrl+C`),
      );
    });
  },
};

if (!Object.hasOwn(COMMANDS, what ?? '')) {
  console.error(HELP);
  process.exit(WRONG);
}
try {
  process.exitCode = (await COMMANDS[what]()) ?? WELL;
} catch (e) {
  if (v.json) console.log(JSON.stringify({ error: e.message, code: e.code ?? 'failed' }));
  else console.error(e.message);
  process.exitCode = FOUND;
}
