import { useState } from 'react';
import { NavLink, Outlet, useLocation, useNavigate, useParams } from 'react-router';
import { lastBowId } from './last-bow.ts';
import { useBow } from '../bows/use-bow.ts';
import { ConnectionBar } from './connection-bar.tsx';
import { HelpDialog } from './help-dialog.tsx';
import { TopBar } from './top-bar.tsx';
import { useShortcuts } from './use-shortcuts.ts';
import { type View, viewPath } from './view.ts';

/** The frame of every view: top bar, the view, and on a phone the tabs at the bottom. */
export function Shell({ views }: { readonly views: readonly View[] }) {
  const { bowId = null } = useParams();
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const [helpOpen, setHelpOpen] = useState(false);
  const target = bowId ?? lastBowId();
  useShortcuts({
    goTo: (number) => {
      const view = views.find((one) => one.number === number);
      if (view !== undefined) void navigate(viewPath(view, target));
    },
    help: () => {
      setHelpOpen(true);
    },
  });
  return (
    <div className="@container flex h-full flex-col low:h-auto low:min-h-full">
      <a href="#main" className="visually-hidden focus:not-sr-only">
        Skip to the view
      </a>
      <TopBar
        views={views}
        bowId={bowId}
        target={target}
        onHelp={() => {
          setHelpOpen(true);
        }}
      />
      {bowId === null ? <ConnectionBar state={null} /> : <BowConnectionBar bowId={bowId} />}
      <main
        id="main"
        className="@container flex min-h-0 flex-1 flex-col low:min-h-auto"
        key={pathname}
        tabIndex={-1}
      >
        <Outlet />
      </main>
      <nav
        aria-label="Views"
        className="no-print flex h-15 shrink-0 border-t border-ink @tablet:hidden"
      >
        {views.map((view) => (
          <NavLink
            key={view.number}
            to={viewPath(view, target)}
            className="relative grid min-w-0 flex-1 place-items-center text-plain aria-[current=page]:font-[700]"
          >
            {({ isActive }) => (
              <>
                {isActive && <span className="absolute inset-x-[15%] -top-px h-1 bg-ink" />}
                {view.name}
              </>
            )}
          </NavLink>
        ))}
      </nav>
      {helpOpen && (
        <HelpDialog
          views={views}
          onClose={() => {
            setHelpOpen(false);
          }}
        />
      )}
    </div>
  );
}

function BowConnectionBar({ bowId }: { readonly bowId: string }) {
  return <ConnectionBar state={useBow(bowId).state} />;
}
