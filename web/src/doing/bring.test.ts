import { describe, expect, it, vi } from 'vitest';

vi.mock('../session/document', () => ({}));
vi.mock('../session/http', () => ({}));

import { modelsOf } from './bring';

const file = (name: string) => new File(['x'], name);
const names = (files: string[]) => modelsOf(files.map(file)).map((m) => [m.name, m.files.map((f) => f.name)]);

describe('files dropped together', () => {
  it('each glTF is a model of its own', () => {
    expect(names(['a.glb', 'b.GLTF'])).toEqual([
      ['a.glb', ['a.glb']],
      ['b.GLTF', ['b.GLTF']],
    ]);
  });

  it('a glTF in parts takes its data and pictures along', () => {
    expect(names(['boat.gltf', 'boat.bin', 'sail.png'])).toEqual([
      ['boat.gltf', ['boat.gltf', 'boat.bin', 'sail.png']],
    ]);
  });

  it('an OBJ takes its materials and pictures along', () => {
    expect(names(['wall.obj', 'wall.mtl', 'brick.png'])).toEqual([
      ['wall.obj', ['wall.obj', 'wall.mtl', 'brick.png']],
    ]);
  });

  it('what is no model is left for others', () => {
    expect(names(['notes.txt', 'track.csv'])).toEqual([]);
  });
});
