import { useState } from 'react';
import { Choice } from '../kit/Choice';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { askRender, type What } from '../doing/renders';
import { useSettings } from '../session/settings';
import { useSequence } from '../session/state';
import { ChosenShots } from './ChosenShots';
import { Keeping, PICTURES } from './Keeping';

/** Asking for a render: of what, how large and how fine. */
export function RenderCard({ onAsked }: { onAsked: () => void }) {
  const [percent, setPercent] = useState('25');
  const [samples, setSamples] = useState('16');
  const [handles, setHandles] = useState(false);
  const [motionBlur, setMotionBlur] = useState(true);
  const [kept, setKept] = useState(PICTURES);
  const handleFrames = useSequence((s) => s.header.standards.beginning.handleFrames);
  const p = useSettings().cameraPackage;
  const ask = async (what: What) => {
    const how = { percent: Number(percent), samples: Number(samples), handles, motionBlur, kept };
    if (await askRender(what, how)) onAsked();
  };
  const size = (v: number) =>
    // as the server makes it: whole pixels, never more than the share
    `${v} % · ${Math.floor((p.deliveryWidth * v) / 100)} × ${Math.floor((p.deliveryHeight * v) / 100)}`;
  return (
    <div className="card">
      <Choice
        label="Size"
        value={percent}
        options={['10', '25', '50', '100'].map((v) => [v, size(Number(v))])}
        onChange={setPercent}
      />
      <Choice
        label="Quality"
        value={samples}
        options={[
          ['4', 'Sketch · 4 lens rays a pixel'],
          ['16', 'Draft · up to 16'],
          ['64', 'Fine · up to 64'],
          ['256', 'Final · up to 256'],
        ]}
        onChange={setSamples}
      />
      <Keeping kept={kept} onChange={setKept} />
      {handleFrames ? (
        <Tick checked={handles} onChange={(e) => setHandles(e.target.checked)}>
          {`Shots with their handles: ${handleFrames} frames more at each end`}
        </Tick>
      ) : null}
      <Tick checked={motionBlur} onChange={(e) => setMotionBlur(e.target.checked)}>
        Motion blur, of cameras that have it switched on
      </Tick>
      <div className="line" style={{ flexWrap: 'wrap' }}>
        <Pill tone="coral" wide onClick={() => void ask('cut')}>
          Render the cut
        </Pill>
        <ChosenShots verb="Render" onAsk={(shots) => void ask({ shots })} />
        <Pill wide onClick={() => void ask('shot')}>
          This shot
        </Pill>
        <Pill wide onClick={() => void ask('frame')}>
          This frame
        </Pill>
      </div>
    </div>
  );
}
