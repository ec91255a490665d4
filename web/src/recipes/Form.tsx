import { Choice } from '../kit/Choice';
import { TextNumber } from '../fields/TextNumber';
import { Tick } from '../kit/Tick';
import { Words } from '../kit/Words';
import { useSequence } from '../session/state';
import type { Entity } from '../core/types';
import { choose, useRunning } from './running';
import type { Declared } from './vocabulary/parameters';

const KINDS: Record<'subject' | 'camera' | 'path', Entity['kind'][]> = {
  subject: ['piece', 'mark', 'camera'],
  camera: ['camera'],
  path: ['path'],
};

/** What a recipe asks for. */
export function Form() {
  const declared = useRunning((s) => s.declared);
  const chosen = useRunning((s) => s.chosen);
  const entities = useSequence((s) => s.entities);
  const names = Object.keys(declared);
  if (!names.length) return null;
  return (
    <div className="recipe-form" role="group" aria-label="What the recipe is about">
      {names.map((name) => (
        <One
          key={name}
          of={declared[name]}
          value={chosen[name]}
          entities={entities}
          onChange={(v) => choose(name, v)}
        />
      ))}
    </div>
  );
}

function One({
  of: d,
  value,
  entities,
  onChange,
}: {
  of: Declared;
  value: unknown;
  entities: Record<string, Entity>;
  onChange: (v: unknown) => void;
}) {
  switch (d.form) {
    case 'number':
      return (
        <TextNumber
          label={d.label}
          unit={d.unit || 'factor'}
          value={typeof value === 'number' ? value : d.usual}
          onChange={onChange}
        />
      );
    case 'text':
      return (
        <label className="line">
          <span className="line-label">{d.label}</span>
          <Words
            aria-label={d.label}
            value={typeof value === 'string' ? value : d.usual}
            onChange={(e) => onChange(e.target.value)}
          />
        </label>
      );
    case 'tick':
      return (
        <Tick
          checked={typeof value === 'boolean' ? value : d.usual}
          onChange={(e) => onChange(e.target.checked)}
        >
          {d.label}
        </Tick>
      );
    case 'choice':
      return (
        <Choice
          label={d.label}
          value={typeof value === 'string' ? value : d.usual}
          options={d.of.map((x) => [x, x])}
          onChange={onChange}
        />
      );
    case 'subject':
    case 'camera':
    case 'path': {
      const all = Object.values(entities)
        .filter((e) => KINDS[d.form].includes(e.kind))
        .sort((a, b) => a.name.localeCompare(b.name));
      return (
        <Choice
          label={d.label}
          value={typeof value === 'string' && entities[value] ? value : ''}
          options={[
            ['', all.length ? 'Choose …' : 'There is none yet'],
            ...all.map((e): [string, string] => [
              e.id,
              e.kind === 'camera' ? `${e.letter}  ${e.name}` : e.name,
            ]),
          ]}
          onChange={onChange}
        />
      );
    }
  }
}
