import InputBase from '@mui/material/InputBase';
import { palette } from '../theme/tokens';
import type { InputHTMLAttributes, Ref } from 'react';

/** A line of words to type. It takes what an input takes; where it stands says how it looks. */
export function Words({
  className,
  style,
  ref,
  disabled,
  autoFocus,
  ...input
}: Omit<InputHTMLAttributes<HTMLInputElement>, 'size'> & { ref?: Ref<HTMLInputElement> }) {
  return (
    <InputBase
      className={`words ${className ?? ''}`}
      style={style}
      disabled={disabled}
      autoFocus={autoFocus}
      inputRef={ref}
      sx={{
        font: 'inherit',
        color: 'inherit',
        '&:focus-within': { outline: `2px solid ${palette.marigold}`, outlineOffset: 1 },
        '& .MuiInputBase-input': { padding: 0, height: 'auto', textAlign: 'inherit', outline: 'none' },
        '& .MuiInputBase-input::placeholder': { color: '#93a0b5', opacity: 1 },
      }}
      slotProps={{ input }}
    />
  );
}
