// A conversation from two positions: over each shoulder, and a single of each.
const p = kite.parameters({
  left: kite.parameter.subject('One'),
  right: kite.parameter.subject('The other'),
  lens: kite.parameter.number('Lens of the singles', '50mm', { unit: 'millimetres', least: 12, most: 200 }),
  off: kite.parameter.number('Off the line between them', 25, { unit: 'degrees', least: 5, most: 80 }),
});

const first = kite.header.firstFrame;
const [ax, , az] = p.left.where(first);
const [bx, , bz] = p.right.where(first);
const apart = Math.hypot(bx - ax, bz - az);
if (apart < 0.2) throw new Error(`${p.left.name} and ${p.right.name} stand in one place.`);

// all cameras stay on one side of the line between the two
function beside(
  from: typeof p.left,
  to: typeof p.left,
  back: number,
  side: 1 | -1,
  name: string,
  size: number,
) {
  const [fx, , fz] = from.where(first);
  const [tx, , tz] = to.where(first);
  const away = Math.atan2(tz - fz, tx - fx) + (side * p.off * Math.PI) / 180;
  const camera = kite.camera(name, {
    at: [tx - Math.cos(away) * (apart + back), 1.55, tz - Math.sin(away) * (apart + back)],
    lens: p.lens,
  });
  camera.lookAt(to);
  camera.frameUp(to, { size, by: 'lens', across: side > 0 ? 0.62 : 0.38, down: 0.45 });
  return camera;
}

const cameras = [
  beside(p.left, p.right, 1.1, 1, `Over ${p.left.name}`, 0.85),
  beside(p.right, p.left, 1.1, -1, `Over ${p.right.name}`, 0.85),
  beside(p.left, p.right, 0.2, 1, `${p.right.name} alone`, 1.5),
  beside(p.right, p.left, 0.2, -1, `${p.left.name} alone`, 1.5),
];
for (const c of cameras) console.log(`${c.letter}  ${c.name}  ${Math.round(c.value('focalLength'))} mm`);
