import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { type GivenRole, ROLES } from './people';

/** Chooses what somebody may do. */
export function RoleField({
  label,
  value,
  disabled = false,
  onChange,
}: {
  label: string;
  value: GivenRole;
  disabled?: boolean;
  onChange: (role: GivenRole) => void;
}) {
  return (
    <TextField
      select
      size="small"
      value={value}
      disabled={disabled}
      onChange={(e) => onChange(e.target.value as GivenRole)}
      slotProps={{
        htmlInput: { 'aria-label': label },
        select: {
          renderValue: (v) => ROLES.find((r) => r.id === v)?.name,
          MenuProps: { transitionDuration: 0 },
        },
      }}
      sx={{ width: 130, flexShrink: 0 }}
    >
      {ROLES.map((r) => (
        <MenuItem key={r.id} value={r.id}>
          <span>
            {r.name}
            <Typography variant="caption" sx={{ display: 'block', color: 'text.secondary' }}>
              {r.says}
            </Typography>
          </span>
        </MenuItem>
      ))}
    </TextField>
  );
}
