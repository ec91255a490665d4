import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useSequence } from '../session/state';
import { shownTime } from '../session/time';
import { Ruler } from './Ruler';
import { toX, zoomed, type Scale } from './scale';
import './lanes.css';

/** Width of what stands before the lanes. */
const HEAD = 200;

/** Lanes below a ruler of the time that is shown, with the playhead through them. */
export function TimeBox({
  first,
  last,
  head,
  lanes,
  below = () => null,
}: {
  /** The first and the last frame of that time. */
  first: number;
  last: number;
  /** What stands before the ruler. */
  head: ReactNode;
  /**
   * The lanes.
   *
   * @param room height of what can be seen of them, pixels
   */
  lanes: (scale: Scale, room: number) => ReactNode;
  below?: (scale: Scale) => ReactNode;
}) {
  const [range, setRange] = useState({ first, last });
  const [width, setWidth] = useState(600);
  const [room, setRoom] = useState(200);
  const at = useSequence(shownTime);
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => setRange({ first, last }), [first, last]);
  useEffect(() => {
    const o = new ResizeObserver(([e]) => {
      setWidth(Math.max(100, e.contentRect.width - HEAD));
      setRoom(e.contentRect.height);
    });
    o.observe(box.current!);
    return () => o.disconnect();
  }, []);
  const scale: Scale = { ...range, width };
  return (
    <>
      <div className="lanes" ref={box}>
        <div className="lanes-all">
          <Ruler
            head={head}
            scale={scale}
            onZoom={(about, by) => setRange(zoomed(scale, about, by, first, last))}
          />
          {lanes(scale, room)}
          <div
            className="playhead"
            style={{ left: HEAD + toX(scale, at) + 0.5 * (toX(scale, 1) - toX(scale, 0)) }}
          />
        </div>
      </div>
      {below(scale)}
    </>
  );
}
