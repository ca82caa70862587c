import { type ReactNode, useSyncExternalStore } from 'react';
import type { BowState } from '#core/log/bow-state.ts';
import { takeNewVersion } from '../device/half-typed.ts';
import { entryWords } from '#core/log/kinds/entry-kinds.ts';
import { whenWords } from '../log-line/lately.tsx';
import {
  letGo,
  outboxNow,
  subscribeOutbox,
  takenJustNow,
  tryAgain,
  type Waiting,
} from '../outbox/outbox.ts';
import { saveEntries, saveSetAside } from '../outbox/save-copy.ts';
import { connectionNow, subscribeConnection } from '../connection/connection.ts';
import { connectionWords, type WaitingCount } from '../connection/connection-words.ts';
import { tryNow } from '../outbox/reconnect.ts';

/** The server's word for an entry taken later than now. */
const IN_FUTURE = 'takenInFuture';

/**
 * The state of connection, on every view: what is the matter, what waits and since when, what to do.
 * Nothing shows while all is well.
 */
export function ConnectionBar({ state }: { readonly state: BowState | null }) {
  const connection = useSyncExternalStore(subscribeConnection, connectionNow);
  const { waiting, unreadable } = useSyncExternalStore(subscribeOutbox, outboxNow);
  const words = connectionWords(connection, countOf(waiting), timeWords);
  const refused = waiting.filter((one) => one.refused !== null);
  const inFuture = refused.filter((one) => one.refused?.code === IN_FUTURE);
  const others = refused.filter((one) => one.refused?.code !== IN_FUTURE);
  const gaps = state?.unreadable ?? 0;
  const isQuiet =
    words === null &&
    refused.length === 0 &&
    unreadable.length === 0 &&
    !connection.outOfDate &&
    gaps === 0;
  if (isQuiet) return null;
  return (
    <div
      className="no-print shrink-0 border-b border-ink px-4 py-2 text-row @tablet:px-7"
      role="status"
      data-testid="waiting-bar"
    >
      {words !== null && (
        <p>
          <b className={words.grave ? 'text-stop' : ''}>{words.what}</b> {words.safe} {words.remedy}{' '}
          <Presses>
            {words.canTry && <Press onPress={tryNow}>Try now</Press>}
            {waiting.length > 0 && (
              <Press onPress={() => saveEntries(entriesOf(waiting), 'waiting')}>Save a copy</Press>
            )}
          </Presses>
        </p>
      )}
      {connection.outOfDate && (
        <p>
          <b>A new version is there.</b> What is half typed stays.{' '}
          <Presses>
            <Press onPress={takeNewVersion}>Take it</Press>
          </Presses>
        </p>
      )}
      {inFuture.length > 0 && (
        <p>
          <b>
            {counted(inFuture.length)} taken {whenWords(inFuture[0]?.entry.at ?? '')} by this
            device’s clock, which is still to come by the server’s.
          </b>{' '}
          One of the two clocks is wrong. {inFuture.length === 1 ? 'It is' : 'They are'} kept here.{' '}
          <Presses>
            <Press onPress={() => void takenJustNow(inFuture)}>
              {inFuture.length === 1 ? 'It was' : 'They were'} taken just now
            </Press>
            <Press onPress={() => void tryAgain(inFuture)}>The server’s clock is right again</Press>
          </Presses>
        </p>
      )}
      {others.map((one) => (
        <p key={one.key} className="text-stop">
          Not stored: {wordsOf(one, state)}. {one.refused?.words}{' '}
          <Presses>
            <Press onPress={() => void tryAgain([one])}>Try again</Press>
            <Press
              onPress={() => {
                saveEntries(entriesOf([one]), 'not-stored');
                void letGo(one);
              }}
            >
              Save a copy and let it go
            </Press>
          </Presses>
        </p>
      ))}
      {unreadable.length > 0 && (
        <p>
          <b>{counted(unreadable.length)} kept in this browser cannot be read</b> by this program;
          perhaps a newer one wrote {unreadable.length === 1 ? 'it' : 'them'}.{' '}
          <Presses>
            <Press onPress={() => saveEntries(unreadable, 'unreadable')}>Save to a file</Press>
            <Press
              onPress={() => {
                saveEntries(unreadable, 'unreadable');
                for (const one of unreadable) void letGo(one);
              }}
            >
              Save a copy and let go
            </Press>
          </Presses>
        </p>
      )}
      {state !== null && gaps > 0 && (
        <p>
          <b className="text-stop">
            {counted(gaps)} on the server’s disk cannot be read and {gaps === 1 ? 'is' : 'are'} set
            aside.
          </b>{' '}
          The rest of this bow goes on, but nothing that cannot be undone is proposed. Restore a
          copy (npm run restore), or go on without.{' '}
          <Presses>
            <Press onPress={() => void saveSetAside(state.bowId)}>Save to a file</Press>
          </Presses>
        </p>
      )}
    </div>
  );
}

/** Behind the words on a wide screen; under them, where a thumb finds each, on a phone. */
function Presses({ children }: { readonly children: ReactNode }) {
  return <span className="inline-flex flex-wrap gap-x-4 @max-tablet:flex">{children}</span>;
}

function Press({
  onPress,
  children,
}: {
  readonly onPress: () => void;
  readonly children: ReactNode;
}) {
  return (
    <button type="button" className="link min-h-6 @max-tablet:min-h-11" onClick={onPress}>
      {children}
    </button>
  );
}

function countOf(waiting: readonly Waiting[]): WaitingCount {
  const queued = waiting.filter((one) => one.refused === null);
  const times = queued.map(({ entry }) => Date.parse(entry.at));
  return {
    kept: queued.filter((one) => one.count !== null).length,
    // Until it is known where an entry is kept it has no place: a moment later it has.
    inPage: queued.filter((one) => one.count === null && one.entry.taken !== undefined).length,
    sinceMs: times.length === 0 ? null : Math.min(...times),
  };
}

function wordsOf({ entry }: Waiting, state: BowState | null): string {
  if (state?.bowId === entry.bowId) return entryWords(entry.body, state.bow);
  return `an entry of another bow, ${whenWords(entry.at)}`;
}

function entriesOf(waiting: readonly Waiting[]): readonly unknown[] {
  return waiting.map(({ entry }) => entry);
}

function counted(count: number): string {
  return `${count} ${count === 1 ? 'entry' : 'entries'}`;
}

function timeWords(ms: number): string {
  return whenWords(new Date(ms).toISOString());
}
