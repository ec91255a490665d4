import { Fold } from '../kit/Fold';
import { useSequence } from '../session/state';
import { fileOf, type PackageShown } from './packages';

const when = (iso: string) =>
  new Date(iso).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  });

/** As many bytes, in words. */
function size(bytes: number): string {
  if (bytes < 1000) return `${bytes} B`;
  if (bytes < 1e6) return `${Math.round(bytes / 1000)} kB`;
  return bytes < 1e9 ? `${(bytes / 1e6).toFixed(1)} MB` : `${(bytes / 1e9).toFixed(1)} GB`;
}

/** What is a count of things, in words; nothing for none. */
const some = (n: number, what: string) => (n ? [`${n} ${what}`] : []);

/** Files by the folder they lie in. */
function folders<T extends { path: string }>(files: T[]): [string, T[]][] {
  const all = new Map<string, T[]>();
  for (const f of files) {
    const folder = f.path.slice(0, f.path.lastIndexOf('/'));
    all.set(folder, [...(all.get(folder) ?? []), f]);
  }
  return [...all];
}

/** One package: what it holds, what has changed in it, and its file. */
export function Package({ shown }: { shown: PackageShown }) {
  const id = useSequence((s) => s.id);
  const m = shown.manifest;
  const since = m?.since;
  const pointedOut = m?.checks.filter((c) => c.accepted === null).length ?? 0;
  const isNew = new Set([...(since?.added ?? []), ...(since?.changed ?? [])]);
  return (
    <div className="job" data-package={shown.number}>
      <div className="line" style={{ margin: 0 }}>
        <strong className="grow">
          Package <span className="mono muted">v{shown.number}</span>
        </strong>
        <span className="muted">{`${shown.by}, ${when(shown.at)}`}</span>
      </div>
      {m ? (
        <span className="muted">
          {[
            `${m.files.length} files, ${size(m.files.reduce((sum, f) => sum + f.bytes, 0))}`,
            ...some(m.shots.length, m.shots.length === 1 ? 'shot' : 'shots'),
            ...some(pointedOut, pointedOut === 1 ? 'thing was pointed out' : 'things were pointed out'),
          ].join(' · ')}
        </span>
      ) : (
        <span className="muted">Being written, or its file was never fetched to its end.</span>
      )}
      {since ? (
        <span className="package-since">
          {`Since v${since.number}: ` +
            ([
              ...some(since.added.length, 'new'),
              ...some(since.changed.length, 'changed'),
              ...some(since.removed.length, 'gone'),
              ...some(since.same.length, since.leftOut ? 'the same, left out' : 'the same'),
            ].join(', ') || 'nothing')}
        </span>
      ) : null}
      {m ? (
        <Fold title="What is in it">
          <div className="package-files">
            {folders(m.files).map(([folder, files]) => (
              <div key={folder}>
                <div className="muted">{folder}/</div>
                {files.map((f) => (
                  <div key={f.path} className="line" title={`SHA-256 ${f.sha256}`}>
                    <span className="name grow">{f.path.slice(folder.length + 1)}</span>
                    {isNew.has(f.path) ? (
                      <span className="job-kind">{since?.added.includes(f.path) ? 'new' : 'changed'}</span>
                    ) : null}
                    <span className="mono muted">{size(f.bytes)}</span>
                  </div>
                ))}
              </div>
            ))}
          </div>
        </Fold>
      ) : null}
      <div className="files">
        <a href={fileOf(id, shown.number)} download>
          All of it, as one .zip
        </a>
      </div>
    </div>
  );
}
