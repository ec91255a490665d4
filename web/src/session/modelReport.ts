/** What the server found when the model came in. */
export interface ModelReport {
  asset: string;
  name: string;
  bytes: number;
  triangles: number;
  bounds: [number, number, number, number, number, number];
  clips: string[];
  fileNodes: number[];
  warnings: string[];
}
