import { useId } from 'react';
import type { FileNames } from '../core/types';
import { useCore } from '../session/evaluated';
import { Fault } from './Fault';
import './fields.css';

/** What the file of a first frame would be called, or what is wrong with the pattern. */
export function FileNameExample({ of }: { of: FileNames }) {
  const id = useId();
  const said = useCore((core) => core.fileName(of.pattern, of.counts, 'Production', 'who'));
  return said.fault ? (
    <Fault id={id} text={said.fault} />
  ) : (
    <p className="says mono file-name">{said.name}</p>
  );
}
