import { Choose } from './Choose';

/** A labelled choice in one line. */
export function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: string;
  options: [string, string][];
  onChange: (v: string) => void;
}) {
  return (
    <div className="line">
      <span className="line-label">{label}</span>
      <Choose aria-label={label} value={value} onChange={(e) => onChange(e.target.value)}>
        {options.map(([v, name]) => (
          <option key={v} value={v}>
            {name}
          </option>
        ))}
      </Choose>
    </div>
  );
}
