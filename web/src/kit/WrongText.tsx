import Typography from '@mui/material/Typography';
import type { Wrong } from './useSending';

/** Says what was wrong with what was sent, unless a field says it. */
export function WrongText({ wrong, fields = [] }: { wrong: Wrong | null; fields?: string[] }) {
  return wrong && !fields.includes(wrong.field) ? (
    <Typography role="alert" className="error">
      {wrong.text}
    </Typography>
  ) : null;
}
