import { chooseCut } from '../doing/bring';
import { Pill } from '../kit/Pill';
import { Tip } from '../kit/Tip';
import { camerasOf } from '../session/cameras';
import { useSequence } from '../session/state';

/** Files for other programs. */
export function Files() {
  const id = useSequence((s) => s.id);
  const header = useSequence((s) => s.header);
  const entities = useSequence((s) => s.entities);
  const mayEdit = useSequence((s) => s.mayEdit);
  const cameras = camerasOf(entities);
  const sounds = Object.values(entities).some((e) => e.kind === 'sound');
  const at = `api/sequences/${id}/hand-over`;
  return (
    <>
      <div className="card files">
        <div className="card-head">
          <span className="card-name">The cut</span>
          {mayEdit ? (
            <Tip text="An .otio or .edl that comes back from an editor, looked at first">
              <Pill small onClick={chooseCut}>
                Read one …
              </Pill>
            </Tip>
          ) : null}
        </div>
        <a href={`${at}/cut.otio`} download>{`${header.code}.otio · OpenTimelineIO`}</a>
        <a href={`${at}/cut.edl`} download>{`${header.code}.edl · edit decision list`}</a>
        <a href={`${at}/shot-list.pdf`} download>{`${header.code}_shots.pdf · shot list to print`}</a>
        <a href={`${at}/shot-list.csv`} download>{`${header.code}_shots.csv · shot list as a table`}</a>
        {sounds ? <a href={`${at}/sound.wav`} download>{`${header.code}.wav · what is heard`}</a> : null}
      </div>
      <div className="card files">
        <div className="card-head">
          <span className="card-name">Cameras, baked on every frame</span>
        </div>
        {cameras.map((c) => (
          <div className="line" key={c.id}>
            <span className="badge" style={{ background: c.colour }}>
              {c.letter}
            </span>
            <span className="name grow">{c.name}</span>
            <a href={`${at}/cameras/${c.id}.usda`} download>
              .usda
            </a>
            <a href={`${at}/cameras/${c.id}.glb`} download>
              .glb
            </a>
          </div>
        ))}
      </div>
    </>
  );
}
