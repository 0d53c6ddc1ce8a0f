type Answers = (
  ...of: Parameters<typeof import('./features/session/putts-answer').answerPutts>
) => boolean;

/** What the server does by itself while it runs, and what it answers ahead of the framework. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const [
    { copyByItself },
    { answerPutts },
    { answerInstruments },
    { answerUpload },
    { endHalfImports },
  ] = await Promise.all([
    import('./features/records/copy-by-itself'),
    import('./features/session/putts-answer'),
    import('./features/instruments/answer'),
    import('./features/import/upload'),
    import('./features/import/end-half'),
  ]);
  copyByItself();
  endHalfImports();
  // The server waits for it before it listens.
  const { dirigoAnswers } = globalThis as { dirigoAnswers?: (answers: Answers) => void };
  dirigoAnswers?.((...of) => answerPutts(...of) || answerInstruments(...of) || answerUpload(...of));
}
