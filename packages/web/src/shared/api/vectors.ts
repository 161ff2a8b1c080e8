import type { VectorsAsked } from '@ivory-ladder/contract';
import type { Outcome } from '@ivory-ladder/core';
import type { ApiFailure } from './ivoryApi.ts';

/** Why there are none, as failures of the API are told. */
export type VectorsRefused = Pick<ApiFailure, 'code' | 'facts'>;

/** Amounts of every account as bytes, which never go through the store. */
export async function fetchVectors(companyId: number, asked: VectorsAsked): Promise<Outcome<ArrayBuffer, VectorsRefused>> {
  try {
    const response = await fetch(`/api/companies/${companyId}/vectors`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'X-Ivory-Ladder': '1' },
      body: JSON.stringify(asked),
    });
    if (response.ok) return { ok: true, value: await response.arrayBuffer() };
    return { ok: false, failure: (await response.json()) as VectorsRefused };
  } catch {
    return { ok: false, failure: { code: 'unreachable', facts: {} } };
  }
}
