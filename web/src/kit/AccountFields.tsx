import TextField from '@mui/material/TextField';

/** The name and password of an account that is being made. */
export function AccountFields({
  name,
  password,
  onName,
  onPassword,
  at,
  autoFocus = false,
}: {
  name: string;
  password: string;
  onName: (name: string) => void;
  onPassword: (password: string) => void;
  /** What was wrong with a field, as {@link useSending} gives it. */
  at: (field: string) => { error?: boolean; helperText: string };
  autoFocus?: boolean;
}) {
  return (
    <>
      <TextField
        label="Your name"
        value={name}
        onChange={(e) => onName(e.target.value)}
        autoComplete="username"
        autoFocus={autoFocus}
        {...at('name')}
      />
      <TextField
        label="Password"
        type="password"
        value={password}
        onChange={(e) => onPassword(e.target.value)}
        autoComplete="new-password"
        {...at('password')}
      />
    </>
  );
}
