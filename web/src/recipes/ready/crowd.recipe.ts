// A crowd of instances of one piece, scattered on the ground within a ring, none nearer than an arm's length.
const p = kite.parameters({
  piece: kite.parameter.subject('Of what'),
  count: kite.parameter.number('How many', 40, { least: 1, most: 3000 }),
  inside: kite.parameter.number('From', '3m', { unit: 'metres', least: 0, most: 500 }),
  outside: kite.parameter.number('To', '12m', { unit: 'metres', least: 0.5, most: 500 }),
  apart: kite.parameter.number('Apart at least', '0.7m', { unit: 'metres', least: 0, most: 20 }),
});

const [x, , z] = p.piece.where();
const count = Math.round(p.count);
const places: [number, number][] = [];
for (let tries = 0; places.length < count && tries < count * 60; tries++) {
  const a = kite.random(0, 2 * Math.PI);
  const r = Math.sqrt(kite.random(p.inside ** 2, p.outside ** 2));
  const at: [number, number] = [x + Math.sin(a) * r, z + Math.cos(a) * r];
  if (places.every(([px, pz]) => Math.hypot(px - at[0], pz - at[1]) >= p.apart)) places.push(at);
  if (tries % 500 === 0) kite.progress(places.length / count);
}
if (places.length < count) console.warn(`There is room for ${places.length} of ${count}.`);
const copies = kite.piece(p.piece.name).copies(places.length, [0, 0, 0], { instances: true });
copies.forEach((c, i) => c.set('x', places[i][0]).set('z', places[i][1]).pan(kite.random(-180, 180)));
