import Stack from '@mui/material/Stack';
import { DataGrid, type GridColDef } from '@mui/x-data-grid';
import { Pill } from '../kit/Pill';
import { useSequence } from '../session/state';
import { mono, palette } from '../theme/tokens';
import { type Kept, numbered } from '../doing/compared';

const when = (iso: string): string =>
  new Date(iso).toLocaleString(undefined, { dateStyle: 'medium', timeStyle: 'short' });

/** The kept versions, to be sorted by any column, each with what can be done with it. */
export function VersionsTable({
  all,
  beside,
  onCompare,
  onBack,
}: {
  all: Kept[];
  /** The one the others are looked at beside; 0 for none. */
  beside: number;
  onCompare: (k: Kept) => void;
  onBack: (k: Kept) => void;
}) {
  const mayEdit = useSequence((s) => s.mayEdit);
  const columns: GridColDef<Kept>[] = [
    {
      field: 'number',
      headerName: 'Version',
      width: 84,
      renderCell: ({ row }) => (
        <span
          data-version={row.number}
          style={{ fontFamily: mono, fontWeight: 700, color: palette.marigold }}
        >
          {numbered(row.number)}
        </span>
      ),
    },
    {
      field: 'name',
      headerName: 'Name and note',
      flex: 1,
      minWidth: 160,
      renderCell: ({ row }) => (
        <Stack sx={{ py: 0.75, whiteSpace: 'normal', lineHeight: 1.35, overflowWrap: 'anywhere' }}>
          <b>{row.name || 'without a name'}</b>
          {row.note ? <span className="muted">{row.note}</span> : null}
        </Stack>
      ),
    },
    { field: 'author', headerName: 'By', width: 80 },
    { field: 'keptAt', headerName: 'Kept', width: 150, valueFormatter: (v: string) => when(v) },
    {
      field: 'doings',
      headerName: '',
      sortable: false,
      width: 196,
      renderCell: ({ row }) => (
        <Stack direction="row" sx={{ gap: 0.5, py: 0.5, alignItems: 'center', height: 1 }}>
          <Pill disabled={row.number === beside} onClick={() => onCompare(row)}>
            Compare
          </Pill>
          <Pill disabled={!mayEdit} onClick={() => onBack(row)}>
            Go back to it …
          </Pill>
        </Stack>
      ),
    },
  ];
  return (
    <Stack sx={{ maxHeight: '46vh', mt: 1 }}>
      <DataGrid
        aria-label="Versions"
        rows={all}
        getRowId={(k) => k.number}
        columns={columns}
        getRowHeight={() => 'auto'}
        columnHeaderHeight={34}
        hideFooter
        disableColumnMenu
        disableRowSelectionOnClick
        sx={{
          border: 0,
          fontSize: 12.5,
          '--DataGrid-t-color-background-base': palette.panel,
          '--DataGrid-t-header-background-base': palette.panel,
          '--DataGrid-rowBorderColor': palette.line,
          '& .MuiDataGrid-cell': { display: 'flex', alignItems: 'center' },
        }}
      />
    </Stack>
  );
}
