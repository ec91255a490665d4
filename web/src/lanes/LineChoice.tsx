import type { ActionLine } from '../core/types';
import { Bare } from '../kit/Bare';
import { Choose } from '../kit/Choose';
import { Tip } from '../kit/Tip';
import { edit } from '../session/document';
import { useCoreStill } from '../session/evaluated';
import { newId } from '../session/ids';
import { useSequence } from '../session/state';

/** Between whom the line of action runs; cuts are held against it, and it lies in the set view. */
export function LineChoice() {
  const entities = useSequence((s) => s.entities);
  const mayEdit = useSequence((s) => s.mayEdit);
  const line = Object.values(entities).find((e): e is ActionLine => e.kind === 'actionLine');
  const subjects = useCoreStill((c) => c.subjects());
  if (subjects.length < 2) return null;
  const put = (by: Partial<ActionLine>) => {
    const [first, second] = [by.first ?? line?.first ?? subjects[0], by.second ?? line?.second];
    const other = second && second !== first ? second : subjects.find((id) => id !== first)!;
    const entity = {
      kind: 'actionLine' as const,
      id: line?.id ?? newId('line'),
      name: 'Line of action',
      first,
      second: other,
    };
    edit('Line of action', line ? { kind: 'replace', entity } : { kind: 'add', entity });
  };
  const side = (label: string, value: string, key: 'first' | 'second') => (
    <Choose
      aria-label={label}
      disabled={!mayEdit}
      value={value}
      onChange={(e) => e.target.value && put({ [key]: e.target.value })}
    >
      {line ? null : <option value="">whoever is largest</option>}
      {subjects.map((id) => (
        <option key={id} value={id}>
          {entities[id]?.name}
        </option>
      ))}
    </Choose>
  );
  return (
    <div className="line-choice">
      <Tip text="Cameras that are cut to and fro stay on one side of it. It lies in the set view, with the letters of each side">
        <span>Line between</span>
      </Tip>
      {side('Line of action from', line?.first ?? '', 'first')}
      <span>and</span>
      {side('Line of action to', line?.second ?? '', 'second')}
      {line ? (
        <Tip text="Between whoever is largest in both pictures">
          <Bare
            aria-label="No line of action"
            disabled={!mayEdit}
            onClick={() => edit('No line of action', { kind: 'remove', ids: [line.id], letGo: true })}
          >
            ×
          </Bare>
        </Tip>
      ) : null}
    </div>
  );
}
