import { z } from './zod';
import type { components } from '../schema';

/** Shapes of what does not come through the typed client: lines of progress, and another's service. */

const fault = z.object({ code: z.string(), where: z.string(), message: z.string() });

const line = z.object({
  progress: z.optional(z.object({ done: z.number(), of: z.number() })),
  result: z.optional(z.unknown()),
  errors: z.optional(z.array(fault)),
});

/** One line of an answer that comes line by line: how far it is, what it found, or why it cannot. */
export const lineOf = (text: string) => line.parse(JSON.parse(text));

const nameNews = z.object({
  asked: z.number(),
  of: z.number(),
  answer: z.nullable(z.looseObject({ domain: z.string(), state: z.string() })),
  pause: z.nullable(z.object({ provider: z.string(), seconds: z.number() })),
});

/** One line of what comes of asking about many names. */
export const nameNewsOf = (text: string) => nameNews.parse(JSON.parse(text)) as components['schemas']['NameNewsWire'];

const handedIn = z.union([
  z.object({ token: z.string(), ending: z.string() }),
  z.object({ faults: z.array(z.object({ field: z.enum(['number', 'expires', 'code']), message: z.string() })) }),
]);

/**
 * What the card processor says of a card: what stands for it, or what is wrong with it; null where it makes no sense.
 */
export const cardAnswerOf = (answer: unknown) => handedIn.safeParse(answer).data ?? null;

const engineLine = z.object({
  step: z.nullable(z.string()),
  done: z.number(),
  steps: z.number(),
  password: z.nullable(z.string()),
  problem: z.nullable(z.string()),
});

/** One line of how far setting an engine up has come. */
export const engineLineOf = (text: string): components['schemas']['EngineLine'] => engineLine.parse(JSON.parse(text));

const putUpLine = z.object({
  done: z.number(),
  files: z.number(),
  version: z.nullable(z.number()),
  problem: z.nullable(z.string()),
});

/** One line of how far putting files up has come. */
export const putUpLineOf = (text: string): components['schemas']['PutUpLine'] => putUpLine.parse(JSON.parse(text));
