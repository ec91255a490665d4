import type { FileNames } from '../core/types';
import { FileNameExample } from '../fields/FileNameExample';
import { Choice } from '../kit/Choice';
import { useSequence } from '../session/state';

/** Which of the production's ways to call files a render takes, with what comes of it. */
export function NamesChoice({
  chosen,
  onChange,
}: {
  chosen: FileNames | null;
  onChange: (names: FileNames | null) => void;
}) {
  const { files } = useSequence((s) => s.header.standards.naming);
  const at = Math.max(
    0,
    files.findIndex((f) => f.name === chosen?.name),
  );
  return (
    <>
      <Choice
        label="Names"
        value={String(at)}
        options={files.map((f, i) => [String(i), f.name])}
        onChange={(v) => onChange(files[Number(v)])}
      />
      <FileNameExample of={files[at]} />
    </>
  );
}
