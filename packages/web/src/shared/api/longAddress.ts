import type { FetchArgs } from '@reduxjs/toolkit/query/react';

/** Servers and proxies on the way take some 8 kB of address and headers together. */
const longestAddress = 6000;

/** What is asked for by an address that would be too long is asked for in a body; `null` where the address will do. */
export function inBody(address: string): (FetchArgs & { readonly body: Readonly<Record<string, string>> }) | null {
  if (address.length <= longestAddress) return null;
  const [path = '', query = ''] = address.split('?');
  return { url: `${path}/query`, method: 'POST', body: Object.fromEntries(new URLSearchParams(query)) };
}
