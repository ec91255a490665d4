import Stack from '@mui/material/Stack';
import { DataGrid, type GridColDef } from '@mui/x-data-grid';
import type { Camera, Command, ShotFacts, ShotRow } from '../core/types';
import { Pill } from '../kit/Pill';
import { Tip } from '../kit/Tip';
import { camerasOf } from '../session/cameras';
import { edit } from '../session/document';
import { core, useCoreStill } from '../session/evaluated';
import { at } from '../session/http';
import { useProgramme } from '../session/programme';
import { useSettings } from '../session/settings';
import { useSequence } from '../session/state';
import { goToReel } from '../session/time';
import { select } from '../session/selection';
import { STATUSES } from './statuses';
import { setView } from '../session/view';
import { mono, palette } from '../theme/tokens';
import { useShotPictures } from '../views/shotPictures';
import { useTold } from './told';
import './shots.css';

type Row = ShotRow & { facts?: ShotFacts; of?: Camera; picture?: string; approved: boolean };

/** A number at the first frame, and at the last where it is another. */
function both(row: Row, what: (l: ShotFacts['lens']) => string): string {
  if (!row.facts) return '';
  const [a, b] = [what(row.facts.lens), what(row.facts.lastLens)];
  return a === b ? a : `${a} → ${b}`;
}

const focal = (row: Row) => both(row, (l) => core().showNumber(l.focalMm, 'millimetres'));
const focus = (row: Row) => both(row, (l) => core().showNumber(l.focusM, 'metres'));
const subjects = (row: Row) => row.facts?.subjects.map((s) => s.name).join(', ') ?? '';

/** A whole number as it is written beside the lanes. */
const plain = (v: number) => String(v);

const COLUMNS: GridColDef<Row>[] = [
  {
    field: 'picture',
    headerName: 'Picture',
    width: 112,
    sortable: false,
    filterable: false,
    renderCell: ({ row }) =>
      row.picture ? (
        <img className="shot-picture" alt={`The middle of ${row.code}`} src={row.picture} />
      ) : (
        <span className="shot-picture none">{row.camera ? '' : 'Gap'}</span>
      ),
  },
  { field: 'code', headerName: 'Shot', width: 112, editable: true, cellClassName: 'shot-code' },
  {
    field: 'camera',
    headerName: 'Camera',
    width: 134,
    valueGetter: (_, row) => (row.of ? `${row.of.letter} ${row.of.name}` : ''),
    renderCell: ({ row }) =>
      row.of ? (
        <>
          <span className="badge" style={{ background: row.of.colour, marginRight: 8 }}>
            {row.of.letter}
          </span>
          {row.of.name}
        </>
      ) : null,
  },
  { field: 'take', headerName: 'Take', width: 80, valueGetter: (_, r) => (r.takes > 1 ? r.take : '') },
  {
    field: 'first',
    headerName: 'First',
    type: 'number',
    width: 62,
    valueFormatter: plain,
    cellClassName: 'mono',
  },
  {
    field: 'last',
    headerName: 'Last',
    type: 'number',
    width: 62,
    valueFormatter: plain,
    cellClassName: 'mono',
  },
  {
    field: 'sceneFirst',
    headerName: 'Scene from',
    type: 'number',
    width: 84,
    valueFormatter: plain,
    cellClassName: 'mono',
  },
  {
    field: 'sceneLast',
    headerName: 'Scene to',
    type: 'number',
    width: 84,
    valueFormatter: plain,
    cellClassName: 'mono',
  },
  {
    field: 'speed',
    headerName: 'Speed',
    type: 'number',
    width: 72,
    valueFormatter: (v: number) => `${Math.round(v * 100)} %`,
    cellClassName: 'mono',
  },
  {
    field: 'frames',
    headerName: 'Frames',
    type: 'number',
    width: 68,
    valueFormatter: plain,
    cellClassName: 'mono',
  },
  {
    field: 'seconds',
    headerName: 'Seconds',
    type: 'number',
    width: 74,
    cellClassName: 'mono',
    valueFormatter: (v: number) => core().showNumber(v, 'factor'),
  },
  { field: 'feet', headerName: 'Feet + frames', width: 108, cellClassName: 'mono' },
  { field: 'timecode', headerName: 'Timecode', width: 110, cellClassName: 'mono' },
  {
    field: 'size',
    headerName: 'Size',
    width: 118,
    valueGetter: (_, r) => r.facts?.size ?? '',
  },
  {
    field: 'move',
    headerName: 'Move',
    flex: 1,
    minWidth: 190,
    valueGetter: (_, row) => row.facts?.move.join(', ') ?? '',
    cellClassName: 'wraps',
  },
  {
    field: 'subjects',
    headerName: 'In frame',
    minWidth: 136,
    flex: 0.7,
    valueGetter: (_, row) => subjects(row),
    cellClassName: 'wraps',
  },
  {
    field: 'lens',
    headerName: 'Lens',
    width: 130,
    valueGetter: (_, row) => focal(row),
    cellClassName: 'mono wraps',
  },
  {
    field: 'focus',
    headerName: 'Focus',
    width: 130,
    valueGetter: (_, row) => focus(row),
    cellClassName: 'mono',
  },
  {
    field: 'fStop',
    headerName: 'f-stop',
    width: 90,
    valueGetter: (_, row) => both(row, (l) => `f/${core().showNumber(l.fStop, 'fStop')}`),
    cellClassName: 'mono',
  },
  {
    field: 'status',
    headerName: 'Status',
    type: 'singleSelect',
    width: 110,
    editable: true,
    valueOptions: STATUSES.map((s) => ({ value: s.value, label: s.shows })),
  },
  { field: 'notes', headerName: 'Notes', width: 190, editable: true, cellClassName: 'wraps' },
  { field: 'approved', headerName: 'Approved', type: 'boolean', width: 90 },
];

/** Every shot of the cut: what it shows, how long, and what its camera does. */
export function ShotList() {
  const rows = useCoreStill((c) => c.shotRows());
  const id = useSequence((s) => s.id);
  const entities = useSequence((s) => s.entities);
  const approvals = useSequence((s) => s.approvals);
  const code = useSequence((s) => s.header.code);
  const mayEdit = useSequence((s) => s.mayEdit);
  const mayReview = useSequence((s) => s.mayReview);
  const { cameraPackage } = useSettings();
  const told = useTold(rows);
  const pictures = useShotPictures(rows, cameraPackage.deliveryWidth / cameraPackage.deliveryHeight);
  const cameras = camerasOf(entities);
  const boards = new Map(
    useProgramme().flatMap((p) => (p.board ? [[p.id, at(`/api/assets/${p.board}`)]] : [])),
  );
  const all: Row[] = rows.map((r) => ({
    ...r,
    facts: told[r.id],
    of: cameras.find((c) => c.id === r.camera),
    picture: boards.get(r.id) ?? pictures[r.id],
    approved: r.id in approvals,
  }));
  const frames = rows.reduce((sum, r) => sum + r.frames, 0);
  return (
    <section className="view shot-list" aria-label="Shot list">
      <div className="view-bar">
        <strong>Shot list</strong>
        <span className="muted">{`${rows.length} shots, ${frames} frames`}</span>
        <span className="grow" />
        {mayReview ? (
          <Tip text="All shots with their pictures, to print">
            <a className="shot-file" href={at(`/api/sequences/${id}/hand-over/shot-list.pdf`)} download>
              .pdf
            </a>
          </Tip>
        ) : null}
        <Pill onClick={() => setView({ over: null })}>Back to the views</Pill>
      </div>
      {rows.length === 0 ? (
        <p className="empty">There is no shot yet. Press a camera’s letter in the cut lane to cut to it.</p>
      ) : (
        <Stack className="shot-grid">
          <DataGrid
            aria-label="Shots"
            rows={all}
            columns={COLUMNS}
            getRowHeight={() => 'auto'}
            getEstimatedRowHeight={() => 68}
            columnHeaderHeight={34}
            hideFooter
            showToolbar
            disableRowSelectionOnClick
            isCellEditable={({ field }) => mayEdit || (mayReview && field === 'notes')}
            processRowUpdate={(now, was) => {
              const name = now.code.trim();
              const { id } = was;
              const commands: Command[] = [];
              if (name && name !== was.code) commands.push({ kind: 'rename', id, name });
              if (now.status !== was.status)
                commands.push({ kind: 'setStatus', ids: [id], status: now.status });
              if (now.notes !== was.notes) commands.push({ kind: 'setNotes', id, notes: now.notes });
              const made = commands.length > 0 && edit(`${was.code}: in the shot list`, ...commands);
              return made ? { ...now, code: name || was.code } : was;
            }}
            onRowDoubleClick={({ row }) => {
              select(row.id);
              goToReel(row.first);
            }}
            initialState={{
              columns: {
                columnVisibilityModel: {
                  take: false,
                  sceneFirst: false,
                  sceneLast: false,
                  speed: false,
                  notes: false,
                  feet: false,
                  focus: false,
                  fStop: false,
                  timecode: false,
                  approved: false,
                },
              },
            }}
            slotProps={{
              toolbar: {
                csvOptions: { fileName: `${code} shots`, utf8WithBom: true },
                printOptions: { fileName: `${code}: shot list`, hideFooter: true, hideToolbar: true },
              },
            }}
            sx={{
              border: 0,
              fontSize: 12.5,
              '--DataGrid-t-color-background-base': palette.panel,
              '--DataGrid-t-header-background-base': palette.panel,
              '--DataGrid-rowBorderColor': palette.line,
              '& .MuiDataGrid-cell': { display: 'flex', alignItems: 'center', py: 0.5 },
              '& .MuiDataGrid-cell.mono': { fontFamily: mono },
              '& .MuiDataGrid-cell.wraps': { whiteSpace: 'normal', lineHeight: 1.35 },
            }}
          />
        </Stack>
      )}
    </section>
  );
}
