import { drawnAnew } from '../session/document';
import * as THREE from 'three';
import type { Entity, Light, LightNow } from '../core/types';
import { core } from '../session/evaluated';
import { DECAY, type SkyDome } from './air';
import { inSoftware } from './surfaces';

type Source = THREE.DirectionalLight | THREE.PointLight | THREE.SpotLight | THREE.RectAreaLight;

/** A light with its shadow, and the same light without one that fills the shadow with its tint. */
interface Lamp {
  form: Light['form'];
  main: Source;
  fill: Source;
}

const SUN_REACH_M = 32;

/** Side of the picture of all that the sun reaches. Where drawing is done in software it is most of what a picture costs. */
const SUN_SHADOW_PX = { fine: 1024, quick: 512 };

/** Keeps the graphics library's lights as the core's are. */
export class Lighting {
  readonly group = new THREE.Group();
  private readonly air = new THREE.HemisphereLight();
  private readonly lamps = new Map<string, Lamp>();
  private readonly noon = new THREE.DirectionalLight('#ffffff', 3);

  /** Whether the lights that come have fine shadows however long they take. */
  fine = false;

  constructor(private readonly dome: SkyDome) {
    this.noon.position.set(40, 80, 45);
    this.group.add(this.air, this.noon);
  }

  /** Brings all lights to the present frame. */
  update(entities: Record<string, Entity>, frame: number, world: Float64Array): void {
    const all = core().lights(frame);
    const shining = all.filter((l) => l.shines);
    for (const [id, lamp] of this.lamps) {
      if (shining.some((l) => l.id === id && l.form === lamp.form)) continue;
      for (const s of [lamp.main, lamp.fill]) {
        this.group.remove(s, ...('target' in s ? [s.target] : []));
        s.dispose();
      }
      this.lamps.delete(id);
    }
    for (const l of shining) this.place(l, world);
    this.sky(entities, all, shining, frame);
  }

  private place(l: LightNow, world: Float64Array): void {
    let lamp = this.lamps.get(l.id);
    if (!lamp) {
      lamp = { form: l.form, main: source(l.form), fill: source(l.form) };
      shadowed(lamp.main, this.fine || !inSoftware() ? 'fine' : 'quick');
      this.lamps.set(l.id, lamp);
      for (const s of [lamp.main, lamp.fill]) this.group.add(s, ...('target' in s ? [s.target] : []));
    }
    const o = core().slot(l.id) * 16;
    const [r, g, b] = l.colour;
    const [tr, tg, tb] = l.shadowTint;
    lamp.main.color.setRGB(r * (1 - tr), g * (1 - tg), b * (1 - tb));
    lamp.fill.color.setRGB(r * tr, g * tg, b * tb);
    lamp.fill.visible = tr + tg + tb > 0;
    for (const s of [lamp.main, lamp.fill]) {
      s.intensity = l.power;
      if (s instanceof THREE.DirectionalLight) {
        s.target.position.set(0, 0, -14);
        s.position
          .copy(s.target.position)
          .addScaledVector(new THREE.Vector3(world[o + 8], world[o + 9], world[o + 10]), 100);
        continue;
      }
      s.position.set(world[o + 12], world[o + 13], world[o + 14]);
      if (s instanceof THREE.SpotLight) {
        s.target.position.set(
          s.position.x - world[o + 8],
          s.position.y - world[o + 9],
          s.position.z - world[o + 10],
        );
        s.angle = Math.min(l.coneRadians, Math.PI / 2 - 0.01);
        s.penumbra = l.coneRadians > 0 ? 1 - l.fullRadians / l.coneRadians : 0;
      }
      if (s instanceof THREE.RectAreaLight) {
        s.width = l.widthM;
        s.height = l.heightM;
        const m = new THREE.Matrix4().fromArray(world, o);
        s.quaternion.setFromRotationMatrix(new THREE.Matrix4().extractRotation(m));
      } else s.decay = l.specular ? DECAY.glossy : DECAY.matte;
    }
    if (l.form === 'sun') this.dome.matteSun(!l.specular);
    if (!(lamp.main instanceof THREE.RectAreaLight))
      lamp.main.shadow.radius = l.radiusM > 0 || l.form === 'sun' ? 2 : 0.5;
  }

  /** Light from the sky: the first sun's, plain noon when there is no light at all. */
  private sky(entities: Record<string, Entity>, all: LightNow[], shining: LightNow[], frame: number): void {
    this.noon.visible = all.length === 0;
    const sun = shining.find((l) => l.form === 'sun');
    const e = sun ? (entities[sun.id] as Light) : undefined;
    const zenith = e?.sky ?? '#7fa6d0';
    const horizon = e?.horizon ?? '#d8e2ec';
    const strength = e ? skyOf(e, frame) : all.length === 0 ? 1 : 0;
    this.dome.sky(zenith, horizon, strength);
    this.dome.air(frame);
    this.air.color.set(zenith).lerp(new THREE.Color(horizon), 0.5);
    this.air.groundColor.set(horizon).multiplyScalar(0.3);
    this.air.intensity = strength * Math.PI * 0.8;
  }
}

function skyOf(l: Light, frame: number): number {
  const c = l.channels.skyIntensity;
  if (c === undefined) return 1;
  if (typeof c === 'number') return c;
  const out = new Float64Array(1);
  core().curve(l.id, 'skyIntensity', frame, 1, out);
  return out[0];
}

let areaTables: Promise<void> | null = null;

/** When what an area's light is looked up in did not come, it is asked for again after this long. */
const AGAIN_MS = 4000;

/** Fetches what an area's light is looked up in, once: most sequences have none, and it is larger than all other lighting. */
function needAreaTables(): void {
  areaTables ??= import('three/addons/lights/RectAreaLightUniformsLib.js').then(
    ({ RectAreaLightUniformsLib }) => {
      RectAreaLightUniformsLib.init();
      drawnAnew(); // what was drawn without them is drawn again
    },
    () => {
      areaTables = null;
      setTimeout(needAreaTables, AGAIN_MS);
    },
  );
}

function source(form: Light['form']): Source {
  if (form === 'sun') return new THREE.DirectionalLight();
  if (form === 'spot') return new THREE.SpotLight();
  if (form === 'area') {
    needAreaTables();
    return new THREE.RectAreaLight();
  }
  return new THREE.PointLight();
}

/** Lets a light throw shadows. */
export function shadowed(s: Source, shadows: keyof typeof SUN_SHADOW_PX = 'fine'): void {
  if (s instanceof THREE.RectAreaLight) return;
  s.castShadow = true;
  const size =
    s instanceof THREE.DirectionalLight ? SUN_SHADOW_PX[shadows] : s instanceof THREE.SpotLight ? 512 : 256;
  s.shadow.mapSize.set(size, size);
  // what a pixel of a coarser picture covers lies deeper: less would shade what stands in the light
  const coarser = s instanceof THREE.DirectionalLight ? SUN_SHADOW_PX.fine / size : 1;
  s.shadow.bias = -0.0012 * coarser;
  s.shadow.normalBias = 0.03 * coarser;
  if (s instanceof THREE.DirectionalLight) {
    const k = SUN_REACH_M;
    Object.assign(s.shadow.camera, { left: -k, right: k, top: k, bottom: -k, near: 1, far: 220 });
  } else Object.assign(s.shadow.camera, { near: 0.05, far: 200 });
}
