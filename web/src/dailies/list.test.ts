import { expect, test } from 'vitest';
import type { RenderShown } from '../doing/renderJobs';
import { listOf, reelOf, versionsOf } from './list';
import type { Place } from './frames';

const job = (id: string, label: string, numbered: number, total: number): RenderShown =>
  ({ id, label, numbered, total, preview: false, done: total, film: true }) as RenderShown;

const place = (code: string, scene: number): Place => ({ code, scene, frame: scene, camera: 'a', take: 't' });

test('versions are played from the first on, those of other names are not', () => {
  const jobs = [job('c', 'one', 2, 2), job('b', 'two', 1, 9), job('a', 'one', 1, 3)];
  expect(versionsOf(jobs[0], jobs).map((j) => j.id)).toEqual(['a', 'c']);
  expect(listOf('versions', jobs[0], jobs, () => []).map((p) => p.job.id + p.number)).toEqual([
    'a1',
    'a2',
    'a3',
    'c1',
    'c2',
  ]);
});

test('the reel has the newest of each shot, without handles', () => {
  const jobs = [job('new', 'two', 2, 4), job('cut', 'Cut', 1, 4)];
  const places = {
    new: [1009, 1010, 1011, 1012].map((s) => place('S_20', s)),
    cut: [place('S_10', 1001), place('S_10', 1002), place('S_20', 1010), place('S_20', 1011)],
  };
  const reel = reelOf(
    [
      { code: 'S_20', first: 1010, last: 1011 },
      { code: 'S_10', first: 1001, last: 1002 },
      { code: 'S_30', first: 1, last: 2 },
    ],
    jobs,
    places,
  );
  expect(reel.map((p) => p.job.id + p.number)).toEqual(['new2', 'new3', 'cut1', 'cut2']);
});
