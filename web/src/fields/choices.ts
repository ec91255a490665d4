/** What is offered to choose from, in the standards and elsewhere; anything else can be typed or comes from a file. */

/** What cannot be in the standards as they are typed, by field as the core names them. */
export type Faults = Record<string, string>;

export const RATES: [string, string][] = [
  ['24/1', '24'],
  ['24000/1001', '23.976'],
  ['25/1', '25'],
  ['30000/1001', '29.97'],
  ['30/1', '30'],
  ['48/1', '48'],
  ['50/1', '50'],
  ['60/1', '60'],
];
export const SIZES: [number, number][] = [
  [1280, 720],
  [1920, 1080],
  [2048, 1080],
  [2048, 858],
  [3840, 2160],
  [4096, 1716],
];
/** In what lengths are shown. */
export const UNITS: [string, string][] = [
  ['m', 'metres'],
  ['cm', 'centimetres'],
  ['mm', 'millimetres'],
  ['ft', 'feet'],
  ['in', 'inches'],
  ['ft+in', 'feet and inches'],
];
export const FIT_NAMES: [string, string][] = [
  ['width', 'fit the width'],
  ['height', 'fit the height'],
  ['fill', 'fill the frame'],
  ['showAll', 'show all of it'],
];

/** Units a model’s file may be in, by their length in metres. */
export const FILE_UNITS: [string, string][] = [
  ['1', 'metres'],
  ['0.01', 'centimetres'],
  ['0.001', 'millimetres'],
  ['0.3048', 'feet'],
  ['0.0254', 'inches'],
];
