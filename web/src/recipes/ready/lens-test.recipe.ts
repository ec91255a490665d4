// A sheet of one view through many lenses: cameras in one place, one shot each, for the contact sheet or a film.
const p = kite.parameters({
  subject: kite.parameter.subject('Of whom'),
  lasts: kite.parameter.number('Frames of each', 12, { least: 1, most: 500 }),
  same: kite.parameter.tick('Keep them the same size by coming nearer', true),
});

const first = kite.header.firstFrame;
const [x, , z] = p.subject.where(first);
for (const mm of [14, 18, 24, 28, 35, 50, 75, 100]) {
  const camera = kite.camera(`${p.subject.name} at ${mm} mm`, { at: [x, 1.55, z + 4], lens: mm });
  camera.lookAt(p.subject);
  if (p.same) camera.frameUp(p.subject, { size: 0.7, by: 'move' });
  kite.cut.append(camera, first, Math.round(p.lasts));
}
