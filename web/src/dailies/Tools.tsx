import type { RenderShown } from '../doing/renderJobs';
import { Choice } from '../kit/Choice';
import { Pill } from '../kit/Pill';
import { Segments } from '../kit/Segments';
import { Tip } from '../kit/Tip';
import { versionsOf, type What } from './list';
import type { Channel, Together } from './screen';

/** What is compared with: the lens view as it is now. */
export const LIVE = 'live';

/** Pixels of the screen for one of the picture; 0 for all of it. */
export const ZOOMS = [0, 1, 2, 4, 8];

/** What is played, and how it is looked at. */
export interface Look {
  what: What;
  /** Id of the render beside it, {@link LIVE}, or ''. */
  other: string;
  together: Together;
  stops: number;
  channel: Channel;
  layer: string | null;
  zoom: number;
}

export const PLAIN: Look = {
  what: 'version',
  other: '',
  together: 'wipe',
  stops: 0,
  channel: 'rgb',
  layer: null,
  zoom: 0,
};

export const named = (j: RenderShown) => `${j.label} v${j.numbered}${j.preview ? ', preview' : ''}`;

/** What is played, beside what, and how it is looked at. */
export function Tools({
  job,
  jobs,
  look: { what, other, together, stops, channel, layer, zoom },
  layers,
  onLook,
}: {
  job: RenderShown;
  jobs: RenderShown[];
  look: Look;
  /** Of its file, by name; '' is the picture. */
  layers: string[];
  onLook: (to: Partial<Look>) => void;
}) {
  return (
    <div className="dailies-tools">
      <Segments<What>
        name="What is played"
        value={what}
        of={[
          { value: 'version', shows: 'This one' },
          {
            value: 'versions',
            shows: 'Its versions',
            tip: 'One after the other, from the first on',
            disabled: versionsOf(job, jobs).length < 2,
          },
          { value: 'reel', shows: 'The reel', tip: 'Of each shot the newest' },
        ]}
        onChoose={(w) => onLook({ what: w })}
      />
      <Choice
        label="Beside"
        value={other}
        options={[
          ['', 'Nothing'],
          [LIVE, 'The lens view as it is now'],
          ...jobs.filter((j) => j.id !== job.id).map((j): [string, string] => [j.id, named(j)]),
        ]}
        onChange={(o) => onLook({ other: o })}
      />
      {other ? (
        <Segments<Together>
          name="Seen together"
          value={together}
          of={[
            { value: 'wipe', shows: 'Wipe', tip: 'Drag the line in the picture' },
            { value: 'beside', shows: 'Side by side' },
            { value: 'difference', shows: 'Difference', tip: 'Four times brought out; black is the same' },
            { value: 'turns', shows: 'In turns' },
          ]}
          onChoose={(t) => onLook({ together: t })}
        />
      ) : null}
      {layers.length > 1 ? (
        <Choice
          label="Layer"
          value={layer !== null && layers.includes(layer) ? layer : ''}
          options={layers.map((l) => [l, l || 'Picture'])}
          onChange={(l) => onLook({ layer: l || null })}
        />
      ) : null}
      <Segments<Channel>
        name="Colours"
        value={channel}
        of={[
          { value: 'rgb', shows: 'All' },
          { value: 'r', shows: 'R' },
          { value: 'g', shows: 'G' },
          { value: 'b', shows: 'B' },
          { value: 'grey', shows: 'Grey' },
        ]}
        onChoose={(c) => onLook({ channel: c })}
      />
      <Choice
        label="Zoom"
        value={String(zoom)}
        options={ZOOMS.map((z) => [String(z), z ? `${z} : 1` : 'All of it'])}
        onChange={(z) => onLook({ zoom: Number(z) })}
      />
      <span className="line" role="group" aria-label="Exposure">
        <Tip text="One stop darker (arrow down)">
          <Pill small aria-label="Darker" onClick={() => onLook({ stops: stops - 1 })}>
            −
          </Pill>
        </Tip>
        <span className="mono">{`${stops > 0 ? '+' : ''}${stops} stops`}</span>
        <Tip text="One stop lighter (arrow up)">
          <Pill small aria-label="Lighter" onClick={() => onLook({ stops: stops + 1 })}>
            +
          </Pill>
        </Tip>
      </span>
    </div>
  );
}
