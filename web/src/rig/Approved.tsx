import Button from '@mui/material/Button';
import { approve, approvedOn, mayApprove, reopen } from '../session/approvals';
import { useSequence } from '../session/state';
import './rig.css';

/** Says that a camera is approved, and lets those approve and reopen it who may. */
export function Approved({ id, name }: { id: string; name: string }) {
  const approval = useSequence((s) => s.approvals[id]);
  const may = useSequence((s) => mayApprove(s.role) && s.moment === null);
  if (!approval)
    return may ? (
      <div className="approval">
        <span className="grow muted">Not approved yet</span>
        <Button size="small" color="secondary" aria-label={`Approve ${name}`} onClick={() => approve(id)}>
          Approve
        </Button>
      </div>
    ) : null;
  return (
    <div className="approval approved" role="status">
      <span className="grow">
        ✓ {approvedOn(approval)}
        {may ? '' : '. A lead or a reviewer reopens it before it is changed.'}
      </span>
      {may ? (
        <Button size="small" color="inherit" aria-label={`Reopen ${name}`} onClick={() => reopen(id)}>
          Reopen
        </Button>
      ) : null}
    </div>
  );
}
