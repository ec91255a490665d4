import * as THREE from 'three';
import type { Entity, Piece, Shape } from '../core/types';
import { useSequence } from '../session/state';
import { coat } from './finishes';
import { cameraIcon, lightIcon, markIcon, measureLine, pathLine } from './icons3d';
import { ModelInstance, needModel } from './models';
import { Standing } from './standing';
import { standIn } from './standIns';

/** What stands in the scene for an entity. */
export interface Shown {
  entity: Entity;
  object: THREE.Object3D | Standing;
  /** Where the core has it in what it evaluates; below 0 where it has not. */
  slot: number;
  model?: ModelInstance;
  /** The piece it repeats, when it is an instance. */
  like?: Entity;
  /** Where a measurement was drawn from. */
  from?: [number, number, number];
}

/** What is called when something comes that was not there yet. */
export interface Coming {
  /** A picture of a surface: it is to be drawn again. */
  draw(): void;
  /** A model: whatever has its shape is to be made anew. */
  model(asset: string): void;
}

/** Makes what will stand for an entity; null for one that is not seen in the set. */
export function made(e: Entity, coming: Coming): Shown | null {
  const by = (object: Shown['object']): Shown => ({ entity: e, object, slot: -1 });
  switch (e.kind) {
    case 'piece':
      return piece(e, coming);
    case 'camera':
      return by(cameraIcon(e));
    case 'mark':
      return by(markIcon(e));
    case 'path':
      return by(pathLine(e));
    case 'light':
      return by(lightIcon(e));
    case 'measure':
      return { ...by(measureLine(e, e.from)), from: e.from };
    default:
      return null;
  }
}

function piece(p: Piece, coming: Coming): Shown {
  const { entities } = useSequence.getState();
  const like = p.shape.kind === 'instance' ? (entities[p.shape.of] as Piece | undefined) : undefined;
  const shape = like?.shape ?? p.shape;
  const draw = () => coming.draw();
  const by = { entity: p, like, slot: -1 };
  if (shape.kind === 'standIn') return { ...by, object: standIn(p, like, draw) };
  const object = new THREE.Group();
  const model = shape.kind === 'model' ? needModel(shape.asset, () => coming.model(shape.asset)) : undefined;
  if (shape.kind !== 'model' || !model) return { ...by, object };
  const instance = new ModelInstance(model, shape.unitM, shape.zUp);
  const finish = p.finish ?? like?.finish;
  if (finish) coat(instance.root, like ?? p, finish, draw);
  object.add(instance.root);
  return { ...by, object, model: instance };
}

/** The asset of the model that something has the shape of; null where it has another. */
export function modelOf({ entity, like }: Shown): string | null {
  const shape: Shape | null =
    like?.kind === 'piece' ? like.shape : entity.kind === 'piece' ? entity.shape : null;
  return shape?.kind === 'model' ? shape.asset : null;
}

/** The box about it, along the axes of the world. */
export function boxOf({ object }: Shown): THREE.Box3 {
  return object instanceof Standing ? object.box() : new THREE.Box3().setFromObject(object);
}

/**
 * Takes it out of the scene, and what was made for it alone off the graphics side. Pieces share their meshes; materials stay,
 * with the shaders that the next of their kind is drawn with.
 */
export function leave({ entity, object }: Shown): void {
  object.removeFromParent();
  if (entity.kind === 'piece' || object instanceof Standing) return;
  object.traverse((o) => {
    (o as THREE.Line).geometry?.dispose();
    if (o instanceof THREE.Sprite) o.material.map?.dispose();
  });
}
