import { createContext, useContext } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import type { Fault } from '../../../api/wire/client';
import { emptyWay, type Draft, type Finding } from '../../../api/books/fromPage';

export const emptyDraft = (currency: string): Draft => ({
  ...emptyWay,
  provider: '',
  plan: '',
  currency,
  otherWays: [],
  setupFee: '',
  includesDomain: false,
  endings: '',
  domainFromMonths: '',
  tax: '',
  refundDays: '',
  ticked: [],
});

type Field = Finding['field'];
export type FoundField = Exclude<keyof Draft, 'otherWays' | 'ticked'>;

/** "price-per" is the draft's pricePer. */
export const draftField = (field: Field): FoundField =>
  field.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase()) as FoundField;

/** What was read of each field: the words it came from, which wait for the owner's yes. */
export type Found = Partial<Record<FoundField, string>>;

export interface AdvertisementInHand {
  form: UseFormReturn<Draft>;
  found: Found;
  /** The owner looked, or typed over it: it waits no more. */
  settle: (field: string) => void;
  faultOf: (field: string) => string | undefined;
}

export const AdvertisementContext = createContext<AdvertisementInHand | null>(null);

export function useAdvertisement(): AdvertisementInHand {
  const inHand = useContext(AdvertisementContext);
  if (!inHand) {
    throw new Error('This part stands inside the form of an advertisement.');
  }

  return inHand;
}

/** What is missing is said when the owner wants to go on; what is wrong, at once. */
export const faultAt = (faults: Fault[], field: string, isTried: boolean) =>
  faults.find((fault) => fault.where === field && (isTried || fault.code !== 'required'))?.message;

const key = (siteId: string) => `advertisement-${siteId}`;

/** What was typed and not taken yet outlives a reload and a look at another page. */
export function keptDraft(siteId: string, currency: string): Draft {
  try {
    return { ...emptyDraft(currency), ...(JSON.parse(sessionStorage.getItem(key(siteId)) ?? '{}') as Partial<Draft>) };
  } catch {
    return emptyDraft(currency);
  }
}

export const keepDraft = (siteId: string, draft: Draft) => sessionStorage.setItem(key(siteId), JSON.stringify(draft));

export const forgetDraft = (siteId: string) => sessionStorage.removeItem(key(siteId));
