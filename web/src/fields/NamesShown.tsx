import { useId } from 'react';
import { Fault } from './Fault';
import './fields.css';

/** As many names are shown; of more it is said how many. */
const SHOWN = 3;

/** How files will be called, or what is wrong with that. */
export function NamesShown({ names, fault }: { names: string[]; fault: string }) {
  const id = useId();
  if (fault) return <Fault id={id} text={fault} />;
  return (
    <p className="says mono file-name" title={names.join('\n')}>
      {names.slice(0, SHOWN).map((name) => (
        <span key={name}>{name}</span>
      ))}
      {names.length > SHOWN ? <span>{`and ${names.length - SHOWN} more of a frame`}</span> : null}
    </p>
  );
}
