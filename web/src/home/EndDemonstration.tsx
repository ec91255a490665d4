import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { AccountFields } from '../kit/AccountFields';
import { postJson } from '../session/http';
import { FormWindow } from '../kit/FormWindow';
import { useSending } from '../kit/useSending';

/** Asks for an account of one's own, then takes the demonstration's away. */
export function EndDemonstration({ onClose }: { onClose: () => void }) {
  const client = useQueryClient();
  const { busy, wrong, send, at } = useSending();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [production, setProduction] = useState(false);
  const end = () =>
    send(async () => {
      await postJson('/api/demonstration/end', { name, password, production });
      await client.invalidateQueries();
    });
  return (
    <FormWindow
      title="End the demonstration"
      action="Make my account and end it"
      busy={busy}
      wrong={wrong}
      fields={['name', 'password']}
      onSend={() => void end()}
      onClose={onClose}
    >
      <p className="says">
        The accounts pim and oda go, wherever they are signed in. Yours takes their place: sign in with it
        then.
      </p>
      <AccountFields
        name={name}
        password={password}
        onName={setName}
        onPassword={setPassword}
        at={at}
        autoFocus
      />
      <FormControlLabel
        control={<Checkbox checked={production} onChange={(_, p) => setProduction(p)} />}
        label="Take Salt Wind away too, for good"
      />
    </FormWindow>
  );
}
