import { useState } from 'react';
import type { ShootingSession } from '#core/log/shooting.ts';

/** Pictures kept with a session, end by end. */
export function KeptPictures({
  bowId,
  session,
}: {
  readonly bowId: string;
  readonly session: ShootingSession;
}) {
  const [shown, setShown] = useState<string | null>(null);
  if (session.pictures.length === 0) return null;
  return (
    <section aria-label="Kept pictures" className="mt-5">
      <h3 className="font-[640]">Kept with this session</h3>
      <div className="flex flex-wrap gap-x-2">
        {session.pictures.map(({ pictureId, endNumber }) => (
          <button
            key={pictureId}
            type="button"
            className="link-btn first:-ml-2.5"
            aria-expanded={shown === pictureId}
            onClick={() => setShown(shown === pictureId ? null : pictureId)}
          >
            End {endNumber}
          </button>
        ))}
      </div>
      {shown !== null && (
        <img
          className="mt-2 w-full"
          src={`/api/bows/${bowId}/pictures/${shown}`}
          alt={`Butt after end ${session.pictures.find(({ pictureId }) => pictureId === shown)?.endNumber ?? ''}`}
        />
      )}
    </section>
  );
}
