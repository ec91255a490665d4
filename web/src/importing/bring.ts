import { call } from '../shell/http';
import { piece } from '../roster/create';
import { edit, newId, say, select, useSequence } from '../sequence/store';
import type { ModelReport } from '../views/models';

/** Asks for a file and brings it in. */
export function chooseModel(): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = '.glb,.gltf';
  input.onchange = () => void bring([...(input.files ?? [])]);
  input.click();
}

/** Brings models in: the server reads and keeps them, then each becomes a piece. */
export async function bring(files: File[]): Promise<void> {
  for (const file of files) {
    say(`Reading ${file.name} …`);
    try {
      const r = await call(
        'POST',
        `/api/assets?name=${encodeURIComponent(file.name)}`,
        file,
        'application/octet-stream',
      );
      place((await r.json()) as ModelReport, file.name);
    } catch (e) {
      say(`${file.name}: ${e instanceof Error ? e.message : e}`, true);
    }
  }
}

/** Puts a kept model into the set under its file's name: the same model may have come before under another. */
function place(report: ModelReport, file: string): void {
  const { frame } = useSequence.getState();
  const clip = report.clips[0] ?? null;
  const name = file.replace(/\.(glb|gltf)$/i, '') || 'Model';
  const id = newId('piece');
  const shape = {
    kind: 'model' as const,
    asset: report.asset,
    clip,
    clipStart: Math.round(frame),
    clipSpeed: 1,
    loops: true,
    unitM: 1,
  };
  if (!edit(`Bring in ${name}`, { kind: 'add', entity: piece(id, name, shape, '#cccccc') })) return;
  select(id);
  const [x0, y0, z0, x1, y1, z1] = report.bounds;
  const size = [x1 - x0, y1 - y0, z1 - z0].map((v) => v.toFixed(2)).join(' × ');
  const warned = report.warnings.length ? ` Note: ${report.warnings.join(' ')}` : '';
  say(
    `${name} is in: ${size} m, ${report.triangles} triangles, ${clip ? `playing “${clip}”` : 'no animation'}.${warned}`,
  );
}
