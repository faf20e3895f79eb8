import type { components } from '../schema';

type Fault = components['schemas']['FaultWire'];

export interface Problem {
  words: string | undefined;
  faults: Fault[];
}

/** What a refusal says; nothing where it says nothing that can be read. */
export function problemOf(answer: unknown): Problem {
  const { title, detail, errors } = isObject(answer) ? answer : {};
  const faults = errors ?? [];
  return isSaid(title) && isSaid(detail) && Array.isArray(faults) && faults.every(isFault)
    ? { words: detail ?? title ?? undefined, faults }
    : { words: undefined, faults: [] };
}

/** Whether a refusal carries the newer state of a site. */
export const isSitePage = (answer: unknown): answer is components['schemas']['SitePageWire'] =>
  isObject(answer) &&
  typeof answer.id === 'string' &&
  typeof answer.revision === 'number' &&
  isObject(answer.worksheet) &&
  typeof answer.worksheet.letter === 'string';

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;

const isSaid = (value: unknown): value is string | null | undefined =>
  value === undefined || value === null || typeof value === 'string';

const isFault = (value: unknown): value is Fault =>
  isObject(value) && [value.code, value.where, value.message].every((part) => typeof part === 'string');
