import { useSearchParams } from 'react-router';
import type { EntryBody } from '#core/log/entry.ts';
import type { BowState } from '#core/log/bow-state.ts';
import { SESSION_KIND_FACTS, type SessionKind } from '#core/craft/session-kinds.ts';
import { upsets } from '#core/craft/upsets.ts';
import type { BareShaftVerdict } from '#core/bare-shaft/bare-shaft-verdict.ts';
import { SheetDialog } from '../../ui/sheet-dialog.tsx';
import { EndNoteForm } from './end-note.tsx';
import { GroupsPanel } from './groups-panel.tsx';
import { PhotoSheet } from '../photo/photo-sheet.tsx';
import { PaperSheet } from './paper-sheet.tsx';
import { RemediesPanel } from './remedies-panel.tsx';
import { ShotsFilePanel } from './shots-file.tsx';
import type { Plot } from '../plot/use-plot.ts';

/** What can be opened beside the butt. Which one is open is in the address. */
const SHEETS = [
  {
    id: 'note',
    label: 'Note the end',
    title: 'Noted in end',
    says: 'Marks, flight, wind: stored as you choose.',
  },
  {
    id: 'remedies',
    label: 'Remedies',
    title: 'Remedies',
    says: 'Everything this bow has, the best first. One control at a time.',
  },
  {
    id: 'paper',
    label: 'Paper',
    title: 'Paper',
    says: 'From the point’s hole to where the tail cut through.',
  },
  {
    id: 'groups',
    label: 'Groups',
    title: 'Groups',
    says: 'Weak shots, numbered arrows, points for use.',
  },
  {
    id: 'photo',
    label: 'Photo',
    title: 'Shots off a photograph',
    says: 'The butt with something flat of known size on it: a face, a sheet, a ring.',
  },
  { id: 'file', label: 'File', title: 'Shots in a file', says: 'An open table, in and out.' },
] as const;
type SheetId = (typeof SHEETS)[number]['id'];

/** The sheets beside the butt, and the row that opens them. */
export function RangeTools({
  state,
  plot,
  verdict,
  unit,
  store,
  makeChanges,
}: {
  readonly state: BowState;
  readonly plot: Plot;
  /** Of the bare shafts; null in a session of another kind. */
  readonly verdict: BareShaftVerdict | null;
  readonly unit: 'cm' | 'in';
  readonly store: (bodies: readonly EntryBody[]) => void;
  readonly makeChanges: Parameters<typeof RemediesPanel>[0]['onMake'];
}) {
  const [params, setParams] = useSearchParams();
  const { session } = plot;
  const available = SHEETS.filter(({ id }) => isFor(id, session?.sessionKind ?? null));
  const open = available.find(({ id }) => id === params.get('sheet'));
  const turnTo = (id: SheetId | null) => {
    // From the address as it is now: a picture may have been sent since this was drawn.
    const next = new URLSearchParams(window.location.search);
    if (id === null) next.delete('sheet');
    else next.set('sheet', id);
    setParams(next, { replace: true });
  };
  return (
    <>
      <nav aria-label="Beside the butt" className="flex flex-wrap gap-x-1">
        {available.map(({ id, label }) => (
          <button
            key={id}
            type="button"
            className="link-btn first:-ml-2.5"
            onClick={() => turnTo(id)}
          >
            {label}
          </button>
        ))}
      </nav>
      {open !== undefined && (
        <SheetDialog
          title={open.id === 'note' ? `${open.title} ${plot.endNumber}` : open.title}
          description={open.says}
          wide={open.id === 'photo'}
          focusSheet={open.id === 'remedies'}
          onClose={() => turnTo(null)}
        >
          <SheetBody
            id={open.id}
            state={state}
            plot={plot}
            verdict={verdict}
            unit={unit}
            store={store}
            onDone={() => turnTo(null)}
            makeChanges={(changes, because) => {
              makeChanges(changes, because);
              turnTo(null);
            }}
          />
        </SheetDialog>
      )}
    </>
  );
}

/** Paper and files need no session; remedies only speak of bare shafts. */
function isFor(id: SheetId, kind: SessionKind | null): boolean {
  if (id === 'paper' || id === 'file') return true;
  if (id === 'photo') return true;
  if (kind === null) return false;
  return id !== 'remedies' || SESSION_KIND_FACTS[kind].weighsRemedies;
}

function SheetBody({
  id,
  state,
  plot,
  verdict,
  unit,
  store,
  makeChanges,
  onDone,
}: Parameters<typeof RangeTools>[0] & {
  readonly id: SheetId;
  readonly onDone: () => void;
}) {
  const { hand } = state.bow;
  const { session, endNumber } = plot;
  switch (id) {
    case 'paper': {
      const since = state.upsets.findLast(
        (one) => upsets(one, 'bareShaftVertical') || upsets(one, 'bareShaftLateral'),
      );
      return (
        <PaperSheet
          tears={state.tears.filter(({ index }) => index > (since?.index ?? -1))}
          hand={hand}
          onTear={({ outwardMm, upMm, distanceM }) =>
            store([{ kind: 'paperTorn', distanceM, outwardMm, upMm, arrow: plot.arrow }])
          }
        />
      );
    }
    case 'file':
      return (
        <ShotsFilePanel
          session={session}
          endNumber={endNumber}
          distanceM={plot.shotFromM}
          hand={hand}
          bowName={state.bow.name}
          onShots={plot.place}
        />
      );
    case 'photo':
      return <PhotoSheet state={state} plot={plot} unit={unit} store={store} onDone={onDone} />;
    case 'note':
      return session === null ? null : (
        <EndNoteForm
          session={session}
          endNumber={endNumber}
          hand={hand}
          onNote={(noted) =>
            store([{ kind: 'endNoted', sessionId: session.sessionId, endNumber, ...noted }])
          }
        />
      );
    case 'remedies':
      return session === null || verdict === null ? null : (
        <RemediesPanel state={state} session={session} verdict={verdict} onMake={makeChanges} />
      );
    case 'groups':
      return session === null ? null : (
        <GroupsPanel state={state} session={session} unit={unit} store={store} />
      );
  }
}
