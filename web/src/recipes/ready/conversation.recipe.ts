// A conversation from two positions: over each shoulder, and a single of each. All stay on one side of the line.
const p = kite.parameters({
  left: kite.parameter.subject('One'),
  right: kite.parameter.subject('The other'),
  overs: kite.parameter.number('Lens over the shoulders', '35mm', {
    unit: 'millimetres',
    least: 12,
    most: 200,
  }),
  singles: kite.parameter.number('Lens of the singles', '65mm', {
    unit: 'millimetres',
    least: 12,
    most: 200,
  }),
  size: kite.parameter.number('How large a single is, of the frame’s height', 1.6, { least: 0.3, most: 6 }),
  back: kite.parameter.number('Behind the shoulder', '1.2m', { unit: 'metres', least: 0.4, most: 10 }),
  off: kite.parameter.number('Off the line between them', 14, { unit: 'degrees', least: 3, most: 60 }),
});

const first = kite.header.firstFrame;
const [ax, , az] = p.left.where(first);
const [bx, , bz] = p.right.where(first);
if (Math.hypot(bx - ax, bz - az) < 0.2)
  throw new Error(`${p.left.name} and ${p.right.name} stand in one place.`);

/** A camera behind one of them, that looks at the other. */
function beside(from: typeof p.left, to: typeof p.left, side: 1 | -1, name: string, lens: number) {
  const [fx, , fz] = from.where(first);
  const [tx, , tz] = to.where(first);
  const away = Math.atan2(fz - tz, fx - tx) + (side * p.off * Math.PI) / 180;
  const camera = kite.camera(name, {
    at: [fx + Math.cos(away) * p.back, 1.6, fz + Math.sin(away) * p.back],
    lens,
  });
  camera.lookAt(to);
  return camera;
}

const cameras = [
  beside(p.left, p.right, 1, `Over ${p.left.name}`, p.overs),
  beside(p.right, p.left, -1, `Over ${p.right.name}`, p.overs),
  beside(p.left, p.right, 1, `${p.right.name} alone`, p.singles).frameUp(p.right, {
    size: p.size,
    by: 'move',
  }),
  beside(p.right, p.left, -1, `${p.left.name} alone`, p.singles).frameUp(p.left, {
    size: p.size,
    by: 'move',
  }),
];
for (const c of cameras)
  console.log(
    `${c.letter}  ${c.name}  ${c.value('focalLength')} mm  sees both: ${c.holds(p.left) && c.holds(p.right)}`,
  );
