import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { palette } from '../theme/tokens';

/** The parts of a window that has too much for one page, one shown at a time. */
export function Leaves<T extends string>({
  name,
  value,
  of,
  onChoose,
}: {
  /** What they are parts of, for those who do not see it. */
  name: string;
  value: T;
  of: { value: T; shows: string }[];
  onChoose: (value: T) => void;
}) {
  return (
    <Tabs
      aria-label={name}
      value={value}
      onChange={(_, chosen: T) => onChoose(chosen)}
      sx={{
        minHeight: 34,
        marginBottom: '10px',
        borderBottom: `1px solid ${palette.raised}`,
        '& .MuiTab-root': { minHeight: 34, padding: '4px 14px', fontSize: 13, color: palette.soft },
        '& .MuiTab-root.Mui-selected': { color: palette.paper },
        '& .MuiTabs-indicator': { height: 3, borderRadius: 2, background: palette.coral },
      }}
    >
      {of.map((l) => (
        <Tab key={l.value} value={l.value} label={l.shows} />
      ))}
    </Tabs>
  );
}
