// Lines up a grid of stand-ins, for a crowd, an audience or a test of scale.
const p = kite.parameters({
  form: kite.parameter.choice('What', ['adult', 'child', 'sitting', 'box', 'tree', 'vehicle']),
  across: kite.parameter.number('Across', 5, { least: 1, most: 60 }),
  deep: kite.parameter.number('Deep', 4, { least: 1, most: 60 }),
  step: kite.parameter.number('Apart', '1.2m', { unit: 'metres', least: 0.1, most: 100 }),
  loose: kite.parameter.number('How loosely', '0.15m', { unit: 'metres', least: 0, most: 10 }),
});

const group = kite.group(`Grid of ${p.form}`);
const [w, d] = [Math.round(p.across), Math.round(p.deep)];
for (let i = 0; i < w; i++)
  for (let k = 0; k < d; k++)
    kite
      .standIn(p.form, `${p.form} ${i + 1}.${k + 1}`, {
        at: [
          (i - (w - 1) / 2) * p.step + kite.random(-p.loose, p.loose),
          0,
          -k * p.step + kite.random(-p.loose, p.loose),
        ],
        pan: kite.random(-20, 20) * (p.loose > 0 ? 1 : 0),
      })
      .nest(group);
console.log(`${w * d} of them, ${(w * p.step).toFixed(1)} m wide.`);
