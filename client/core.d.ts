// Written from the core's records by PageTypes; do not edit. See docs/carrying-on.md.

export type Vec3 = [number, number, number];

/** A whole sequence, as it is kept. */
export interface SequenceDocument {
  format: number;
  header: Header;
  entities: Entity[];
}

export interface Header {
  code: string;
  title: string;
  firstFrame: number;
  lastFrame: number;
  displayUnit: string;
  gridM: number;
  gridLines: number;
  standards: Standards;
  own: Own;
  sets: PlacedSet[];
}

export interface Standards {
  rate: Rate;
  cameraPackage: CameraPackage;
  nearClipM: number;
  farClipM: number;
  kits: LensKit[];
  naming: Naming;
  beginning: Beginning;
  cut: LimitsOfCuts;
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

export interface LensKit {
  name: string;
  squeeze: number;
  lenses: Lens[];
}

export interface Lens {
  shortestMm: number;
  longestMm: number;
  widestStop: number;
  closestFocusM: number;
}

export interface Naming {
  shots: string;
  pieces: Style;
  cameras: Style;
  files: FileNames[];
}

export type Style = 'asTyped' | 'sentence' | 'underscores' | 'joined';

export interface FileNames {
  name: string;
  pattern: string;
  counts: Counts;
}

export type Counts = 'scene' | 'shot' | 'programme';

export interface Beginning {
  displayUnit: string;
  gridM: number;
  firstFrame: number;
  handleFrames: number;
}

export interface LimitsOfCuts {
  shortFrames: number;
  jumpDegrees: number;
  jumpShare: number;
  leapShare: number;
  screenDegrees: number;
}

export interface Own {
  rate: Rate | null;
  delivery: Delivery | null;
  filmBack: FilmBack | null;
  fit: Fit | null;
  circleOfConfusionMm: number | null;
}

export interface Delivery {
  width: number;
  height: number;
}

export interface PlacedSet {
  id: string;
  set: string;
  name: string;
  version: number;
  ids: Record<string, string>;
}

export type Entity = Piece | Mark | Path | Camera | Light | Shot | Marker | SoundTrack | Sound | AcceptedNote | ActionLine | CutEntry | Layer | Measure | Air | Plate;

export interface Piece {
  kind: 'piece';
  id: string;
  name: string;
  parent: string | null;
  layer: string | null;
  shape: Shape;
  colour: string;
  finish: Finish | null;
  shown: boolean;
  locked: boolean;
  order: AxisOrder;
  channels: Record<string, Channel>;
}

export type Shape = StandIn | Model | Group | Instance;

export interface StandIn {
  kind: 'standIn';
  form: StandInKind;
  width: number;
  height: number;
  depth: number;
  stance: Stance | null;
}

export type StandInKind = 'box' | 'sphere' | 'cylinder' | 'cone' | 'plane' | 'ramp' | 'stairs' | 'arch' | 'tree' | 'vehicle' | 'adult' | 'child' | 'sitting';

export interface Stance {
  headTurn: number;
  headTilt: number;
  leftArm: number;
  rightArm: number;
  lean: number;
}

export interface Model {
  kind: 'model';
  asset: string;
  clip: string | null;
  clipStart: number;
  clipSpeed: number;
  loops: boolean;
  unitM: number;
  zUp: boolean;
  text: string | null;
}

export interface Group {
  kind: 'group';
}

export interface Instance {
  kind: 'instance';
  of: string;
}

export interface Finish {
  roughness: number;
  metal: number;
  glow: number;
  picture: string | null;
}

export type AxisOrder = 'panTiltRoll' | 'panRollTilt' | 'tiltPanRoll' | 'tiltRollPan' | 'rollPanTilt' | 'rollTiltPan';

export type Channel = number | Curve;

export interface Curve {
  keys: Key[];
  before: Extrapolation;
  after: Extrapolation;
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

export type Extrapolation = 'hold' | 'straight' | 'repeat' | 'repeatOffset';

export interface Mark {
  kind: 'mark';
  id: string;
  name: string;
  rides: string | null;
  anchor: string | null;
  layer: string | null;
  shown: boolean;
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
  lockedChannels: string[];
  depthOfField: boolean;
  motionBlur: boolean;
  filmBack: FilmBack | null;
  fit: Fit | null;
  iconSize: number;
  focus: Focus | null;
  guides: Guide[];
  surround: number;
  layer: string | null;
  shown: boolean;
  channels: Record<string, Channel>;
  rig: RigPart[];
}

export interface Focus {
  subjects: Subject[];
  cues: Cue[];
}

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

export interface Guide {
  form: Rule;
  across: number;
  down: number;
  turn: number;
  colour: string;
  strength: number;
}

export type Rule = 'thirds' | 'goldenSection' | 'goldenSpiral' | 'diagonals' | 'triangles' | 'centre' | 'grid' | 'horizon' | 'actionSafe' | 'titleSafe' | 'aspect';

export type RigPart = Arm | Attention | Base | DollyZoom | Framings | Head | Operator | Rail | Slide | Spring | Trim;

export interface Arm {
  kind: 'arm';
  id: string;
  on: boolean;
  level: boolean;
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

export interface Base {
  kind: 'base';
  id: string;
  on: boolean;
  rides: string | null;
  takes: Takes;
  channels: Record<string, Channel>;
}

export type Takes = 'position' | 'heading' | 'all';

export interface DollyZoom {
  kind: 'dollyZoom';
  id: string;
  on: boolean;
  subject: Subject | null;
  gives: Gives;
  mmPerM: number;
  channels: Record<string, Channel>;
}

export type Gives = 'lens' | 'place';

export interface Framings {
  kind: 'framings';
  id: string;
  on: boolean;
  route: Route;
  keepHorizon: boolean;
  cameras: string[];
  cues: Cue[];
  channels: Record<string, Channel>;
}

export type Route = 'straight' | 'swung';

export interface Head {
  kind: 'head';
  id: string;
  on: boolean;
  channels: Record<string, Channel>;
}

export interface Operator {
  kind: 'operator';
  id: string;
  on: boolean;
  preset: Preset;
  stepsPerSecond: number;
  seed: number;
  channels: Record<string, Channel>;
}

export type Preset = 'onShoulder' | 'standing' | 'walking' | 'running' | 'stabilised';

export interface Rail {
  kind: 'rail';
  id: string;
  on: boolean;
  path: string | null;
  facing: Facing;
  guide: string | null;
  level: boolean;
  channels: Record<string, Channel>;
}

export type Facing = 'keep' | 'travel' | 'guide';

export interface Slide {
  kind: 'slide';
  id: string;
  on: boolean;
  channels: Record<string, Channel>;
}

export interface Spring {
  kind: 'spring';
  id: string;
  on: boolean;
  channels: Record<string, Channel>;
}

export interface Trim {
  kind: 'trim';
  id: string;
  on: boolean;
  label: string;
  span: TrimSpan | null;
  takes: string[];
  channels: Record<string, Channel>;
}

export interface TrimSpan {
  first: number;
  last: number;
  fadeIn: number;
  fadeOut: number;
}

export interface Light {
  kind: 'light';
  id: string;
  name: string;
  form: LightForm;
  parent: string | null;
  layer: string | null;
  colour: string;
  kelvin: number;
  softShadow: boolean;
  shadowTint: string;
  specular: boolean;
  sky: string;
  horizon: string;
  shown: boolean;
  attention: Attention | null;
  channels: Record<string, Channel>;
}

export type LightForm = 'sun' | 'area' | 'spot' | 'point' | 'guide';

export interface Shot {
  kind: 'shot';
  id: string;
  name: string;
  place: string;
  takes: Take[];
  chosen: string;
  handles: number | null;
  status: Status;
  colour: string | null;
  notes: string;
  accepted: Accepted[];
  board: Board | null;
}

export interface Take {
  id: string;
  name: string;
  camera: string | null;
  first: number;
  frames: number;
  speed: Speed;
}

export type Speed = Steady | Curved;

export interface Steady {
  kind: 'steady';
  scene: number;
  programme: number;
}

export interface Curved {
  kind: 'curved';
  curve: Curve;
}

export type Status = 'toDo' | 'inWork' | 'forReview' | 'done';

export interface Accepted {
  about: string;
  word: string;
}

export interface Board {
  picture: string;
  shown: boolean;
}

export interface Marker {
  kind: 'marker';
  id: string;
  name: string;
  frame: number;
  colour: string;
}

export interface SoundTrack {
  kind: 'soundTrack';
  id: string;
  name: string;
  place: string;
  gainDb: number;
  muted: boolean;
  solo: boolean;
}

export interface Sound {
  kind: 'sound';
  id: string;
  name: string;
  track: string;
  recording: string;
  recordingS: number;
  at: number;
  fromS: number;
  lastsS: number;
  gainDb: number;
  muted: boolean;
  fadeInS: number;
  fadeOutS: number;
}

export interface AcceptedNote {
  kind: 'acceptedNote';
  id: string;
  name: string;
  of: string;
  about: string;
}

export interface ActionLine {
  kind: 'actionLine';
  id: string;
  name: string;
  first: string;
  second: string;
}

export interface CutEntry {
  kind: 'cutEntry';
  id: string;
  name: string;
  camera: string | null;
  firstFrame: number;
}

export interface Layer {
  kind: 'layer';
  id: string;
  name: string;
  colour: string;
  shown: boolean;
  rendered: boolean;
  locked: boolean;
}

export interface Measure {
  kind: 'measure';
  id: string;
  name: string;
  camera: string | null;
  from: Vec3;
  to: Vec3;
}

export interface Air {
  kind: 'air';
  id: string;
  name: string;
  colour: string;
  background: string | null;
  channels: Record<string, Channel>;
}

export interface Plate {
  kind: 'plate';
  id: string;
  name: string;
  camera: string | null;
  frames: string[];
  fit: PlateFit;
  inFront: boolean;
  shown: boolean;
  firstFrame: number;
  after: After;
  channels: Record<string, Channel>;
}

export type PlateFit = 'width' | 'height' | 'fill' | 'inside' | 'stretch';

export type After = 'hold' | 'loop';

export type Command = Substitute | Duplicate | Add | Remove | LetGo | Rename | Show | Lock | LockChannels | Reshape | SetFinish | Replace | Lay | Nest | Attach | Reroute | SetChannel | SetValue | InsertKey | RemoveKeys | MoveKeys | ShapeKeys | DragHandle | AddPart | RemovePart | MovePart | SwitchPart | SetPart | SetRig | Ride | PutCue | MoveCue | SetCues | RemoveCue | Walk | PlaceCamera | Orbit | Level | SetDepthOfField | SetMotionBlur | SetBack | SetFocus | SetLimits | ToShots | Roll | Ripple | Swap | InsertShot | OverwriteShot | SplitShot | JoinShots | LiftShot | RollCut | TrimShot | SlipShot | SlideShot | SwapCamera | MoveShots | RetimeShot | PutTake | ChooseTake | RemoveTake | SetStatus | SetNotes | SetBoard | AcceptNote | SetShotRules | SetHeader | Follow | Amend | Restore;

export interface Substitute {
  kind: 'substitute';
  id: string;
  marks: Stood[];
  frame: number;
}

export interface Stood {
  mark: Mark;
  where: Subject;
}

export interface Duplicate {
  kind: 'duplicate';
  ids: string[];
  newIds: string[];
  instances: boolean;
}

export interface Add {
  kind: 'add';
  entity: Entity;
}

export interface Remove {
  kind: 'remove';
  ids: string[];
  letGo: boolean;
}

export interface LetGo {
  kind: 'letGo';
  ids: string[];
  frame: number;
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

export interface LockChannels {
  kind: 'lockChannels';
  camera: string;
  channels: string[];
  locked: boolean;
}

export interface Reshape {
  kind: 'reshape';
  id: string;
  shape: Shape;
  colour: string;
}

export interface SetFinish {
  kind: 'setFinish';
  ids: string[];
  finish: Finish | null;
}

export interface Replace {
  kind: 'replace';
  entity: Entity;
}

export interface Lay {
  kind: 'lay';
  ids: string[];
  layer: string | null;
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
  anchor: string | null;
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

export interface SetRig {
  kind: 'setRig';
  camera: string;
  rig: RigPart[];
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

export interface SetCues {
  kind: 'setCues';
  camera: string;
  part: string;
  cues: Cue[];
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

export interface PlaceCamera {
  kind: 'placeCamera';
  camera: string;
  frame: number;
  at: Vec3;
  pan: number;
  tilt: number;
  roll: number;
  key: boolean;
}

export interface Orbit {
  kind: 'orbit';
  camera: string;
  frame: number;
  about: Vec3;
  across: number;
  up: number;
  key: boolean;
}

export interface Level {
  kind: 'level';
  camera: string;
  frame: number;
  key: boolean;
}

export interface SetDepthOfField {
  kind: 'setDepthOfField';
  camera: string;
  on: boolean;
}

export interface SetMotionBlur {
  kind: 'setMotionBlur';
  camera: string;
  on: boolean;
}

export interface SetBack {
  kind: 'setBack';
  camera: string;
  filmBack: FilmBack | null;
  fit: Fit | null;
}

export interface SetFocus {
  kind: 'setFocus';
  camera: string;
  focus: Focus | null;
}

export interface SetLimits {
  kind: 'setLimits';
  camera: string;
  frame: number;
  nearM: number;
  farM: number;
  key: boolean;
}

export interface ToShots {
  kind: 'toShots';
}

export interface Roll {
  kind: 'roll';
  id: string;
  frame: number;
}

export interface Ripple {
  kind: 'ripple';
  id: string;
  frame: number;
}

export interface Swap {
  kind: 'swap';
  id: string;
  camera: string | null;
}

export interface InsertShot {
  kind: 'insertShot';
  shot: Shot;
  before: string | null;
}

export interface OverwriteShot {
  kind: 'overwriteShot';
  shot: Shot;
  at: string;
  into: number;
  restId: string;
  restCode: string;
}

export interface SplitShot {
  kind: 'splitShot';
  id: string;
  after: number;
  newId: string;
  newCode: string;
}

export interface JoinShots {
  kind: 'joinShots';
  id: string;
}

export interface LiftShot {
  kind: 'liftShot';
  id: string;
  gapId: string;
}

export interface RollCut {
  kind: 'rollCut';
  id: string;
  by: number;
}

export interface TrimShot {
  kind: 'trimShot';
  id: string;
  head: number;
  tail: number;
}

export interface SlipShot {
  kind: 'slipShot';
  id: string;
  by: number;
}

export interface SlideShot {
  kind: 'slideShot';
  id: string;
  by: number;
}

export interface SwapCamera {
  kind: 'swapCamera';
  id: string;
  camera: string | null;
}

export interface MoveShots {
  kind: 'moveShots';
  ids: string[];
  before: string | null;
}

export interface RetimeShot {
  kind: 'retimeShot';
  id: string;
  speed: Speed;
  frames: number;
}

export interface PutTake {
  kind: 'putTake';
  id: string;
  take: Take;
  choose: boolean;
}

export interface ChooseTake {
  kind: 'chooseTake';
  id: string;
  take: string;
}

export interface RemoveTake {
  kind: 'removeTake';
  id: string;
  take: string;
}

export interface SetStatus {
  kind: 'setStatus';
  ids: string[];
  status: Status;
}

export interface SetNotes {
  kind: 'setNotes';
  id: string;
  notes: string;
}

export interface SetBoard {
  kind: 'setBoard';
  id: string;
  board: Board | null;
}

export interface AcceptNote {
  kind: 'acceptNote';
  id: string;
  about: string;
  word: string;
}

export interface SetShotRules {
  kind: 'setShotRules';
  ids: string[];
  colour: string | null;
  handles: number | null;
}

export interface SetHeader {
  kind: 'setHeader';
  header: Header;
}

export interface Follow {
  kind: 'follow';
  standards: Standards;
}

export interface Amend {
  kind: 'amend';
  delta: Delta;
}

export interface Delta {
  fields: FieldChange[];
  added: Entity[];
  removed: Entity[];
}

export interface FieldChange {
  id: string;
  path: string[];
  from: unknown | null;
  to: unknown | null;
}

export interface Restore {
  kind: 'restore';
  put: Entity[];
  remove: string[];
  header: Header | null;
}

export interface Change {
  before: Record<string, Entity>;
  after: Record<string, Entity>;
  headerBefore: Header | null;
  headerAfter: Header | null;
}

export type Unit = 'metres' | 'millimetres' | 'degrees' | 'hertz' | 'seconds' | 'decibels' | 'percent' | 'fStop' | 'factor' | 'share';

export type MotionEdit = Scale | Paste | Soften | Mirror | Reverse | Snap | Shift | FitTo | Flatten | Join | EaseSegments | EaseWhole | LinearThrough | Gather | GoOn | Reduce;

export interface Scale {
  kind: 'scale';
  about: number;
  time: number;
  aboutValue: number;
  value: number;
}

export interface Paste {
  kind: 'paste';
  frame: number;
  keys: Key[];
}

export interface Soften {
  kind: 'soften';
  factor: number;
}

export interface Mirror {
  kind: 'mirror';
  about: number;
}

export interface Reverse {
  kind: 'reverse';
}

export interface Snap {
  kind: 'snap';
}

export interface Shift {
  kind: 'shift';
  frames: number;
}

export interface FitTo {
  kind: 'fitTo';
  frames: number;
}

export interface Flatten {
  kind: 'flatten';
}

export interface Join {
  kind: 'join';
  joined: boolean;
}

export interface EaseSegments {
  kind: 'easeSegments';
  ease: Ease;
}

export interface EaseWhole {
  kind: 'easeWhole';
  slowIn: boolean;
  slowOut: boolean;
}

export interface LinearThrough {
  kind: 'linearThrough';
}

export interface Gather {
  kind: 'gather';
  around: number[];
}

export interface GoOn {
  kind: 'goOn';
  before: Extrapolation;
  after: Extrapolation;
}

export interface Reduce {
  kind: 'reduce';
  tolerance: number;
}

export interface AirNow {
  density: number;
  heightM: number;
  colour: string;
  background: string | null;
}

export type ArrangingBy = 'least' | 'centre' | 'most';

export interface Made {
  change: Change;
  delta: Delta;
}

export interface Proposed {
  commands: Command[];
  says: string[];
}

export interface Baked {
  commands: Command[];
  report: BakeReport;
}

export interface BakeReport {
  keys: number;
  placeM: number;
  degrees: number;
  focalMm: number;
}

export interface Calmed {
  commands: Command[];
  report: CalmReport;
}

export interface CalmReport {
  keys: number;
  mostM: number;
  mostDegrees: number;
}

export interface CameraTrack {
  name: string;
  frames: number[];
  world: number[];
  focalLengthMm: number[];
  verticalDegrees: number;
  zUp: boolean;
  unitM: number;
  filmBackMm: number[];
}

export interface ChannelInfo {
  address: string;
  label: string;
  unit: Unit;
  initial: number;
  least: number;
  most: number;
  value: number;
  inEffect: number;
  decidedBy: string;
  keyed: boolean;
  locked: string;
}

export interface Composition {
  headroom: number;
  leadRoom: number;
  backRoom: number;
  faces: string;
  height: number;
}

export type CueEdit = 'fitTo' | 'stretch' | 'repeat';

export interface BroughtShot {
  code: string;
  camera: string;
  isGap: boolean;
  first: number | null;
  frames: number;
  scene: number;
  programme: number;
  line: number;
}

export interface SaidWhich {
  index: number;
  id: string;
}

export interface CutAnswer {
  rows: BroughtRow[];
  missing: NotInCut[];
  commands: Command[];
}

export interface BroughtRow {
  index: number;
  code: string;
  id: string | null;
  known: KnownBy;
  frames: number;
  changes: string[];
}

export type KnownBy = 'code' | 'action' | 'hand' | 'new';

export interface NotInCut {
  id: string;
  code: string;
}

export interface Note {
  about: About;
  of: string;
  frame: number;
  text: string;
  accepted: string | null;
}

export type About = 'gap' | 'short' | 'fastMove' | 'held' | 'sameCamera' | 'jump' | 'line' | 'eyeline' | 'direction' | 'leap' | 'focus' | 'exposure' | 'cameraUnused' | 'lensNotChosen' | 'soundOut';

export interface DepthReading {
  bars: DepthRulerBar[];
  nearClipM: number;
  farClipM: number;
  focusM: number;
  nearLimitM: number;
  farLimitM: number | null;
  hyperfocalM: number;
}

export interface DepthRulerBar {
  id: string;
  name: string;
  colour: string;
  nearM: number;
  farM: number;
  pointM: number;
  straightM: number;
  inFrame: boolean;
}

export interface Exposure {
  opens: number;
  closes: number;
}

export interface NamedFile {
  name: string;
  fault: string;
}

export interface NamedBack {
  name: string;
  back: FilmBack;
}

export type Side = 'across' | 'up' | 'diagonal';

export interface FrameReportRow {
  id: string;
  name: string;
  seen: number[];
  height: number[];
}

export interface GuideDrawn {
  form: Rule;
  colour: string;
  strength: number;
  lines: number[][];
}

export interface Handles {
  outFrames: number;
  outValue: number;
  inFrames: number;
  inValue: number;
}

export interface Heard {
  sound: string;
  recording: string;
  afterS: number;
  fromS: number;
  lastsS: number;
  levels: Loudness[];
}

export interface Loudness {
  atS: number;
  factor: number;
}

export interface HoldBothAnswer {
  can: boolean;
  does: boolean;
  says: string;
  focusM: number;
  fStop: number;
}

export interface Laid {
  change: Change;
  asSaid: string[];
}

export type LensDragTool = 'turn' | 'orbit' | 'truck' | 'dolly' | 'roll' | 'zoom';

export interface LensReport {
  horizontalDegrees: number;
  verticalDegrees: number;
  diagonalDegrees: number;
  hyperfocalM: number;
  nearLimitM: number;
  farLimitM: number | null;
  circleMm: number;
  circleShare: number;
  filmBack: string;
  squeeze: number;
  fit: Fit;
  reach: string;
  note: string;
  filmAcross: number;
  filmDown: number;
  beyondFilm: string;
}

export interface LightNow {
  id: string;
  form: LightForm;
  shines: boolean;
  colour: number[];
  power: number;
  shadowTint: number[];
  radiusM: number;
  coneRadians: number;
  fullRadians: number;
  widthM: number;
  heightM: number;
  specular: boolean;
}

export interface LineOfAction {
  from: number[];
  to: number[];
  left: string[];
  right: string[];
}

export interface SavedRig {
  rig: RigPart[];
  names: Record<string, string>;
}

export interface SavedRigLoaded {
  commands: Command[];
  missing: string[];
}

export interface LookedAt {
  where: Subject;
  x: number;
  y: number;
  z: number;
}

export interface MotionRequest {
  picked: Picked[];
  edit: MotionEdit;
}

export interface Picked {
  id: string;
  channel: string;
  frames: number[];
}

export interface Breach {
  id: string;
  name: string;
  better: string;
}

export type How = 'insert' | 'overwrite' | 'append';

export type PathEdit = 'insert' | 'split' | 'even';

export interface PathReport {
  lengthM: number;
  tightestRadiusM: number | null;
}

export type PathShapesForm = 'line' | 'circle' | 'arc' | 'helix';

export type PlaceSubjectBy = 'move' | 'turn' | 'lens';

export interface Sighting {
  x: number;
  y: number;
  z: number;
  alongM: number;
  straightM: number;
  across: number | null;
  down: number | null;
}

export interface Placed {
  id: string;
  shot: string;
  take: string;
  camera: string | null;
  first: number;
  last: number;
  sceneFirst: number;
  sceneLast: number;
  board: string | null;
}

export type ReadyRig = 'tripod' | 'slider' | 'rail' | 'crane' | 'orbit' | 'riding' | 'following' | 'handheld' | 'travelling' | 'trimmed';

export interface Renumbered {
  id: string;
  code: string;
  better: string;
}

export interface RigHandlesHandle {
  part: string;
  from: Vec3;
  at: Vec3;
}

export interface InFrame {
  cut: CutOff[];
  whyEmpty: string;
  clipsHide: boolean;
  widestBlur: number;
}

export interface CutOff {
  id: string;
  name: string;
  near: boolean;
  far: boolean;
}

export interface Seen {
  id: string;
  frame: number;
}

export interface Settings {
  rate: Rate;
  cameraPackage: CameraPackage;
  filmBackName: string;
  circleMm: number;
}

export interface ShotFacts {
  lens: LensThere;
  lastLens: LensThere;
  move: string[];
  subjects: SubjectSeen[];
  size: string;
}

export interface LensThere {
  focalMm: number;
  fStop: number;
  focusM: number;
}

export interface SubjectSeen {
  id: string;
  name: string;
  share: number;
}

export interface ShotRow {
  id: string;
  code: string;
  take: string;
  takes: number;
  camera: string | null;
  first: number;
  last: number;
  frames: number;
  seconds: number;
  middle: number;
  sceneFirst: number;
  sceneLast: number;
  feet: string;
  timecode: string;
  speed: number;
  status: Status;
  notes: string;
}

export interface Ends {
  first: number;
  last: number;
}

export interface StandInMesh {
  positions: number[];
  normals: number[];
  colours: number[];
  places: number[];
  indices: number[];
}

export interface StandardsFault {
  field: string;
  text: string;
}

export interface Press {
  frame: number;
  camera: string;
  newId: string;
}

export interface TakeSeen {
  camera: string | null;
  scene: number;
}

export interface TakenBack {
  commands: Command[];
  left: string[];
}

export interface Taking {
  commands: Command[];
  says: string[];
  document: SequenceDocument;
}

export interface Warning {
  kind: WarningsKind;
  text: string;
  first: number;
  last: number;
  part: string;
}

export type WarningsKind = 'fastPan' | 'roll' | 'vertical' | 'corner' | 'inside' | 'nothingBelow' | 'tooNear';

/** Where each number of a camera stands in its row; LensRow.java says what each is. */
export declare const LensRow: {
  FOCAL: 0,
  F_STOP: 1,
  FOCUS: 2,
  NEAR: 3,
  FAR: 4,
  SHUTTER: 5,
  SHIFT_X: 6,
  SHIFT_Y: 7,
  LEFT: 8,
  RIGHT: 9,
  BOTTOM: 10,
  TOP: 11,
  SIZE: 12,
};

/** The functions the core's module exports; bridge.ts calls them with types. */
export interface KiteCore {
  air(frame: number): string;
  align(ids: string, axes: string, by: string, frame: number, key: boolean): string;
  anchors(piece: string): string;
  angles(transform: Float64Array, out: Float64Array): void;
  apply(commands: string): string;
  applyDelta(delta: string): string;
  backTo(document: string): string;
  backToThing(document: string, id: string): string;
  bakePlain(camera: string, first: number, last: number, metres: number, degrees: number, millimetres: number, id: string): string;
  blur(camera: string, out: Float64Array): void;
  boards(pictures: string, ids: string, frames: number): string;
  bounds(id: string, out: Float64Array): boolean;
  calmBase(camera: string, first: number, last: number, metres: number, degrees: number): string;
  cameraFromTrack(track: string, unitM: number, zUp: boolean, firstFrame: number, id: string): string;
  carrySubject(camera: string, subject: string, frame: number, across: number, down: number, key: boolean): string;
  channels(id: string, frame: number): string;
  compare(side: number, document: string): string;
  comparedCamera(side: number, camera: string, frame: number, world: Float64Array, lens: Float64Array): boolean;
  composition(camera: string, subject: string): string;
  copies(ids: string, newIds: string, x: number, y: number, z: number, instances: boolean): string;
  copyIn(document: string, ids: string): string;
  copyStep(ids: string): string;
  cueLength(camera: string, part: string): number;
  cueMotion(camera: string, part: string, edit: string, amount: number, about: number): string;
  curve(id: string, channel: string, first: number, step: number, out: Float64Array): void;
  cutBrought(shots: string, said: string, ids: string, keep: boolean): string;
  cutHere(frame: number, shot: string, camera: string, newId: string): string;
  cutNotes(index: number): string;
  depthRuler(camera: string): string;
  digest(): string;
  document(): string;
  dropLaid(): void;
  endComparing(side: number): void;
  endPreview(): void;
  evaluate(frame: number, take: string, world: Float64Array, lens: Float64Array): void;
  evaluateRange(first: number, count: number, world: Float64Array, lens: Float64Array): void;
  exposure(camera: string, frame: number, rate: number): string;
  feet(frames: number): string;
  fileName(pattern: string, counts: string, production: string, user: string): string;
  filmBackName(back: string): string;
  filmBacks(): string;
  focalLengthFor(camera: string, degrees: number, side: string): string;
  followFocus(camera: string, subject: string, frame: number): string;
  frameReport(camera: string, first: number, step: number, count: number): string;
  freeGround(x: number, z: number, widthM: number, depthM: number): number;
  freeLetter(): string;
  freeName(name: string): string;
  guideLines(camera: string): string;
  handles(id: string, channel: string): string;
  heard(first: number, end: number): string;
  hiddenPieces(): string;
  holdBoth(camera: string, aM: number, bM: number): string;
  holdLonger(id: string, frame: number, frames: number, cuts: boolean): string;
  holdMix(owner: string, part: string, frame: number, atOnce: boolean): string;
  holdSize(camera: string, part: string, subject: string, anchor: string): string;
  keepSize(camera: string, subject: string, focalLengthMm: number, frame: number, key: boolean): string;
  keptSet(placed: string, was: string, also: string): string;
  layMore(said: string): string;
  laySound(recording: string, seconds: number, name: string, at: number, track: string, id: string, newTrack: string): string;
  lensDolly(metres: number): string;
  lensDrag(tool: string, across: number, down: number): string;
  lensReport(camera: string): string;
  lensSteps(tool: string, right: number, down: number): string;
  lensZoom(notches: number): string;
  letMemberGo(owner: string, part: string, member: string): string;
  lights(frame: number): string;
  lineOfAction(): string;
  loadRig(camera: string, rig: string, frame: number): string;
  lookedAt(id: string): string;
  mends(about: string, shot: string): string;
  modelPose(id: string, out: Float64Array): void;
  modelWeights(id: string, node: number, out: Float64Array): number;
  motion(request: string): string;
  moveHandle(camera: string, part: string, x: number, y: number, z: number, frame: number, key: boolean): string;
  moveSound(id: string, by: number, track: string): string;
  moveTogether(id: string, frames: string, by: number, cuts: boolean): string;
  namingBreaches(): string;
  newPart(camera: string, kind: string, id: string): string;
  newShot(frame: number, how: string, camera: string, first: number, frames: number, id: string, restId: string): string;
  newSoundTrack(id: string): string;
  notchM(alongM: number): number;
  nothingCutOff(camera: string, first: number, last: number): string;
  ofReview(commands: string): string;
  open(document: string): string;
  otherNotes(): string;
  partPlot(camera: string, part: string, seconds: number, out: Float64Array): void;
  partSays(camera: string, part: string, frame: number): string;
  pathEdit(id: string, edit: string, at: number, newId: string): string;
  pathFromKeys(camera: string, pathId: string, ride: boolean): string;
  pathHeightM(): number;
  pathPlaces(id: string, out: Float64Array): void;
  pathReport(id: string): string;
  pathShape(form: string, x: number, z: number, newId: string): string;
  placeSet(document: string, set: string, name: string, version: number): string;
  placeSubject(camera: string, subject: string, anchor: string, across: number, down: number, size: number, by: string, frame: number, key: boolean): string;
  planLaid(): void;
  plateImage(plate: string, frame: number): string;
  platePlace(plate: string, frame: number, imageAspect: number, out: Float64Array): void;
  pointSighting(camera: string, x: number, y: number, z: number): string;
  poses(id: string, frames: string, out: Float64Array): string;
  preview(commands: string): string;
  programme(): string;
  programmeNames(): number;
  programmePlaces(out: Float64Array): void;
  project(camera: string, x: number, y: number, z: number, out: Float64Array): void;
  pullFocus(camera: string, subject: string, frame: number, travel: number): string;
  rackFocus(camera: string, first: string, second: string, frame: number, travel: number): string;
  rateAt(frame: number): number;
  readFrames(text: string, current: number, many: boolean): string;
  readNumber(text: string, unit: string, current: number): string;
  readyRig(camera: string, kind: string, subject: string, pathId: string, between: string, frame: number): string;
  registerModel(asset: string, rig: string): string;
  renumbered(keep: string): string;
  retimed(shot: string, first: number, last: number, keepsLength: boolean): string;
  rigHandles(camera: string, frame: number): string;
  rigsToBake(): string;
  route(id: string, first: number, step: number, out: Float64Array): void;
  savedRig(camera: string): string;
  sceneAt(frame: number): number;
  seen(camera: string): string;
  seenAt(scene: number): string;
  setDown(ids: string, heightM: number, frame: number, key: boolean): string;
  setKept(placed: string, was: string, also: string, version: number): string;
  setMade(document: string, set: string, name: string): string;
  setOf(ids: string): string;
  settings(camera: string): string;
  shares(camera: string, part: string, first: number, step: number, out: Float64Array): void;
  shotCode(index: number): string;
  shotFacts(camera: string, take: string, first: number, last: number): string;
  shotRows(): string;
  showLaid(): void;
  showNumber(value: number, unit: string): string;
  sighting(camera: string, subject: string, anchor: string): string;
  size(ids: string, out: Float64Array): string;
  slipSound(id: string, by: number): string;
  slot(id: string): number;
  slots(): number;
  soundTracks(): string;
  speed(id: string, channel: string, first: number, step: number, out: Float64Array): void;
  speedOf(shot: string): string;
  splitSound(id: string, frame: number, newId: string): string;
  standIn(piece: string): string;
  standardsChange(standards: string): string;
  standardsFaults(standards: string): string;
  standing(id: string, cuts: boolean): string;
  subjectKeys(subject: string): string;
  subjectRoute(camera: string, subject: string, first: number, step: number, out: Float64Array): void;
  subjects(): string;
  switched(presses: string): string;
  takeAt(shot: string, take: string, frame: number): string;
  takeBack(delta: string, undo: boolean): string;
  takeHold(camera: string, frame: number, x: number, y: number, z: number, alongM: number, key: boolean): void;
  takeMember(owner: string, part: string, member: string): string;
  takeSet(placed: string, was: string, next: string, version: number): string;
  threeLights(camera: string, subject: string, ids: string): string;
  timecode(frame: number): string;
  toGrid(ids: string, frame: number, key: boolean): string;
  toPoint(id: string, x: number, y: number, z: number, frame: number, key: boolean): string;
  trackPlaces(track: string, unitM: number, zUp: boolean): string;
  trimSound(id: string, head: number, tail: number): string;
  trimsSay(camera: string, frame: number): string;
  turnCuesTo(owner: string, part: string, member: string, frame: number, travel: number): string;
  turnTo(id: string, world: Float64Array, frame: number, key: boolean): string;
  turned(delta: string): string;
  users(ids: string): string;
  warnings(camera: string, first: number, last: number): string;
  wouldKey(commands: string): string;
}
