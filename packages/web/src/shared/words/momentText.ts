/** `30 Sep 2026, 14:05`, in the reader's own time. */
export function momentText(happenedAt: string): string {
  const moment = new Date(`${happenedAt.replace(' ', 'T')}Z`);
  return new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' }).format(moment);
}
