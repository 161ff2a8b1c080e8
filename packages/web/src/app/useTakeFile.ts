import { useDispatch } from 'react-redux';
import { describeFailure } from '../api/failureMessages.ts';
import { inBody } from '../api/longAddress.ts';
import { noticeGiven } from './noticeSlice.ts';

/** Takes a file along from a path of the API. The browser does that by itself, but where the path is too long for an address. */
export function useTakeFile(): (path: string) => void {
  const dispatch = useDispatch();
  return (path) => {
    const long = inBody(path);
    if (!long) return window.location.assign(`/api${path}`);
    takeLong(`/api${long.url}`, long.body).then(
      (failure) => failure !== null && dispatch(noticeGiven({ tone: 'refused', text: describeFailure(failure) })),
      () => dispatch(noticeGiven({ tone: 'refused', text: describeFailure({ code: 'unreachable', facts: {} }) })),
    );
  };
}

/** What was refused, or `null`. */
async function takeLong(url: string, body: Readonly<Record<string, string>>): Promise<unknown> {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'X-Ivory-Ladder': '1' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) return answer.json();
  const address = URL.createObjectURL(await answer.blob());
  const link = document.createElement('a');
  link.href = address;
  link.download = decodeURIComponent(/filename\*=UTF-8''([^;]+)/.exec(answer.headers.get('content-disposition') ?? '')?.[1] ?? '');
  link.click();
  URL.revokeObjectURL(address);
  return null;
}
