import InputBase from '@mui/material/InputBase';
import type { ChangeEvent, Ref } from 'react';

/** A colour to choose, as the browser offers it. */
export function Colour({
  label,
  value,
  onChange,
  ref,
}: {
  label: string;
  value: string;
  onChange: (e: ChangeEvent<HTMLInputElement>) => void;
  ref?: Ref<HTMLInputElement>;
}) {
  return (
    <InputBase
      type="color"
      value={value}
      onChange={onChange as never}
      inputRef={ref}
      slotProps={{ input: { 'aria-label': label } }}
      sx={{
        flex: 'none !important',
        '& .MuiInputBase-input': { width: 34, height: 22, p: 0, cursor: 'pointer', background: 'none' },
      }}
    />
  );
}
