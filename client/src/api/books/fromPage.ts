import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { keys } from '../wire/keys';
import { api, expect, type Schemas } from '../wire/client';

export type Finding = Schemas['FindingWire'];
export type Advertisement = Schemas['AdvertisementWire'];
export type PriceTable = Schemas['PriceTableWire'];

/** An advertisement as it is being typed: nothing is null, an empty text is not given yet. */
export type Draft = {
  [Key in Exclude<keyof Schemas['AdvertisementBody'], 'otherWays' | 'ticked' | 'includesDomain'>]: string;
} & { includesDomain: boolean; otherWays: DraftWay[]; ticked: DraftExtra[] };

export type DraftWay = { [Key in keyof Schemas['AdvertisedWayBody']]: string };
export type DraftExtra = { [Key in keyof Schemas['AdvertisedExtraBody']]: string };

export const emptyWay: DraftWay = {
  price: '',
  pricePer: 'month',
  months: '',
  paid: '',
  later: '',
  laterPrice: '',
  laterPer: 'month',
};

/** What a draft comes to, and what it still lacks. The answer before stays until the next is there. */
export const advertisementQuery = (siteId: string, draft: Draft) =>
  queryOptions({
    queryKey: keys.advertisement(siteId, draft),
    queryFn: async ({ signal }) =>
      expect(
        await api.POST('/api/sites/{siteId}/advertisement', { params: { path: { siteId } }, body: draft, signal }),
      ),
    placeholderData: keepPreviousData,
  });

export const readAdvertisement = async (text: string) =>
  expect(await api.POST('/api/advertisements/read', { body: { text } }));

export const priceTableQuery = (siteId: string, body: Schemas['PriceTableBody']) =>
  queryOptions({
    queryKey: keys.priceTable(siteId, body),
    queryFn: async ({ signal }) =>
      expect(await api.POST('/api/sites/{siteId}/price-table', { params: { path: { siteId } }, body, signal })),
    placeholderData: keepPreviousData,
  });
