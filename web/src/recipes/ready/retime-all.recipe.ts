// Makes every shot of the reel faster or slower by one factor; each shows the same action.
const p = kite.parameters({
  speed: kite.parameter.number('Speed', 0.5, { least: 0.02, most: 50 }),
  approved: kite.parameter.tick('Also those that are done'),
});

let changed = 0;
for (const shot of kite.cut.shots) {
  if (shot.kept.status === 'done' && !p.approved) continue;
  shot.speed(p.speed);
  changed++;
}
console.log(`${changed} of ${kite.cut.shots.length} shots play at ${p.speed} × now.`);
