import type { Counts, FileNames } from '../core/types';
import { FileNameExample } from '../fields/FileNameExample';
import { Choice } from '../kit/Choice';
import { Pill } from '../kit/Pill';
import { Words } from '../kit/Words';
import './standards.css';

const COUNTS: [Counts, string][] = [
  ['shot', 'from 1001 in each shot'],
  ['scene', 'by the scene'],
  ['programme', 'by the programme'],
];

/** Ways to call rendered files, the usual one first, each with what comes of it. */
export function FilesNamed({
  files,
  mayEdit,
  onChange,
}: {
  files: FileNames[];
  mayEdit: boolean;
  onChange: (files: FileNames[]) => void;
}) {
  const at = (i: number, by: Partial<FileNames>) =>
    onChange(files.map((f, k) => (k === i ? { ...f, ...by } : f)));
  return (
    <>
      <p className="says">
        {
          'Rendered files, the usual way first. There are {production}, {sequence}, {shot}, {take}, {camera}, {version}, {date} and {user}; {pass} and {light} put what OpenEXR keeps into files of their own; #### is the frame, / makes a folder.'
        }
      </p>
      {files.map((f, i) => (
        <div className="file-names" key={i} role="group" aria-label={`Files: ${f.name}`}>
          <div className="line">
            <Words
              aria-label="Name of this way"
              value={f.name}
              disabled={!mayEdit}
              onChange={(e) => at(i, { name: e.target.value })}
            />
            {mayEdit && files.length > 1 ? (
              <Pill small onClick={() => onChange(files.filter((_, k) => k !== i))}>
                Take away
              </Pill>
            ) : null}
          </div>
          <Words
            className="mono"
            aria-label="Pattern of file names"
            value={f.pattern}
            disabled={!mayEdit}
            onChange={(e) => at(i, { pattern: e.target.value })}
          />
          <FileNameExample of={f} />
          <Choice
            label="Frames count"
            value={f.counts}
            options={COUNTS}
            onChange={(v) => at(i, { counts: v as Counts })}
          />
        </div>
      ))}
      {mayEdit ? (
        <Pill
          small
          onClick={() => onChange([...files, { ...files[0], name: `Another way ${files.length + 1}` }])}
        >
          Another way
        </Pill>
      ) : null}
    </>
  );
}
