import { useId } from 'react';
import { Fault } from './Fault';
import './fields.css';

/** As many names are shown; of more it is said how many. */
const SHOWN = 3;

/**
 * How files will be called, or what is wrong with that.
 *
 * @param of what they are of, in words, where that is not plain
 */
export function NamesShown({ names, fault, of }: { names: string[]; fault: string; of?: string }) {
  const id = useId();
  if (fault) return <Fault id={id} text={fault} />;
  return (
    <p className="says mono file-name" title={names.join('\n')}>
      {of && names.length ? <span className="muted">{of}</span> : null}
      {names.slice(0, SHOWN).map((name) => (
        <span key={name}>{name}</span>
      ))}
      {names.length > SHOWN ? <span>{`and ${names.length - SHOWN} more of a frame`}</span> : null}
    </p>
  );
}
