import { Pill } from '../kit/Pill';
import { PlainWindow } from '../kit/PlainWindow';
import { closeWindow, openWindow } from '../session/windows';

/** Asks whether the set or the cameras of a file are wanted, where it has both. */
export function StageWindow({
  file,
  files,
  cameras,
  meshes,
}: {
  file: File;
  files: File[];
  cameras: number;
  meshes: number;
}) {
  return (
    <PlainWindow name="What is to come in" title={file.name} onClose={closeWindow}>
      <p className="says">There is a set in it, and there are cameras. What is to come in?</p>
      <div className="line">
        <Pill tone="coral" autoFocus onClick={() => openWindow({ kind: 'model', files })}>
          {meshes === 1 ? 'The set: 1 mesh' : `The set: ${meshes} meshes`}
        </Pill>
        <Pill onClick={() => openWindow({ kind: 'track', file })}>
          {cameras === 1 ? 'Its camera' : `${cameras} cameras`}
        </Pill>
      </div>
    </PlainWindow>
  );
}
