/** What the server does by itself while it runs. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { copyByItself } = await import('./features/records/copy-by-itself');
  copyByItself();
}
