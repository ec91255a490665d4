// One camera held by several people: copies of its framing with an operator each, to be compared in the contact sheet.
const p = kite.parameters({
  camera: kite.parameter.camera('Which camera'),
  people: kite.parameter.number('How many', 4, { least: 1, most: 12 }),
  seed: kite.parameter.number('Seed', 7, { least: 0, most: 100000 }),
});

const presets = ['onShoulder', 'standing', 'walking', 'running', 'stabilised'] as const;
for (let i = 0; i < Math.round(p.people); i++) {
  const preset = presets[i % presets.length];
  const plain = p.camera.bake();
  plain.rename(`${p.camera.name}, ${preset} ${i + 1}`);
  plain.handheld(preset, Math.round(p.seed) + i).set('sway', 0.6 + kite.random(0, 0.6));
}
