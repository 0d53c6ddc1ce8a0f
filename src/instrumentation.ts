/** What the application does beside the framework's pages, handed to the server that stands in front of it. */
interface Handover {
  answersAhead: typeof import('./features/server/answers-ahead').answersAhead;
  log: typeof import('./features/shared/log').log;
  /** Ends streams that would otherwise stay open for as long as their page. */
  endStreams: () => void;
  /** Closes the database for good. */
  shutDown: () => Promise<void>;
}

/** Starts what the server does by itself while it runs. Half-finished imports are cleaned up before anything is answered. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const [
    { scheduleBackups },
    { answersAhead },
    { endHalfImports },
    { closeConnection },
    live,
    { log },
  ] = await Promise.all([
    import('./features/records/scheduled-backups'),
    import('./features/server/answers-ahead'),
    import('./features/import/end-half'),
    import('./data'),
    import('./features/instruments/live'),
    import('./features/shared/log'),
  ]);
  await endHalfImports();
  scheduleBackups();
  const { dirigoServer } = globalThis as { dirigoServer?: (handover: Handover) => void };
  dirigoServer?.({
    answersAhead,
    log,
    endStreams: () => live.endStreams('all'),
    shutDown: closeConnection,
  });
}
