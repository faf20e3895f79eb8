import { api, expect } from './client';

/** A domain that the owner has, taken apart by the server; or why it is none. */
export async function readOwnDomain(text: string): Promise<{ name: string; ending: string } | { fault: string }> {
  const typed = expect(await api.GET('/api/domains/typed', { params: { query: { text } } }));
  return typed.label !== null && typed.ending !== null
    ? { name: typed.label, ending: typed.ending }
    : { fault: typed.fault ?? 'Write the whole domain with its ending, such as ostlerwren.com.' };
}
