import NativeSelect, { type NativeSelectProps } from '@mui/material/NativeSelect';
import { styled } from '@mui/material/styles';
import { palette } from '../theme/tokens';

const Root = styled(NativeSelect)({
  minWidth: 0,
  font: 'inherit',
  fontSize: 12.5,
  color: 'inherit',
  background: palette.deep,
  borderRadius: 8,
  '& .MuiNativeSelect-select': { padding: '4px 24px 4px 8px', minWidth: 0, borderRadius: 8 },
  '& .MuiNativeSelect-select:focus': { background: 'none', borderRadius: 8 },
  '& .MuiNativeSelect-select option': { background: palette.panel },
  '& .MuiNativeSelect-icon': { color: palette.soft, width: 18, top: 'calc(50% - 9px)' },
  '&.Mui-disabled, & .Mui-disabled': { opacity: 0.55 },
});

/** One of several, from the list that the machine itself shows. */
export function Choose({ 'aria-label': label, ...props }: NativeSelectProps) {
  return <Root disableUnderline inputProps={{ 'aria-label': label }} {...props} />;
}
