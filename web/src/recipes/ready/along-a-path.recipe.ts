// Stands a camera every so many metres along a path, each looking the same way or at somebody.
const p = kite.parameters({
  path: kite.parameter.path('Along which path'),
  every: kite.parameter.number('A camera every', '2m', { unit: 'metres', least: 0.1, most: 1000 }),
  high: kite.parameter.number('Above the path by', '0m', { unit: 'metres', least: -50, most: 50 }),
  lens: kite.parameter.number('Lens', '35mm', { unit: 'millimetres', least: 8, most: 300 }),
});

const report = kite.ask.pathReport(p.path.id);
if (!report) throw new Error(`“${p.path.name}” has no length.`);
const count = Math.floor(report.lengthM / p.every) + 1;
if (count > 60) throw new Error(`That would be ${count} cameras. Choose a larger distance.`);
for (let i = 0; i < count; i++) {
  const camera = kite.camera(`At ${(i * p.every).toFixed(1)} m`, { at: [0, p.high, 0], lens: p.lens });
  camera
    .part('rail')
    .change({ path: p.path.id, facing: 'travel' })
    .set('progress', Math.min(100, (i * p.every * 100) / report.lengthM));
  kite.progress(i / count);
}
console.log(`${count} cameras along ${report.lengthM.toFixed(2)} m.`);
