import { expect, test } from 'vitest';
import type { Camera, Command, Entity } from '../core/types';
import { recorded } from './record';
import { faults } from './typing/service';

const A = { kind: 'camera', id: 'camA', name: 'Crane', letter: 'A' } as Camera;
const PIM = { kind: 'piece', id: 'pim', name: "Pim's" } as Entity;
const entities = { camA: A, pim: PIM };

test('what was done by hand is written as it would be by a person', () => {
  const commands: Command[] = [
    { kind: 'setChannel', id: 'camA', channel: 'focalLength', value: 35 },
    { kind: 'setValue', id: 'camA', channel: 'head/pan', frame: 1010, value: 12.5, key: true },
    { kind: 'rename', id: 'pim', name: 'Pim' },
    { kind: 'show', ids: ['pim'], shown: false },
    { kind: 'level', camera: 'camA', frame: 1001, key: false },
  ];
  const text = recorded(commands, entities);
  expect(text.split('\n')).toEqual([
    "kite.cameraCalled('A').set('focalLength', 35);",
    "kite.cameraCalled('A').key('head/pan', 1010, 12.5);",
    "kite.find('pim').rename('Pim');",
    "kite.find('Pim\\'s').show(false);",
    "kite.command.level({ camera: 'camA', frame: 1001, key: false });",
  ]);
  expect(faults(text)).toEqual([]);
});
