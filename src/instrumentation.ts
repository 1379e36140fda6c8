/** Run by Next.js once, before the first request. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { endOnSignal } = await import('@/server/shutdown');
  endOnSignal();
}
