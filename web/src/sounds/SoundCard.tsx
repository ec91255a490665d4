import type { Sound } from '../core/types';
import { putSound, removeSound, splitSound } from '../doing/sounds';
import { TextNumber } from '../fields/TextNumber';
import { Editing } from '../kit/Editing';
import { Pill } from '../kit/Pill';
import { Tick } from '../kit/Tick';
import { Words } from '../kit/Words';
import { edit } from '../session/document';
import { core, useCoreStill } from '../session/evaluated';
import { editProposed } from '../session/proposals';
import { framesPerSecond, useSettings } from '../session/settings';
import { goToReel } from '../session/time';
import './sounds.css';

/** All that there is to a sound: where it is heard, how much of its recording, how loud. */
export function SoundCard({ sound }: { sound: Sound }) {
  const fps = framesPerSecond(useSettings());
  const lasts = useCoreStill((c) => c.showNumber(sound.recordingS, 'seconds'));
  const seconds = (label: string, value: number, did: string, change: (v: number) => Partial<Sound>) => (
    <TextNumber
      label={label}
      unit="seconds"
      value={value}
      onChange={(v) => putSound(did, sound, change(v))}
    />
  );
  return (
    <>
      <div className="panel-head">
        <span className="name grow">{sound.name}</span>
        <span className="muted">Sound</span>
      </div>
      <div className="scroll">
        <Editing>
          <div className="card" data-card="sound">
            <div className="card-head">
              <span className="card-name">Sound</span>
            </div>
            <label className="line">
              <span className="line-label">Name</span>
              <Words
                aria-label="Name of the sound"
                defaultValue={sound.name}
                key={sound.name}
                onKeyDown={(e) => {
                  e.stopPropagation();
                  if (e.key === 'Enter') e.currentTarget.blur();
                }}
                onBlur={(e) => {
                  const name = e.target.value.trim();
                  if (name === sound.name) return;
                  if (!name || !edit(`Call it ${name}`, { kind: 'rename', id: sound.id, name }))
                    e.target.value = sound.name;
                }}
              />
            </label>
            <div className="sound-numbers">
              <TextNumber
                label="On frame"
                unit="frame"
                value={sound.at}
                onChange={(at) => putSound(`Move ${sound.name}`, sound, { at })}
              />
              {seconds('Lasts', sound.lastsS, `${sound.name}: length`, (lastsS) => ({ lastsS }))}
              {seconds('From, of the recording', sound.fromS, `Slip ${sound.name}`, (fromS) => ({ fromS }))}
              <TextNumber
                label="Gain"
                unit="decibels"
                value={sound.gainDb}
                onChange={(gainDb) => putSound(`Gain of ${sound.name}`, sound, { gainDb })}
              />
              {seconds('Comes up in', sound.fadeInS, `${sound.name} comes up`, (fadeInS) => ({ fadeInS }))}
              {seconds('Goes down in', sound.fadeOutS, `${sound.name} goes down`, (fadeOutS) => ({
                fadeOutS,
              }))}
            </div>
            <Tick
              checked={sound.muted}
              onChange={(e) => putSound(`Mute ${sound.name}`, sound, { muted: e.target.checked })}
            >
              Muted
            </Tick>
            <p className="muted sound-says">{`The recording has ${lasts}. What is heard stays where it is when shots before it change their length.`}</p>
            <span className="line">
              <Pill onClick={() => goToReel(sound.at)}>Go there</Pill>
              <Pill onClick={() => splitSound(sound)}>Split here</Pill>
              <Pill
                onClick={() =>
                  editProposed(`All of ${sound.name}`, () =>
                    core().trimSound(
                      sound.id,
                      -sound.fromS * fps,
                      (sound.recordingS - sound.fromS - sound.lastsS) * fps,
                    ),
                  )
                }
              >
                All of it
              </Pill>
              <span className="grow" />
              <Pill onClick={() => removeSound(sound)}>Remove</Pill>
            </span>
          </div>
        </Editing>
      </div>
    </>
  );
}
