/** What the server does besides answering. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { keepCopies } = await import('@/store');
  keepCopies();
}
