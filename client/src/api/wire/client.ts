import createClient, { type Middleware } from 'openapi-fetch';
import type { components, paths } from '../schema';
import { problemOf } from './refusal';

export type Schemas = components['schemas'];
export type SitePage = Schemas['SitePageWire'];
export type Worksheet = Schemas['WorksheetWire'];
export type Costing = Schemas['CostingWire'];
export type Outcome = Schemas['OutcomeWire'];
export type Comparison = Schemas['ComparisonWire'];
export type Stopping = Schemas['StoppingWire'];
export type Order = Schemas['OrderWire'];
export type Book = Schemas['BookWire'];
export type Session = Schemas['SessionWire'];
export type NameAnswer = Schemas['NameAnswerWire'];
export type NameCost = Schemas['NameCostWire'];
export type Fault = Schemas['FaultWire'];

let token = '';

/** Goes with every change; the session's answer holds it. */
export function setToken(value: string) {
  token = value;
}

/** The header that goes with every change. */
export const tokenHeader = () => ({ 'X-Home-Start-Token': token });

const withToken: Middleware = {
  onRequest({ request }) {
    if (request.method !== 'GET') {
      request.headers.set('X-Home-Start-Token', token);
    }

    return request;
  },
};

export const api = createClient<paths>({ baseUrl: '/' });
api.use(withToken);

/** An answer that was no success: what the server says, with the faults and their places. */
export class Refused extends Error {
  readonly status: number;
  readonly faults: Fault[];

  constructor(status: number, problem: unknown) {
    const { words, faults } = problemOf(problem);
    super(faults[0]?.message ?? words ?? 'Something went wrong on our side.');
    this.status = status;
    this.faults = faults;
  }
}

/** The data of an answer, or a {@link Refused}. */
export function expect<T>(answer: { data?: T; error?: unknown; response: Response }): T {
  if (answer.data === undefined) {
    throw new Refused(answer.response.status, answer.error);
  }

  return answer.data;
}

/** Of an answer without data: nothing, or a {@link Refused}. */
export function carriedOut(answer: { error?: unknown; response: Response }): void {
  if (!answer.response.ok) {
    throw new Refused(answer.response.status, answer.error);
  }
}
