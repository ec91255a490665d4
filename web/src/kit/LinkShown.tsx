import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';

/** A link or a secret that was made just now: shown this once, to be sent by any means. */
export function LinkShown({
  link,
  says,
  what = 'The link',
}: {
  link: string;
  says: string;
  /** What it is, for those who do not see it. */
  what?: string;
}) {
  const [copied, setCopied] = useState(false);
  return (
    <Stack sx={{ gap: 1, p: 1.5, borderRadius: 2, bgcolor: 'background.default' }}>
      <Typography variant="body2">{says}</Typography>
      <Stack direction="row" sx={{ gap: 1 }}>
        <TextField
          size="small"
          fullWidth
          value={link}
          onFocus={(e) => e.target.select()}
          slotProps={{ htmlInput: { 'aria-label': what, readOnly: true, className: 'mono' } }}
        />
        <Button
          variant="contained"
          onClick={() =>
            void navigator.clipboard.writeText(link).then(
              () => setCopied(true),
              () => setCopied(false),
            )
          }
        >
          {copied ? 'Copied' : 'Copy'}
        </Button>
      </Stack>
    </Stack>
  );
}

/** An address of this application that carries a secret where no server log sees it. */
export const linkWith = (kind: 'invited' | 'look', secret: string) =>
  `${location.origin}${location.pathname}#${kind}=${secret}`;

/** A day, as “3 Dec”. */
export const day = (iso: string) =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
