// Runs one recipe without a page: what is asked comes as JSON on standard input, what came of it goes out as JSON.
// The server starts it as a process of its own, with limits; it is the same engine as the page's, on the core built for Node.
import { readFileSync } from 'node:fs';
import tsBlankSpace from 'ts-blank-space';
import { bridge } from '../src/core/bridge';
import { loadMachine, run } from '../src/recipes/engine/engine';

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
  ran = run(machine, core, { ...asked, code, models }, { line: () => {}, progress: () => {} });
}
process.stdout.write(JSON.stringify(ran));
