import type { Camera } from '../core/types';
import { useChannels } from '../fields/NumberField';
import { CameraCard } from '../frame/CameraCard';
import { CompositionCard } from '../frame/CompositionCard';
import { FocusCard } from '../frame/FocusCard';
import { LensCard } from '../frame/LensCard';
import { RigStack } from '../rig/RigStack';
import { useSequence } from '../session/state';

/** A camera's equipment, with the cards that a desk has use for. */
export function CameraPanel({ camera }: { camera: Camera }) {
  const channels = useChannels(camera.id);
  const framing = useSequence((s) => s.desk === 'frame');
  return (
    <RigStack
      camera={camera}
      optics={
        <>
          <LensCard camera={camera} channels={channels.filter((c) => !c.address.includes('/'))} />
          {framing ? <FocusCard camera={camera} /> : null}
        </>
      }
      picture={framing ? <CompositionCard camera={camera} /> : null}
      body={framing ? <CameraCard camera={camera} /> : null}
    />
  );
}
