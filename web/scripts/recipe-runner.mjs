// Runs one recipe without a page: what is asked comes as JSON on standard input; how far it is, and at last what
// came of it, goes out as JSON, an object a line.
// The server starts it as a process of its own, with limits; it is the same engine as the page's, on the core built for Node.
import { readFileSync } from 'node:fs';
import tsBlankSpace from 'ts-blank-space';
import { bridge } from '../src/core/bridge';
import { loadMachine, run } from '../src/recipes/engine/engine';

/** How often it is told at the most, milliseconds. */
const TOLD_MS = 250;

let last = 0;

/** Tells how far it is: at once, since a pipe is written to at once. */
function told(share) {
  const now = performance.now();
  if (now - last < TOLD_MS) return;
  last = now;
  process.stdout.write(`${JSON.stringify({ share })}\n`);
}

const { core: address, script, models, ...asked } = JSON.parse(readFileSync(0, 'utf8'));

/** The recipe as JavaScript, or what of it is more than a type. */
function stripped() {
  let wrong;
  const code = tsBlankSpace(script, (node) => (wrong ??= node));
  if (!wrong) return { code };
  const line = script.slice(0, wrong.pos).split('\n').length;
  const text =
    'This is more than a type, and not understood in a recipe: no enum, namespace or parameter property.';
  return { fault: { line, text } };
}

const { code, fault } = stripped();
let ran = { commands: [], said: [], wishes: [], value: '', declared: {}, fault };
if (!fault) {
  const [core, machine] = await Promise.all([import(/* @vite-ignore */ address).then(bridge), loadMachine()]);
  for (const [asset, rig] of Object.entries(models)) core.registerModel(asset, rig);
  ran = run(machine, core, { ...asked, code, models }, { line: () => {}, progress: told });
}
process.stdout.write(`${JSON.stringify({ ran })}\n`);
