// Looks at every camera, key by key: is its lens in the kit, and can it focus where it is to? Changes nothing.
const kits = kite.header.standards.kits;
if (!kits.length)
  console.warn('The production has no lens kit: there is nothing to check against. Standards → Lens kits.');
const { firstFrame: first, lastFrame: last } = kite.header;
let off = 0;
for (const camera of kite.cameras) {
  const said = new Set<string>();
  for (let f = first; f <= last; f += 6) {
    const mm = camera.value('focalLength', f);
    const lens = kits
      .flatMap((k) => k.lenses)
      .find((l) => mm >= l.shortestMm - 0.05 && mm <= l.longestMm + 0.05);
    if (!lens) {
      if (!said.has('lens')) console.warn(`${camera.letter}: ${mm.toFixed(1)} mm at ${f} is not in the kit.`);
      said.add('lens');
      continue;
    }
    const focus = camera.value('focusDistance', f);
    if (focus < lens.closestFocusM && !said.has('focus')) {
      console.warn(
        `${camera.letter}: focused at ${focus.toFixed(2)} m at ${f}; this lens comes to ${lens.closestFocusM} m.`,
      );
      said.add('focus');
    }
    const stop = camera.value('fStop', f);
    if (stop < lens.widestStop - 0.01 && !said.has('stop')) {
      console.warn(
        `${camera.letter}: f/${stop.toFixed(1)} at ${f}; this lens opens to f/${lens.widestStop}.`,
      );
      said.add('stop');
    }
  }
  for (const w of camera.warnings(first, last)) said.add(w.text);
  if (said.size) off++;
}
console.log(
  off
    ? `${off} of ${kite.cameras.length} cameras have something to look at.`
    : 'All of them are as the kit has it.',
);
