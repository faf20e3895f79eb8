import { queryOptions } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { api, expect } from '../../../api/wire/client';

const names = new Intl.DisplayNames('en-GB', { type: 'region' });

/** The English name of a country's code. */
export const countryName = (code: string) => (code ? (names.of(code) ?? code) : '');

/** The countries an order can come from, by name, each with what an address there holds. */
export const countriesQuery = queryOptions({
  queryKey: keys.countries(),
  queryFn: async () =>
    expect(await api.GET('/api/countries')).sort((left, right) =>
      countryName(left.code).localeCompare(countryName(right.code), 'en-GB'),
    ),
  staleTime: Infinity,
});
