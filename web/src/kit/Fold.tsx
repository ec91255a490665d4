import Accordion from '@mui/material/Accordion';
import AccordionDetails from '@mui/material/AccordionDetails';
import AccordionSummary from '@mui/material/AccordionSummary';
import type { ReactNode } from 'react';
import * as Icon from './icons';

/** Something that is seldom wanted, folded away under its heading. It is made when it is opened. */
export function Fold({ title, children }: { title: ReactNode; children: ReactNode }) {
  return (
    <Accordion
      disableGutters
      elevation={0}
      slotProps={{ transition: { unmountOnExit: true, timeout: 120 } }}
      sx={{ background: 'none', '&::before': { display: 'none' } }}
    >
      <AccordionSummary
        expandIcon={<Icon.Down />}
        sx={{
          padding: 0,
          minHeight: 30,
          fontSize: 13,
          flexDirection: 'row-reverse',
          gap: '6px',
          '& .MuiAccordionSummary-content': { margin: 0 },
        }}
      >
        {title}
      </AccordionSummary>
      <AccordionDetails sx={{ padding: '2px 0 4px' }}>{children}</AccordionDetails>
    </Accordion>
  );
}
