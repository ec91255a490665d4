import type { ReactNode } from 'react';
import Checkbox, { type CheckboxProps } from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { styled } from '@mui/material/styles';
import { palette } from '../theme/tokens';

const Line = styled(FormControlLabel)({
  display: 'flex',
  gap: 7,
  margin: '4px 0',
  '& .MuiFormControlLabel-label, & .MuiFormControlLabel-label.Mui-disabled': {
    fontSize: 12.5,
    lineHeight: 1.4,
    color: 'inherit',
  },
});

const Box = styled(Checkbox)({
  padding: 0,
  '& svg': { width: 19, height: 19, background: 'none' },
  '&.Mui-checked': { color: palette.teal },
  '&.Mui-disabled': { opacity: 0.55 },
});

/** Something that is so or is not, in words beside a box. */
export function Tick({ children, ...props }: CheckboxProps & { children: ReactNode }) {
  return <Line control={<Box size="small" {...props} />} label={children} />;
}
