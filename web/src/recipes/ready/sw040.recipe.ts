// SW040, The lantern: a small sequence of Salt Wind from an empty file. Clear, build, aim, move, cut, look.
kite.clear();
kite.setHeader({ title: 'The lantern', firstFrame: 1001, lastFrame: 1144 });

// The set: a deck over the water, a railing, and a lantern on a post.
kite.standIn('plane', 'Water', { width: '60m', depth: '60m', at: [0, -0.6, 0], colour: '#2f5e6b' });
const deck = kite.standIn('box', 'Deck', {
  width: '9m',
  height: '0.3m',
  depth: '5m',
  at: [0, -0.3, 0],
  colour: '#b08a5a',
});
const posts = kite.standIn('cylinder', 'Railing post', {
  width: 0.12,
  depth: 0.12,
  height: 1.05,
  at: [-4.3, 0, -2.3],
});
posts.copies(8, [1.075, 0, 0], { instances: true });
const post = kite.standIn('cylinder', 'Lantern post', {
  width: 0.14,
  depth: 0.14,
  height: '2.2m',
  at: [2.6, 0, -1.6],
});
const lantern = kite.standIn('box', 'Lantern', {
  width: 0.34,
  height: 0.42,
  depth: 0.34,
  at: [2.6, 2.2, -1.6],
  colour: '#f2c46a',
});
lantern.finish({ glow: 4, roughness: 0.4 });

// The people, and the kite that passes behind them.
const pim = kite.standIn('child', 'Pim', { at: [-1.4, 0, 0.6], pan: -35 });
const oda = kite.standIn('adult', 'Oda', { height: '5ft 5in', at: [0.9, 0, -0.4], pan: 60 });
const runaway = kite.standIn('cone', 'Runaway kite', {
  width: 0.7,
  height: 0.9,
  depth: 0.08,
  colour: '#f0785a',
});
runaway.goes([1001, [-9, 4, -12]], [1060, [-1, 5.4, -9]], [1144, [9, 7, -12]]);
oda.goes(['0s', [0.9, 0, -0.4]], ['3s', [1.9, 0, -1]]);

// Light: dusk, and the lantern itself.
kite.light('sun', 'Last of the sun').set('heading', 70).set('elevation', 12).set('intensity', 2);
kite.light('point', 'Lantern light', { at: [2.6, 2.4, -1.6] });

// A: from Pim to Oda to the kite, by two shares handed over.
const a = kite.camera('From one to the other', { at: [-0.4, '1.45m', '4.6m'], lens: '35mm' });
a.attention().passTo(pim).passTo(oda, { at: 1031, over: 30 }).passTo(runaway, { at: 1085, over: 36 });
a.focus(pim).stop(2.8);
a.focus(oda, { at: 1031, over: 30 });

// B: a rail along the railing, that eases out of rest and into it again.
const way = kite.path('Along the railing', [
  [-4, 1.3, 3.4],
  [-1, 1.3, 2.8],
  [2, 1.35, 2.2],
  [3.6, 1.4, 1.2],
]);
const b = kite.camera('Along the railing', { lens: '28mm' });
b.at(0, 0, 0).rail(way, { first: 1049, last: 1120 });
b.lookAt(lantern);

// C: near the lantern, held by hand.
const c = kite.camera('At the lantern', { at: [1.2, 1.5, 0.9], lens: '50mm' });
c.lookAt(oda).frameUp(oda, { size: 0.8, across: 0.4, down: 0.45 });
c.handheld('onShoulder', 4);

// The reel, with a marker where the kite comes in.
kite.cut.clear();
kite.cut.append(a, 1001, '2s');
kite.cut.append(c, 1040, 36).speed(0.75, 0.75, { keepLength: true });
kite.cut.append(b, 1076, '2s').status('inWork');
kite.cut.marker(1049, 'The kite comes in');

// What one would look up by hand.
for (const camera of kite.cameras) {
  const { nearLimitM, farLimitM } = camera.lensReport(1049);
  console.log(
    `${camera.letter}  ${camera.value('focalLength')} mm  Oda ${(camera.size(oda, 1049) * 100).toFixed(0)} % of the frame  sharp ${nearLimitM.toFixed(2)} m to ${farLimitM === null ? 'infinity' : farLimitM.toFixed(2) + ' m'}`,
  );
}
kite.render(a, 1049, { percent: 25 });
