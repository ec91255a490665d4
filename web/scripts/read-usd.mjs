// Prints what three.js's OpenUSD reader finds in a .usdz: what stands where at first, its cameras, and the places its time samples
// give on a frame. Usage: node read-usd.mjs FILE FRAME
import { readFileSync } from 'node:fs';
import { Box3, Vector3 } from 'three';
import { unzipSync } from 'three/addons/libs/fflate.module.js';
import { USDLoader } from 'three/addons/loaders/USDLoader.js';
import { USDAParser } from 'three/addons/loaders/usd/USDAParser.js';

const file = readFileSync(process.argv[2]);
const frame = Number(process.argv[3]);
const group = new USDLoader().parse(file.buffer.slice(file.byteOffset, file.byteOffset + file.byteLength));
group.updateMatrixWorld(true);

const pieces = {};
const cameras = [];
group.traverse((o) => {
  if (o.isMesh) {
    let piece = o;
    while (piece.parent && piece.parent.name !== 'Set') piece = piece.parent;
    const box = new Box3().setFromObject(o, true);
    pieces[piece.name] = pieces[piece.name]?.union(box) ?? box;
  }
  if (o.isCamera)
    cameras.push({ name: o.parent.name, fov: o.fov, at: o.getWorldPosition(new Vector3()).toArray() });
});

const [root] = Object.values(unzipSync(new Uint8Array(file)));
const { specsByPath } = new USDAParser().parseData(new TextDecoder().decode(root));
const moves = {};
for (const [path, spec] of Object.entries(specsByPath)) {
  const samples = spec.fields?.timeSamples;
  const at = samples?.times.indexOf(frame) ?? -1;
  if (at < 0 || !path.endsWith('.xformOp:transform')) continue;
  moves[path.replace(/\.xformOp:transform$/, '')] = samples.values[at].slice(12, 15);
}

console.log(
  JSON.stringify({
    cameras,
    moves,
    pieces: Object.fromEntries(
      Object.entries(pieces).map(([name, b]) => [name, [...b.min.toArray(), ...b.max.toArray()]]),
    ),
  }),
);
