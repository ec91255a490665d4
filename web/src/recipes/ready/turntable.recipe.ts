// Turns a camera once round something, at an even speed, and puts it into the reel.
const p = kite.parameters({
  subject: kite.parameter.subject('What'),
  lasts: kite.parameter.number('Frames', 96, { least: 8, most: 2000 }),
  size: kite.parameter.number('How large, of the frame’s height', 0.7, { least: 0.05, most: 3 }),
});

const first = kite.header.firstFrame;
const last = first + Math.round(p.lasts);
const [x, y, z] = p.subject.where(first);
const camera = kite.camera(`Turntable of ${p.subject.name}`, { at: [x, y + 1.4, z + 3], lens: '50mm' });
camera.lookAt(p.subject).frameUp(p.subject, { size: p.size, by: 'move' });
const [cx, cy, cz] = camera.where(first);
const radius = Math.hypot(cx - x, cz - z);
const ring = kite.path(
  `Turntable of ${p.subject.name}`,
  Array.from({ length: 24 }, (_, i) => {
    const a = (i / 24) * 2 * Math.PI;
    return [x + Math.sin(a) * radius, cy, z + Math.cos(a) * radius];
  }),
  { closed: true },
);
camera.at(0, 0, 0);
camera.rail(ring).keys('progress', [first, 0, 'straight'], [last, 100, 'straight']);
kite.cut.append(camera, first, Math.round(p.lasts));
