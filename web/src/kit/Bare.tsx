import ButtonBase from '@mui/material/ButtonBase';
import { styled } from '@mui/material/styles';

/** A button that looks as the styles of what it stands in say: a row's name, a tile, a letter. */
export const Bare = styled(ButtonBase)({
  display: 'inline-block',
  textAlign: 'inherit',
  '&.Mui-disabled': { opacity: 0.45 },
}) as typeof ButtonBase;
