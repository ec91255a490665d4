import { openWindow } from '../session/windows';
import type { Command, Plate } from '../core/types';
import { edit, LOOKS_ONLY } from '../session/document';
import { core } from '../session/evaluated';
import { newId } from '../session/ids';
import { editProposed } from '../session/proposals';
import { framesPerSecond } from '../session/settings';
import { say } from '../session/said';
import { select } from '../session/selection';
import { useSequence } from '../session/state';
import { lensCamera } from '../session/view';
import { call } from '../session/http';
import { bringSounds, SOUND_FILES, SOUNDS } from './sounds';
import type { ModelReport } from '../session/modelReport';

const MODELS = /\.(glb|gltf|obj)$/i;
const BESIDE_OBJ = /\.(mtl|png|jpe?g)$/i;
const BESIDE_GLTF = /\.(bin|png|jpe?g)$/i;
const IMAGES = /\.(png|jpe?g)$/i;
const SEQUENCES = /\.kite\.zip$/i;
const CUTS = /\.(otio|edl)$/i;
const TRACKS = /\.(csv|tsv)$/i;
const STAGES = /\.usd[az]?$/i;

function choose(accept: string, multiple: boolean, take: (files: File[]) => void): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = accept;
  input.multiple = multiple;
  input.hidden = true;
  input.onchange = () => {
    input.remove();
    take([...(input.files ?? [])]);
  };
  input.oncancel = () => input.remove();
  document.body.append(input); // one that stands nowhere may be cleared away before it is answered
  input.click();
}

/** Asks for a model's file or files. */
export const chooseModel = () =>
  choose('.glb,.gltf,.bin,.obj,.mtl,.usda,.usdz,.png,.jpg,.jpeg', true, (f) =>
    f.some((x) => STAGES.test(x.name)) ? openWindow({ kind: 'model', files: f }) : void bring(f),
  );

/** Asks for the images of a plate. */
export const choosePlate = () => choose('.png,.jpg,.jpeg', true, (f) => void bringPlate(f));

/** Asks for a camera track's file. */
export const chooseTrack = () =>
  choose('.usda,.usdz,.glb,.gltf,.csv,.tsv', false, ([file]) => file && openWindow({ kind: 'track', file }));

/** Asks for the file of a cut that comes back from elsewhere. */
export const chooseCut = () =>
  choose('.otio,.edl', false, ([file]) => file && openWindow({ kind: 'cutFile', file }));

/** Asks for the file of a sequence, to take something of it. */
export const chooseSequence = () =>
  choose('.zip', false, ([file]) => file && openWindow({ kind: 'copyIn', file }));

/** Asks for recordings to lay on the programme. */
export const chooseSounds = () => choose(SOUND_FILES, true, (f) => void bringSounds(f));

/** Asks for an image, has the server keep it, and gives what it is called there. */
export const choosePicture = (take: (asset: string) => void) =>
  choose('.png,.jpg,.jpeg', false, ([file]) => {
    if (!file) return;
    keepImage(file).then(take, (e: unknown) =>
      say(`${file.name}: ${e instanceof Error ? e.message : String(e)}`, true),
    );
  });

/** Has the server keep an image; gives what it is called there. */
async function keepImage(file: File): Promise<string> {
  const r = await call(
    'POST',
    `/api/assets/images?name=${encodeURIComponent(file.name)}&sequence=${useSequence.getState().id}`,
    file,
    'application/octet-stream',
  );
  return ((await r.json()) as { asset: string }).asset;
}

/** Takes whatever was dropped: models and tracks are looked at first, images become a plate. */
export async function bring(files: File[]): Promise<void> {
  if (files.length === 0) return;
  if (files.some((f) => MODELS.test(f.name))) {
    openWindow({ kind: 'model', files });
    return;
  }
  const sequence = files.find((f) => SEQUENCES.test(f.name));
  if (sequence) {
    openWindow({ kind: 'copyIn', file: sequence });
    return;
  }
  if (files.every((f) => SOUNDS.test(f.name))) {
    await bringSounds(files);
    return;
  }
  const cut = files.find((f) => CUTS.test(f.name));
  if (cut) {
    openWindow({ kind: 'cutFile', file: cut });
    return;
  }
  const stage = files.find((f) => STAGES.test(f.name));
  if (stage) {
    await bringStage(stage, files);
    return;
  }
  const track = files.find((f) => TRACKS.test(f.name));
  if (track) openWindow({ kind: 'track', file: track });
  else if (files.every((f) => IMAGES.test(f.name)))
    await (useSequence.getState().desk === 'cut' ? bringBoards(files) : bringPlate(files));
  else
    say(
      `${files[0].name}: this kind of file is not read. Models are .glb, .gltf, .obj, .usda or .usdz; camera tracks .usda, .usdz or .csv; cuts .otio or .edl; plates PNG or JPEG; sounds WAV, FLAC, MP3 or OGG; sequences .kite.zip.`,
      true,
    );
}

/** Takes the set or the cameras of an OpenUSD file, whichever it has; where it has both, it is asked which. */
async function bringStage(stage: File, files: File[]): Promise<void> {
  try {
    const address = `/api/assets/usd-contents?name=${encodeURIComponent(stage.name)}&sequence=${useSequence.getState().id}`;
    const r = await call('POST', address, stage, 'application/octet-stream');
    const { cameras, meshes } = (await r.json()) as { cameras: number; meshes: number };
    if (cameras && meshes) openWindow({ kind: 'stage', file: stage, files, cameras, meshes });
    else if (cameras) openWindow({ kind: 'track', file: stage });
    else openWindow({ kind: 'model', files }); // which says what is wrong where there is no mesh either
  } catch (e) {
    say(`${stage.name}: ${e instanceof Error ? e.message : String(e)}`, true);
  }
}

/** Splits files into models: each .glb and .usdz alone, a .gltf, .obj or .usda with everything that came beside it. */
export function modelsOf(files: File[]): { name: string; files: File[] }[] {
  const objs = files.filter((f) => /\.obj$/i.test(f.name));
  const beside = files.filter((f) => BESIDE_OBJ.test(f.name));
  const layers = files.filter((f) => /\.usda?$/i.test(f.name));
  return [
    ...files.filter((f) => /\.(glb|usdz)$/i.test(f.name)).map((f) => ({ name: f.name, files: [f] })),
    ...files
      .filter((f) => /\.gltf$/i.test(f.name))
      .map((f) => ({ name: f.name, files: [f, ...files.filter((b) => BESIDE_GLTF.test(b.name))] })),
    ...objs.map((f) => ({ name: f.name, files: [f, ...beside] })),
    ...(layers.length ? [{ name: layers[0].name, files: layers }] : []),
  ];
}

/** Has the server read a model and keep it; gives its report. Nothing is in the set yet. */
export async function readModel(
  model: { name: string; files: File[] },
  stop: AbortSignal,
): Promise<ModelReport> {
  const sequence = useSequence.getState().id;
  if (!/\.glb$/i.test(model.name)) {
    const form = new FormData();
    for (const f of model.files) form.append('files', f, f.name);
    return (await (
      await call('POST', `/api/assets/together?sequence=${sequence}`, form, undefined, stop)
    ).json()) as ModelReport;
  }
  const r = await call(
    'POST',
    `/api/assets?name=${encodeURIComponent(model.name)}&sequence=${sequence}`,
    model.files[0],
    'application/octet-stream',
    stop,
  );
  return (await r.json()) as ModelReport;
}

/** In the order of their names, 2 before 10. */
const byName = (files: File[]): File[] =>
  [...files].sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));

/** Has the server keep images, in the order of their names; those before one that is not taken are given. */
async function keepImages(files: File[]): Promise<string[]> {
  if (!useSequence.getState().mayEdit) {
    say(LOOKS_ONLY, true);
    return [];
  }
  const sorted = byName(files);
  const kept: string[] = [];
  try {
    for (const [i, f] of sorted.entries()) {
      if (sorted.length > 1) say(`Bringing in images: ${i + 1} of ${sorted.length} …`);
      kept.push(await keepImage(f));
    }
  } catch (e) {
    say(`${sorted[kept.length].name}: ${e instanceof Error ? e.message : String(e)}`, true);
  }
  return kept;
}

/** How long a board stands for a shot, seconds. */
const BOARD_SECONDS = 2;

/** Makes images, in the order of their names, shots behind all others that they stand for. */
export async function bringBoards(files: File[]): Promise<void> {
  const boards = await keepImages(files);
  if (!boards.length) return;
  const ids = boards.map(() => newId('shot'));
  const made = editProposed('Boards', () =>
    core().boards(boards, ids, Math.round(BOARD_SECONDS * framesPerSecond())),
  );
  if (!made) return;
  say(
    boards.length === 1 ? 'One shot more, with a board.' : `${boards.length} shots more, each with a board.`,
  );
  select(ids[0]);
}

/** Makes images, in the order of their names, a plate of the camera looked through. */
export async function bringPlate(files: File[]): Promise<void> {
  const s = useSequence.getState();
  const frames = await keepImages(files);
  if (!frames.length || frames.length < files.length) return;
  const plate: Plate = {
    kind: 'plate',
    id: newId('plate'),
    name: byName(files)[0].name.replace(/[._-]?\d*\.[^.]+$/, '') || 'Plate',
    camera: lensCamera(s) || null,
    frames,
    fit: 'fill',
    inFront: false,
    shown: true,
    firstFrame: s.header.firstFrame,
    after: 'hold',
    channels: {},
  };
  const add: Command = { kind: 'add', entity: plate };
  if (edit(`Bring in the plate ${plate.name}`, add)) {
    select(plate.id);
    say(
      `${plate.name} is in: ${frames.length === 1 ? 'one image' : `${frames.length} images`}, behind everything.`,
    );
  }
}
