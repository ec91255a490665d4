import { Choice } from '../kit/Choice';
import type { How } from '../doing/renders';
import { useSequence } from '../session/state';
import { ComingNames } from './ComingNames';

/** Which of the production's ways to call files a render takes, with what comes of it. */
export function NamesChoice({ how, onChange }: { how: How; onChange: (names: How['names']) => void }) {
  const { files } = useSequence((s) => s.header.standards.naming);
  const at = Math.max(
    0,
    files.findIndex((f) => f.name === how.names?.name),
  );
  return (
    <>
      <Choice
        label="Names"
        value={String(at)}
        options={files.map((f, i) => [String(i), f.name])}
        onChange={(v) => onChange(files[Number(v)])}
      />
      <ComingNames how={{ ...how, names: files[at] }} />
    </>
  );
}
