import { useDispatch } from 'react-redux';
import { inBody } from '../api/longAddress.ts';
import { describeFailure } from '../words/failureMessages.ts';
import { noticeGiven } from './noticeSlice.ts';

/** Takes a file along from a path of the API. The browser does that by itself, but where the path is too long for an address. */
export function useTakeFile(): (path: string) => void {
  const dispatch = useDispatch();
  return (path) => {
    const long = inBody(path);
    // Where it is refused, whoever asked stays on the page.
    if (!long) return download(`/api${path}`, '');
    takeLong(`/api${long.url}`, long.body).then(
      (failure) => failure !== null && dispatch(noticeGiven({ tone: 'refused', text: describeFailure(failure) })),
      () => dispatch(noticeGiven({ tone: 'refused', text: describeFailure({ code: 'unreachable', facts: {} }) })),
    );
  };
}

const millisecondsToTake = 60_000;

/** What was refused, or `null`. */
async function takeLong(url: string, body: Readonly<Record<string, string>>): Promise<unknown> {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'X-Ivory-Ladder': '1' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) return answer.json();
  const address = URL.createObjectURL(await answer.blob());
  download(address, decodeURIComponent(/filename\*=UTF-8''([^;]+)/.exec(answer.headers.get('content-disposition') ?? '')?.[1] ?? ''));
  setTimeout(() => URL.revokeObjectURL(address), millisecondsToTake);
  return null;
}

function download(address: string, name: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
}
