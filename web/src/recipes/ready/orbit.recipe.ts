// Goes round somebody, who keeps the same size all the way.
const p = kite.parameters({
  subject: kite.parameter.subject('Round whom'),
  size: kite.parameter.number('How large, of the frame’s height', 0.6, { least: 0.05, most: 3 }),
  turn: kite.parameter.number('How far round', 180, { unit: 'degrees', least: -720, most: 720 }),
  high: kite.parameter.number('Height of the lens', '1.6m', { unit: 'metres', least: 0, most: 50 }),
});

const { firstFrame: first, lastFrame: last } = kite.header;
const [x, , z] = p.subject.where(first);
const camera = kite.camera(`Round ${p.subject.name}`, { at: [x, p.high, z + 4], lens: '35mm' });
camera.lookAt(p.subject);
camera.frameUp(p.subject, { size: p.size, by: 'move' });
const [cx, , cz] = camera.where(first);
const radius = Math.hypot(cx - x, cz - z);
const begin = Math.atan2(cx - x, cz - z);
const steps = Math.max(8, Math.ceil(Math.abs(p.turn) / 15));
const round = kite.path(
  `Round ${p.subject.name}`,
  Array.from({ length: steps + 1 }, (_, i) => {
    const a = begin + ((p.turn * Math.PI) / 180) * (i / steps);
    return [x + Math.sin(a) * radius, p.high, z + Math.cos(a) * radius];
  }),
);
camera.at(0, 0, 0).rail(round, { first, last });
console.log(
  `Radius ${radius.toFixed(2)} m; ${p.subject.name} is ${(camera.size(p.subject, last) * 100).toFixed(0)} % of the frame at the end.`,
);
