// Written from the core's records by PageTypes; do not edit. See docs/carrying-on.md.

export type Vec3 = [number, number, number];

export interface Header {
  code: string;
  title: string;
  firstFrame: number;
  lastFrame: number;
  rate: Rate;
  displayUnit: string;
  gridM: number;
  cameraPackage: CameraPackage;
}

export interface Rate {
  numerator: number;
  denominator: number;
}

export interface CameraPackage {
  filmBack: FilmBack;
  deliveryWidth: number;
  deliveryHeight: number;
  fit: Fit;
  circleOfConfusionMm: number;
}

export interface FilmBack {
  widthMm: number;
  heightMm: number;
  squeeze: number;
}

export type Fit = 'width' | 'height' | 'fill' | 'showAll';

export type Entity = Piece | Mark | Path | Camera | Light | CutEntry;

export interface Piece {
  kind: 'piece';
  id: string;
  name: string;
  parent: string | null;
  shape: Shape;
  colour: string;
  shown: boolean;
  locked: boolean;
  order: AxisOrder;
  channels: Record<string, Channel>;
}

export type Shape = StandIn | Model | Group;

export interface StandIn {
  kind: 'standIn';
  form: StandInKind;
  width: number;
  height: number;
  depth: number;
}

export type StandInKind = 'box' | 'sphere' | 'cylinder' | 'cone' | 'plane' | 'adult' | 'child';

export interface Model {
  kind: 'model';
  asset: string;
  clip: string | null;
  clipStart: number;
  clipSpeed: number;
  loops: boolean;
  unitM: number;
}

export interface Group {
  kind: 'group';
}

export type AxisOrder = 'panTiltRoll' | 'panRollTilt' | 'tiltPanRoll' | 'tiltRollPan' | 'rollPanTilt' | 'rollTiltPan';

export type Channel = number | Curve;

export interface Curve {
  keys: Key[];
  before: Beyond;
  after: Beyond;
}

export interface Key {
  frame: number;
  value: number;
  shape: KeyShape;
  inFrames: number;
  inValue: number;
  outFrames: number;
  outValue: number;
  joined: boolean;
}

export type KeyShape = 'hold' | 'straight' | 'smooth' | 'free';

export type Beyond = 'hold' | 'straight' | 'repeat' | 'repeatOffset';

export interface Mark {
  kind: 'mark';
  id: string;
  name: string;
  rides: string | null;
  channels: Record<string, Channel>;
}

export interface Path {
  kind: 'path';
  id: string;
  name: string;
  style: PathStyle;
  closed: boolean;
  points: PathPoint[];
}

export type PathStyle = 'through' | 'bezier';

export interface PathPoint {
  at: Vec3;
  in: Vec3;
  out: Vec3;
}

export interface Camera {
  kind: 'camera';
  id: string;
  name: string;
  letter: string;
  colour: string;
  locked: boolean;
  depthOfField: boolean;
  channels: Record<string, Channel>;
  rig: RigPart[];
}

export type RigPart = Base | Rail | Slide | Head | Attention;

export interface Base {
  kind: 'base';
  id: string;
  on: boolean;
  rides: string | null;
  takes: Takes;
  channels: Record<string, Channel>;
}

export type Takes = 'position' | 'heading' | 'all';

export interface Rail {
  kind: 'rail';
  id: string;
  on: boolean;
  path: string | null;
  facing: Facing;
  level: boolean;
  channels: Record<string, Channel>;
}

export type Facing = 'keep' | 'travel';

export interface Slide {
  kind: 'slide';
  id: string;
  on: boolean;
  channels: Record<string, Channel>;
}

export interface Head {
  kind: 'head';
  id: string;
  on: boolean;
  channels: Record<string, Channel>;
}

export interface Attention {
  kind: 'attention';
  id: string;
  on: boolean;
  up: Up;
  upPiece: string | null;
  blend: Blend;
  subjects: Subject[];
  cues: Cue[];
  channels: Record<string, Channel>;
}

export type Up = 'world' | 'piece' | 'free';

export type Blend = 'points' | 'directions';

export interface Subject {
  entity: string;
  anchor: string | null;
  offset: Vec3;
}

export interface Cue {
  frame: number;
  travel: number;
  ease: Ease;
  mix: Record<string, number>;
}

export type Ease = 'even' | 'slowStart' | 'slowStop' | 'slowBoth';

export interface Light {
  kind: 'light';
  id: string;
  name: string;
  colour: string;
  sky: string;
  horizon: string;
  channels: Record<string, Channel>;
}

export interface CutEntry {
  kind: 'cutEntry';
  id: string;
  name: string;
  camera: string | null;
  firstFrame: number;
}

export type Command = Add | Remove | Rename | Show | Lock | Reshape | Nest | Attach | Reroute | SetChannel | SetValue | InsertKey | RemoveKeys | MoveKeys | ShapeKeys | DragHandle | AddPart | RemovePart | MovePart | SwitchPart | SetPart | Ride | PutCue | MoveCue | RemoveCue | Walk | SetDepthOfField | Roll | Swap | Restore | SetHeader;

export interface Add {
  kind: 'add';
  entity: Entity;
}

export interface Remove {
  kind: 'remove';
  ids: string[];
  letGo: boolean;
}

export interface Rename {
  kind: 'rename';
  id: string;
  name: string;
}

export interface Show {
  kind: 'show';
  ids: string[];
  shown: boolean;
}

export interface Lock {
  kind: 'lock';
  ids: string[];
  locked: boolean;
}

export interface Reshape {
  kind: 'reshape';
  id: string;
  shape: Shape;
  colour: string;
}

export interface Nest {
  kind: 'nest';
  id: string;
  parent: string | null;
  keepPlace: boolean;
  frame: number;
}

export interface Attach {
  kind: 'attach';
  id: string;
  rides: string | null;
  frame: number;
}

export interface Reroute {
  kind: 'reroute';
  id: string;
  style: PathStyle;
  closed: boolean;
  points: PathPoint[];
}

export interface SetChannel {
  kind: 'setChannel';
  id: string;
  channel: string;
  value: Channel;
}

export interface SetValue {
  kind: 'setValue';
  id: string;
  channel: string;
  frame: number;
  value: number;
  key: boolean;
}

export interface InsertKey {
  kind: 'insertKey';
  id: string;
  channel: string;
  frame: number;
}

export interface RemoveKeys {
  kind: 'removeKeys';
  id: string;
  channel: string;
  frames: number[];
}

export interface MoveKeys {
  kind: 'moveKeys';
  id: string;
  channel: string;
  frames: number[];
  byFrames: number;
  byValue: number;
}

export interface ShapeKeys {
  kind: 'shapeKeys';
  id: string;
  channel: string;
  frames: number[];
  shape: KeyShape;
}

export interface DragHandle {
  kind: 'dragHandle';
  id: string;
  channel: string;
  frame: number;
  outgoing: boolean;
  reach: number;
  rise: number;
}

export interface AddPart {
  kind: 'addPart';
  camera: string;
  part: RigPart;
  index: number;
}

export interface RemovePart {
  kind: 'removePart';
  camera: string;
  part: string;
}

export interface MovePart {
  kind: 'movePart';
  camera: string;
  part: string;
  index: number;
}

export interface SwitchPart {
  kind: 'switchPart';
  camera: string;
  part: string;
  on: boolean;
}

export interface SetPart {
  kind: 'setPart';
  camera: string;
  part: RigPart;
}

export interface Ride {
  kind: 'ride';
  camera: string;
  part: string;
  rides: string | null;
  takes: Takes;
  frame: number;
}

export interface PutCue {
  kind: 'putCue';
  camera: string;
  part: string;
  cue: Cue;
}

export interface MoveCue {
  kind: 'moveCue';
  camera: string;
  part: string;
  frame: number;
  toFrame: number;
  travel: number;
}

export interface RemoveCue {
  kind: 'removeCue';
  camera: string;
  part: string;
  frame: number;
}

export interface Walk {
  kind: 'walk';
  camera: string;
  frame: number;
  truck: number;
  pedestal: number;
  dolly: number;
  pan: number;
  tilt: number;
  roll: number;
  key: boolean;
}

export interface SetDepthOfField {
  kind: 'setDepthOfField';
  camera: string;
  on: boolean;
}

export interface Roll {
  kind: 'roll';
  id: string;
  frame: number;
}

export interface Swap {
  kind: 'swap';
  id: string;
  camera: string | null;
}

export interface Restore {
  kind: 'restore';
  put: Entity[];
  remove: string[];
  header: Header | null;
}

export interface SetHeader {
  kind: 'setHeader';
  header: Header;
}

export interface Change {
  before: Record<string, Entity>;
  after: Record<string, Entity>;
  headerBefore: Header | null;
  headerAfter: Header | null;
}

export type Unit = 'metres' | 'millimetres' | 'degrees' | 'percent' | 'fStop' | 'factor' | 'share';

/** The functions the core exports; KiteCore.java says what each gives. */
export interface KiteCore {
  anchors(piece: string): string;
  apply(commands: string): string;
  blurTable(camera: string, out: Float32Array): void;
  channels(id: string, frame: number): string;
  commandsOf(change: string, undo: boolean): string;
  curve(id: string, channel: string, first: number, step: number, out: Float64Array): void;
  cut(): string;
  document(): string;
  endPreview(): void;
  evaluate(frame: number, world: Float64Array, lens: Float64Array): void;
  evaluateRange(first: number, count: number, world: Float64Array, lens: Float64Array): void;
  focalLengthFor(degreesAcross: number): number;
  handles(id: string, channel: string): string;
  lensReport(camera: string): string;
  modelPose(id: string, out: Float64Array): void;
  modelWeights(id: string, node: number, out: Float64Array): number;
  open(document: string): string;
  pathPlaces(id: string, out: Float64Array): void;
  pathReport(id: string): string;
  preview(commands: string): string;
  project(camera: string, x: number, y: number, z: number, out: Float64Array): void;
  readNumber(text: string, unit: string, current: number): string;
  registerModel(asset: string, rig: string): string;
  shares(camera: string, part: string, first: number, step: number, out: Float64Array): void;
  showNumber(value: number, unit: string): string;
  sighting(camera: string, subject: string, anchor: string): string;
  slot(id: string): number;
  slots(): number;
  standIn(piece: string): string;
  timecode(frame: number): string;
}
