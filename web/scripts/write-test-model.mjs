// Writes a model through a glTF library that is not ours: a painted box that slides 3 m along X in one
// second while its lid turns. Usage: node write-test-model.mjs OUT.glb
import { Document, NodeIO } from '@gltf-transform/core';

const doc = new Document();
const buffer = doc.createBuffer();
const accessor = (type, array) => doc.createAccessor().setType(type).setArray(array).setBuffer(buffer);
const box = (w, h, d) => {
  const p = [],
    n = [],
    index = [];
  for (const axis of [0, 1, 2])
    for (const side of [-1, 1]) {
      const base = p.length / 3;
      for (const [u, v] of [
        [-1, -1],
        [1, -1],
        [1, 1],
        [-1, 1],
      ]) {
        const at = [0, 0, 0];
        at[axis] = side;
        at[(axis + 1) % 3] = u * side;
        at[(axis + 2) % 3] = v;
        p.push((at[0] * w) / 2, (at[1] * h) / 2 + h / 2, (at[2] * d) / 2);
        const normal = [0, 0, 0];
        normal[axis] = side;
        n.push(...normal);
      }
      index.push(base, base + 1, base + 2, base, base + 2, base + 3);
    }
  return doc
    .createPrimitive()
    .setAttribute('POSITION', accessor('VEC3', new Float32Array(p)))
    .setAttribute('NORMAL', accessor('VEC3', new Float32Array(n)))
    .setIndices(accessor('SCALAR', new Uint16Array(index)))
    .setMaterial(
      doc.createMaterial('red paint').setBaseColorFactor([0.9, 0.02, 0.02, 1]).setMetallicFactor(0),
    );
};
const crate = doc.createNode('crate').setMesh(doc.createMesh('crate').addPrimitive(box(1, 1, 1)));
const lid = doc
  .createNode('lid')
  .setTranslation([0, 1, 0])
  .setMesh(doc.createMesh('lid').addPrimitive(box(1.1, 0.1, 1.1)));
crate.addChild(lid);
doc.createScene().addChild(crate);
const sampler = (times, type, values) =>
  doc
    .createAnimationSampler()
    .setInput(accessor('SCALAR', new Float32Array(times)))
    .setOutput(accessor(type, new Float32Array(values)))
    .setInterpolation('LINEAR');
const slide = sampler([0, 1], 'VEC3', [0, 0, 0, 3, 0, 0]);
const turn = sampler([0, 1], 'VEC4', [0, 0, 0, 1, 0, Math.SQRT1_2, 0, Math.SQRT1_2]);
doc
  .createAnimation('slide')
  .addSampler(slide)
  .addSampler(turn)
  .addChannel(
    doc.createAnimationChannel().setTargetNode(crate).setTargetPath('translation').setSampler(slide),
  )
  .addChannel(doc.createAnimationChannel().setTargetNode(lid).setTargetPath('rotation').setSampler(turn));
await new NodeIO().write(process.argv[2], doc);
