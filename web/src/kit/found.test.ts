import { describe, expect, it } from 'vitest';
import { found } from './found';

const named = (name: string, group?: string) => ({ id: name, name, group });
const names = (all: { name: string }[]) => all.map((t) => t.name);

describe('what is found by typing', () => {
  it('has every word, in whatever order', () => {
    const all = [named('Add a camera'), named('Cut to camera A'), named('Camera from the set view')];
    expect(names(found(all, 'camera add', 9))).toEqual(['Add a camera']);
    expect(names(found(all, '', 2))).toEqual(['Add a camera', 'Cut to camera A']);
  });

  it('comes first where it begins as typed, then where it has it as typed', () => {
    const all = [
      named('Set the frame'),
      named('Keyboard to the frame'),
      named('Frame desk'),
      named('The set'),
    ];
    expect(names(found(all, 'frame', 9))).toEqual(['Frame desk', 'Set the frame', 'Keyboard to the frame']);
    expect(names(found(all, 'the set', 9))).toEqual(['The set', 'Set the frame']);
  });

  it('stays under its heading, the heading with the best first', () => {
    const all = [
      named('Dolly zoom on Oda', 'Cameras'),
      named('Oda', 'Subjects'),
      named('Old oda', 'Subjects'),
      named('Where Oda was', 'Marks'),
    ];
    expect(names(found(all, 'oda', 9))).toEqual(['Oda', 'Old oda', 'Dolly zoom on Oda', 'Where Oda was']);
    expect(names(found(all, 'marks', 9))).toEqual(['Where Oda was']);
  });
});
