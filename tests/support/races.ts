import type { Answer } from './apiClient.ts';

interface Raced<Body> {
  readonly won: Body[];
  /** Codes of those that were refused. */
  readonly lost: string[];
}

/** Eight in one moment. Each must have been done or refused as a conflict: whoever loses a race hears so, and never of an error. */
export async function race<Body>(one: (at: number) => Promise<Answer<Body>>): Promise<Raced<Body>> {
  const answers = await Promise.all(Array.from({ length: 8 }, (_, at) => one(at)));
  const strange = answers.filter(({ status }) => status >= 300 && status !== 409);
  if (strange.length > 0) throw new Error(`in a race: ${strange.map(({ status, body }) => `${status} ${JSON.stringify(body)}`).join('; ')}`);
  return {
    won: answers.filter(({ status }) => status < 300).map(({ body }) => body),
    lost: answers.filter(({ status }) => status === 409).map(({ body }) => (body as { code: string }).code),
  };
}
